// What has to be known of a visit before anybody sets out?
import { estimate } from '../quantities/index.ts'
import type { Site } from '../plan/index.ts'
import type { Step } from '../procedure/index.ts'
import { isOnRoof, type Family } from '../units/index.ts'
import { says, type Message } from '../words/index.ts'

export const specials = ['roof', 'ladder', 'heavy', 'electrics', 'sensitive-people', 'no-water', 'no-drain', 'comes-back'] as const
export type Special = (typeof specials)[number]

export const specialName = (special: Special): Message => says(`names.special.${special}`)
/** What dries overnight stays open so long at the very least: nobody waits for it. */
const overnightMin = estimate(12 * 60, 'min')

/** In the order of `specials`. @param steps of all units, as far as they are known */
export function specialsOf(site: Site, families: readonly Family[], steps: readonly Step[]): Special[] {
  const holds: Record<Special, boolean> = {
    roof: families.some(isOnRoof),
    ladder: steps.some(({ equipment }) => equipment.includes('step-ladder')),
    heavy: steps.some(({ people }) => people > 1),
    electrics: steps.some(({ skill }) => skill === 'electrics'),
    'sensitive-people': site.sensitiveOccupants === true,
    'no-water': !site.waterOnSite,
    'no-drain': !site.foulDrainOnSite,
    'comes-back': steps.some(({ wait }) => (wait?.leastMin ?? 0) >= overnightMin.value),
  }
  return specials.filter((special) => holds[special])
}
