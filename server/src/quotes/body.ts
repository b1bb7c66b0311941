// What goes into a quote: the units as they were seen or are expected, and every way of doing the work with its price.
import { says } from '@yastik/core/words'
import { doesNotHoldUp } from '@yastik/core/faults'
import { quoteOptions } from '@yastik/core/plan'
import { ratesAtFirst } from '@yastik/core/upkeep'
import type { QuoteBody, QuoteForm } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Db } from '../db/database.ts'
import { Unit, type Firm, type Site } from '../db/models.ts'
import { expectedUnits, jobFileFor, openLookOver } from '../jobs/expected.ts'
import { yearsOf } from '../upkeep/past.ts'

/** @throws Fault `does-not-hold-up` where a unit is not of the site. */
export async function quoteBody(db: Db, firm: Firm, site: Site, form: QuoteForm, nowMs: number): Promise<QuoteBody> {
  const found = await Unit.findAll({
    where: { siteId: site.id, id: { [Op.in]: form.units.map(({ unitId }) => unitId) } },
    transaction: db.transaction,
  })
  const unitOf = new Map(found.map((unit) => [unit.id, unit]))
  const wanted = await Promise.all(
    form.units.map(async ({ unitId, coilGrade: said, complaints: told }, index) => {
      const unit = unitOf.get(unitId)
      if (!unit) throw doesNotHoldUp(`units[${index}].unitId`, says('fault.quotes.no-unit', { id: unitId }), says('fault.quotes.no-unit-allowed'))
      return { unit, said, told, seen: said === undefined ? await openLookOver(db, unitId) : undefined }
    }),
  )
  const expected = await expectedUnits(db, firm, site, wanted, nowMs)
  // What somebody chose by hand on a visit is not what the house rules would do.
  const job = await jobFileFor(
    db,
    firm,
    site,
    expected.map(({ unit: { choices: _, ...unit } }) => unit),
  )
  const options = quoteOptions(job, {
    pastOf: new Map(expected.map(({ unit, past }) => [unit.id, past])),
    rates: firm.foulingRates ?? ratesAtFirst,
    yearsNow: yearsOf(nowMs),
  })
  return {
    units: expected.map(({ unit, coilGrade, source }) => ({
      unitId: unit.id,
      name: unit.name ?? '',
      coilGrade,
      source,
      complaints: unit.complaints,
    })),
    options,
    // What would not last is on the sheet, and offered only where the owner wants it.
    offered: options.filter(({ usual, againWeeks }) => usual || againWeeks > 0).map(({ key }) => key),
    adjustments: [],
  }
}
