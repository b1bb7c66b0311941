// How much of each product will the coming visits take? A visit is planned once for as long as nothing changes that its plan rests on; the plan itself
// is a pure function of that, so that any process may remember it.
import { LRUCache } from 'lru-cache'
import type { FirmRates } from '@yastik/core/upkeep'
import type { Db } from '../db/database.ts'
import type { Firm } from '../db/models.ts'
import { plannedVisits } from './load.ts'
import { planVersions, productsOf, type PlanVersion } from './queries.ts'

type Litres = ReadonlyMap<string, number>

interface Remembered {
  /** All that the plan rests on. */
  readonly key: string
  readonly litres: Promise<Litres>
  readonly plannedMs: number
  /** Whether it was planned anew soon after it had been planned: somebody is at work there. */
  readonly isHot: boolean
}
/** By visit; each takes a few hundred bytes. */
const remembered = new LRUCache<string, Remembered>({ max: 5000 })
/** Where somebody is at work every tap changes what is left: such a visit is planned anew no more often than this. */
const hotMs = 10_000

const ratesWords = (rates: FirmRates | null | undefined) => (rates ? `${rates.shift} ${rates.spread}` : '')

/**
 * Litres of each product that open visits of some days take, by its id.
 * @param from first day, and the day by which the forecast is made @param to last day
 */
export async function plannedLitres(db: Db, firm: Firm, from: string, to: string, nowMs: number): Promise<Litres> {
  const [versions, products] = await Promise.all([planVersions(db, firm.id, from, to), productsOf(db, firm, nowMs)])
  // What there is nothing of is not chosen; how much there is of the rest changes nothing.
  const lacking = products.filter(({ inStockLitres }) => inStockLitres !== undefined && inStockLitres <= 0).map(({ id }) => id)
  const ofFirm = [firm.id, firm.houseRulesVersion, firm.storesVersion, ratesWords(firm.foulingRates), lacking.join(' '), from].join('|')
  const keyOf = ({ id, revision, logLength, siteVersion, units }: PlanVersion) => [ofFirm, id, revision, logLength, siteVersion, units].join('|')
  const now = performance.now()
  const known = new Map<string, Remembered>()
  const toPlan = versions.filter((version) => {
    const last = remembered.get(version.id)
    const isGood = last !== undefined && (last.key === keyOf(version) || (last.isHot && now - last.plannedMs < hotMs))
    if (isGood) known.set(version.id, last)
    return !isGood
  })
  if (toPlan.length > 0) {
    const ids = new Set(toPlan.map(({ id }) => id))
    const planned = plannedVisits(db, firm, from, to, nowMs, ids)
    const litresBy = planned.then((visits) => new Map(visits.map(({ job, load }) => [job.id, litresOf(load.units.flatMap(({ mixes }) => mixes))])))
    for (const version of toPlan) {
      const last = remembered.get(version.id)
      const isHot = last !== undefined && now - last.plannedMs < hotMs
      const litres = litresBy.then((all): Litres => all.get(version.id) ?? new Map<string, number>())
      const own = { key: keyOf(version), litres, plannedMs: now, isHot }
      known.set(version.id, own)
      // Others who ask meanwhile wait for the same; what is read within somebody's own change is theirs alone.
      if (!db.transaction) {
        remembered.set(version.id, own)
        litres.catch(() => remembered.delete(version.id))
      }
    }
  }
  const all = new Map<string, number>()
  for (const { litres } of known.values()) for (const [productId, amount] of await litres) all.set(productId, (all.get(productId) ?? 0) + amount)
  return all
}

function litresOf(mixes: readonly { readonly productId: string; readonly productL: number }[]): Litres {
  const all = new Map<string, number>()
  for (const { productId, productL } of mixes) all.set(productId, (all.get(productId) ?? 0) + productL)
  return all
}
