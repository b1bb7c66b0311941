// What else does the due list say of an entry: its worth, the season, days for a roof, and whether its customer may be, or was, reminded?
import { knownHouseRules } from '@yastik/core/method'
import { paidWork, standardWork, type PaidWork } from '@yastik/core/plan'
import { isOnRoof, type Family } from '@yastik/core/units'
import { bringForward, roofDays, type Season } from '@yastik/core/upkeep'
import { plainAddress, type DuePage, type Reminders } from '@yastik/core/wire'
import { parsed, type Db } from '../db/database.ts'
import { Stop, type Firm } from '../db/models.ts'
import { isHeld, isLate } from '../messages/hold.ts'
import { lastReminders } from '../messages/queries.ts'
import { ifKnown, seasonAt, type WeatherSource } from '../weather/source.ts'
import { dayMs, dayOf } from '../days.ts'

type Entry = DuePage['entries'][number]
type Advice = Pick<Entry, 'worth' | 'before' | 'roofDays' | 'hold' | 'reminded'>

/** Nobody foretells the weather further. */
const weatherDays = 10
/** A roof that is due later needs no day yet. */
const roofAheadDays = 56

/** Worth by family and work, for a firm's rules and stores as they stand: reckoned once each. */
const worths = new Map<string, number>()
const mostWorths = 1000
export function worthOf(firm: Firm, family: Family, what: PaidWork): number {
  const key = [firm.id, firm.houseRulesVersion, firm.storesVersion, family, what].join(' ')
  const known = worths.get(key)
  if (known !== undefined) return known
  if (worths.size >= mostWorths) worths.clear()
  const { money } = standardWork(family, what, firm.houseRules, firm.products, firm.equipment)
  worths.set(key, money)
  return money
}
const isPaid = (what: string): what is PaidWork => paidWork.some((kind) => kind === what)

/** An entry as far as advice asks for it. */
type Asked = Pick<Entry, 'siteId' | 'family' | 'what' | 'dueOn'> & {
  readonly altitudeM: string | null
  /** The customer's consent, as text. */
  readonly reminders: string | null
}

/** Reads what a page needs at once. @returns what is to be said of each of its entries. */
export async function adviceFor(
  db: Db,
  page: readonly Asked[],
  firm: Firm,
  weather: WeatherSource | undefined,
  nowMs: number,
): Promise<(entry: Asked) => Advice> {
  const today = dayOf(nowMs, firm)
  const places = [
    ...new Map(
      page.map(({ siteId, altitudeM }) => [siteId, { id: siteId, ...(altitudeM === null ? {} : { altitudeM: Number(altitudeM) }) }]),
    ).values(),
  ]
  const [stops, lastBy] = await Promise.all([
    page.some(({ reminders }) => reminders) ? Stop.findAll({ where: { firmId: firm.id } }) : [],
    lastReminders(
      db,
      places.map(({ id }) => id),
    ),
  ])
  const stopBy = new Map(stops.map((stop) => [stop.address, stop]))
  const seasons = new Map<string, Season | undefined>()
  const fitDays = new Map<string, string[]>()
  const roofUntil = dayOf(nowMs + roofAheadDays * dayMs, firm)
  const isRoofSoon = ({ family, dueOn }: Pick<Entry, 'family' | 'dueOn'>) => isOnRoof(family) && dueOn <= roofUntil
  if (weather) {
    const windLimit = knownHouseRules(firm.houseRules).roofWindLimitMs
    const roofs = new Set(page.filter(isRoofSoon).map(({ siteId }) => siteId))
    await Promise.all(
      places.map(async (place) => {
        const { id } = place
        seasons.set(id, await seasonAt(weather, place))
        const days = roofs.has(id) ? await ifKnown(weather, (source) => source.forecast(place, today, weatherDays)) : undefined
        if (days) fitDays.set(id, roofDays(days, windLimit))
      }),
    )
  }
  return ({ siteId, family, what, dueOn, reminders }) => {
    const consent = reminders === null ? undefined : parsed<Reminders>(reminders)
    const last = lastBy.get(siteId)
    return {
      worth: isPaid(what) ? worthOf(firm, family, what) : null,
      before: isPaid(what) ? (bringForward(dueOn, today, seasons.get(siteId)) ?? null) : null,
      roofDays: isRoofSoon({ family, dueOn }) ? (fitDays.get(siteId) ?? null) : null,
      hold: isHeld(consent, consent && stopBy.get(plainAddress(consent.to))) ?? (last && isLate(last, nowMs) ? 'lately' : null),
      reminded: last ? { state: last.state, at: last.changedAt.toISOString() } : null,
    }
  }
}
