// How will a day go? Of each visit what is left by its crew's day, what is special, what is not in the van, and what its people do next.
import { setImmediate as others } from 'node:timers/promises'
import { timeline, type CrewMember } from '@yastik/core/crew'
import { Fault } from '@yastik/core/faults'
import { visitId } from '@yastik/core/procedure'
import { loadFor } from '@yastik/core/money'
import { piecesIn } from '@yastik/core/products'
import { estimate, momentAt, round } from '@yastik/core/quantities'
import { specialsOf } from '@yastik/core/rounds'
import { visitLeft } from '@yastik/core/run'
import { crewOfPlan, type DayOutlook } from '@yastik/core/wire'
import type { Db } from '../db/database.ts'
import { User, type Firm } from '../db/models.ts'
import { plannedVisits, type PlannedVisit } from '../stock/load.ts'
import { productsOf } from '../stock/queries.ts'
import { spansOf } from './queries.ts'

type Visit = DayOutlook['visits'][number]

/** Looking a unit over before anything is planned: minutes a unit, shared among the crew. */
const lookOverMin = estimate(5, 'min')
/** Enough to tell five minutes apart; whoever works there looks closer. */
const effort = 400

function left(visit: PlannedVisit, people: readonly User[], crew: readonly CrewMember[], firm: Firm, nowMs: number) {
  const nameOf = new Map(people.map(({ id, name }) => [id, name]))
  const work = visitLeft(visit.load.units, visit.lists, (userId) => nameOf.get(userId), nowMs)
  const unseen = [...visit.states.values()].filter(({ grades }) => Object.keys(grades).length === 0).length
  const aroundMin = (unseen * lookOverMin.value) / Math.max(1, people.length)
  try {
    const { finishMin, tasks } = timeline(work, crew, piecesIn(firm.equipment), { effort })
    const next = people.flatMap(({ id: userId, name }) => {
      const task = tasks.find(({ who }) => who.includes(name))
      const step = work.find(({ id }) => id === task?.unitId)?.steps.find(({ id }) => id === task?.step)
      // What is done for the whole visit is begun at one of its units.
      const unitId = task?.unitId === visitId ? visit.load.units.find(({ id }) => step?.unitIds?.includes(id))?.id : task?.unitId
      return step && unitId !== undefined ? [{ userId, unitId, title: step.title }] : []
    })
    return { leftMin: round(finishMin + aroundMin), unseen, next }
  } catch (error) {
    if (!(error instanceof Fault && error.code === 'no-schedule')) throw error
    return { leftMin: null, because: error.lines[0]?.what ?? error.sentence, unseen, next: [] }
  }
}

/** Whether somebody was at work, on whatever day that began. */
const isBegun = ({ states }: PlannedVisit) =>
  [...states.values()].some(({ steps, progress }) => steps !== undefined && Object.keys(progress).length > 0)

export async function dayOutlook(db: Db, firm: Firm, day: string, nowMs: number): Promise<DayOutlook> {
  const [visits, spans, stock, people] = await Promise.all([
    plannedVisits(db, firm, day, day, nowMs),
    spansOf(db, firm, day),
    productsOf(db, firm, nowMs),
    User.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']], transaction: db.transaction }),
  ])
  const products = stock.map(({ id, name, inStockLitres }) => ({ id, name, ...(inStockLitres === undefined ? {} : { usableL: inStockLitres }) }))
  // Told apart by the visit: two sites may have one name.
  const short = loadFor(
    visits.map(({ job, load }) => ({ ...load, site: job.id })),
    firm.equipment,
    products,
  ).filter((item) => item.short !== undefined)
  const planned = new Map(visits.map((visit) => [visit.job.id, visit]))
  const visitOf = ({ jobId, beganAtMs, endedAtMs, closed }: (typeof spans)[number]): Visit => {
    const visit = planned.get(jobId)
    const began = beganAtMs ?? (visit && isBegun(visit) ? momentAt(day, 0, firm.houseRules.timeZone) : null)
    const span = {
      jobId,
      beganAtMs: began === null ? null : Number(began),
      endedAtMs: closed === 1 && endedAtMs !== null ? Number(endedAtMs) : null,
    }
    if (!visit) return { ...span, leftMin: closed === 1 ? 0 : null, unseen: 0, special: [], missing: [], next: [] }
    const crew = people.filter(({ id }) => visit.job.crewIds.includes(id))
    return {
      ...span,
      ...left(visit, crew, crewOfPlan(crew), firm, nowMs),
      special: specialsOf(
        visit.site,
        visit.families,
        visit.load.units.flatMap(({ steps }) => steps),
      ),
      missing: short.filter(({ sites }) => sites.includes(jobId)).map(({ item, short: quantity = 0, unit }) => ({ item, quantity, unit })),
    }
  }
  const told: Visit[] = []
  for (const span of spans) {
    told.push(visitOf(span))
    // A full day takes its time: others get their turn meanwhile.
    await others()
  }
  return { day, atMs: nowMs, visits: told }
}
