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
  /** All that the plan rests on, but the log. */
  readonly restsOn: string
  readonly logLength: number
  readonly litres: Promise<Litres>
  readonly plannedMs: number
  /** Whether it was planned anew soon after it had been planned: somebody is at work there. */
  readonly isHot: boolean
  /** Whether it is being planned anew behind whoever asks. */
  isRenewed: boolean
}
/** By visit; each takes a few hundred bytes. */
const remembered = new LRUCache<string, Remembered>({ max: 5000 })
/** Where somebody is at work every tap changes what is left: such a visit is planned anew no more often than this. */
const hotMs = 10_000
/** So long what it took is told while it is planned anew: nobody who asks waits for that. */
const toldMs = 2 * hotMs

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
  const restsOn = ({ id, revision, siteVersion, units }: PlanVersion) => [ofFirm, id, revision, siteVersion, units].join('|')
  const now = performance.now()
  const planAnew = (wanted: readonly PlanVersion[]): Remembered[] => {
    const visits = plannedVisits(db, firm, from, to, nowMs, new Set(wanted.map(({ id }) => id)))
    const litresBy = visits.then((own) => new Map(own.map(({ job, load }) => [job.id, litresOf(load.units.flatMap(({ mixes }) => mixes))])))
    return wanted.map((version) => {
      const last = remembered.get(version.id)
      const litres = litresBy.then((all): Litres => all.get(version.id) ?? new Map<string, number>())
      const isHot = last !== undefined && now - last.plannedMs < toldMs
      return { restsOn: restsOn(version), logLength: version.logLength, litres, plannedMs: now, isHot, isRenewed: false }
    })
  }

  const told: Remembered[] = []
  const unknown: PlanVersion[] = []
  const old: { readonly version: PlanVersion; readonly last: Remembered }[] = []
  for (const version of versions) {
    const last = remembered.get(version.id)
    const isNow = last?.logLength === version.logLength
    if (last?.restsOn !== restsOn(version) || !(isNow || (last.isHot && now - last.plannedMs < toldMs))) unknown.push(version)
    else {
      told.push(last)
      if (!isNow && !last.isRenewed && now - last.plannedMs >= hotMs) old.push({ version, last })
    }
  }
  // What is read within somebody's own change is theirs alone.
  const isForAll = !db.transaction
  if (unknown.length > 0)
    planAnew(unknown).forEach((own, at) => {
      told.push(own)
      if (!isForAll) return
      // Others who ask meanwhile wait for the same.
      const { id } = unknown[at]
      remembered.set(id, own)
      own.litres.catch(() => remembered.delete(id))
    })
  if (old.length > 0 && isForAll)
    planAnew(old.map(({ version }) => version)).forEach((own, at) => {
      const { version, last } = old[at]
      last.isRenewed = true
      own.litres.then(
        // Unless it was planned for somebody in the meantime, by what it rests on by then.
        () => remembered.get(version.id) === last && remembered.set(version.id, own),
        // Who asks next has it planned again; once there is nothing to tell instead, they are told of the fault.
        () => (last.isRenewed = false),
      )
    })
  const all = new Map<string, number>()
  for (const { litres } of told) for (const [productId, amount] of await litres) all.set(productId, (all.get(productId) ?? 0) + amount)
  return all
}

function litresOf(mixes: readonly { readonly productId: string; readonly productL: number }[]): Litres {
  const all = new Map<string, number>()
  for (const { productId, productL } of mixes) all.set(productId, (all.get(productId) ?? 0) + productL)
  return all
}
