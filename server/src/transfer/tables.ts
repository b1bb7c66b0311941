// The firm's data as tables for a spreadsheet: CSV (RFC 4180) in UTF-8 with a byte order mark; no cell starts a formula.
import { Op, col, where } from 'sequelize'
import type { Readings } from '@yastik/core/lookover'
import { timeOf } from '@yastik/core/run'
import { cellsOf, siteTableColumns } from '@yastik/core/wire'
import { Job, Site, StoredEvent, Unit, type Firm } from '../db/models.ts'
import { groupBy } from '../db/groupBy.ts'
import { eventOf } from '../events/queries.ts'
import { csvOf } from '../csv.ts'
import { unitForm } from '../sites/records.ts'

const jobsAtOnce = 500
const byteOrderMark = '\uFEFF'
const lineEnd = '\r\n'

const linesOf = csvOf

/** Every row has as many cells as the headings. */
const noUnit = siteTableColumns.filter(({ of }) => of === 'unit').map(() => '')

/** One row per unit, with its site; sites without units have a row too. It reads back as it is. */
export async function* sitesTable(firm: Firm): AsyncGenerator<string> {
  yield byteOrderMark + linesOf([siteTableColumns.map(({ name }) => name)]) + lineEnd
  const sites = await Site.findAll({
    where: { firmId: firm.id },
    include: ['units'],
    order: [
      ['name', 'ASC'],
      ['units', 'name', 'ASC'],
    ],
  })
  for (const site of sites) {
    const { units = [] } = site
    const own = cellsOf('site', site.form)
    const rows = units.length === 0 ? [[...own, ...noUnit]] : units.map((unit) => [...own, ...cellsOf('unit', unitForm(unit))])
    yield linesOf(rows) + lineEnd
  }
}

const readingColumns = ['returnC', 'returnRh', 'supplyC', 'supplyRh', 'airflowM3h', 'amps', 'levelMmPerM'] as const satisfies (keyof Readings)[]

/**
 * One row per reading that was taken: by the day of the visit, then its id, then the place in its log. All of them go with the firm wherever it is
 * read in, and so does the order.
 */
export async function* readingsTable(firm: Firm): AsyncGenerator<string> {
  yield (
    byteOrderMark +
    linesOf([['jobId', 'unitId', 'site', 'unit', 'takenAt', 'when', ...readingColumns, 'flowTestLitres', 'flowTestSeconds']]) +
    lineEnd
  )
  const units = new Map((await Unit.findAll({ where: { firmId: firm.id }, include: ['site'] })).map((unit) => [unit.id, unit]))
  const places = [
    ['onDate', 'ASC'],
    ['id', 'ASC'],
  ] as [string, string][]
  for (let last: Job | undefined; ;) {
    const onwards = last && { [Op.or]: [{ onDate: { [Op.gt]: last.onDate } }, { onDate: last.onDate, id: { [Op.gt]: last.id } }] }
    const jobs = await Job.findAll({ where: { firmId: firm.id, ...onwards }, order: places, limit: jobsAtOnce })
    if (jobs.length === 0) return
    const events = await StoredEvent.findAll({
      where: { [Op.and]: [{ jobId: { [Op.in]: jobs.map(({ id }) => id) } }, where(col('happening'), Op.like, '{"type":"reading-taken"%')] },
      order: [['place', 'ASC']],
    })
    const eventsBy = groupBy(events, ({ jobId }) => jobId)
    const inOrder = jobs.flatMap(({ id }) => eventsBy.get(id) ?? [])
    const rows = inOrder.flatMap((stored) => {
      const event = eventOf(stored)
      const { happening } = event
      if (happening.type !== 'reading-taken') return []
      const unit = units.get(happening.unitId)
      const { readings } = happening
      return [
        [
          stored.jobId,
          happening.unitId,
          unit?.site?.name ?? '',
          unit?.name ?? '',
          new Date(timeOf(event)).toISOString(),
          happening.when,
          ...readingColumns.map((name) => readings[name] ?? ''),
          readings.flowTest?.litres ?? '',
          readings.flowTest?.seconds ?? '',
        ],
      ]
    })
    if (rows.length > 0) yield linesOf(rows) + lineEnd
    last = jobs.at(-1)
  }
}
