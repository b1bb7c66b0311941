// What has to be said with a plan: assumed traits, contradictions, missing stock, weather, choices that were not possible?
import { doubtfulReadings, inWords, ungraded, type SoilKind } from '../lookover/index.ts'
import { byHand, choiceNames, powerBars, topicNames, usualCarriedL, type Choice, type Decision, type Facts, type Topic } from '../method/index.ts'
import type { Step } from '../procedure/index.ts'
import type { EquipmentKind } from '../products/index.ts'
import { round } from '../quantities/index.ts'
import { isOnRoof, partNames, type Part } from '../units/index.ts'
import { extentsToAsk } from './answers.ts'
import type { Site, UnitJob } from './jobFile.ts'
import type { PlannedMix } from './mixes.ts'
import type { UnitPlan } from './planFile.ts'

interface Warned {
  readonly unit: UnitJob
  readonly assumed: readonly string[]
  readonly facts: Facts
  readonly decisions: readonly Decision[]
  readonly steps: readonly Step[]
  readonly washWater: UnitPlan['washWater']
}

/** Sentences, each with the unit's name in front. */
export function warningsFor({ unit, assumed, facts, decisions, steps, washWater }: Warned): string[] {
  const unseen = ungraded(facts.lookOver, facts.design).filter((part) => part !== 'housing')
  const said = [
    ...assumed,
    ...contradictions(unit),
    ...notPossible(unit, decisions),
    ...(unseen.length > 0 ? [`not looked at, so no rule counts on it: ${unseen.map((part) => partNames[part]).join(', ')}`] : []),
    ...(unit.readings ? doubtfulReadings(unit.readings).map(({ what, allowed }) => `${what}; ${allowed}`) : []),
    ...notInVan(steps, facts),
    ...soilOnClear(unit),
    ...(facts.has('meter') || decidedScope(facts) === 'decline' ? [] : ['no meter in the van: nobody proves it dead, so no electrics are opened']),
    ...powerHeld(facts),
    ...(extentsToAsk(facts).length > 0
      ? [
          `findingExtent.${extentsToAsk(facts).join(', findingExtent.')}: not noted whether little, much or alive (allowed: little, much, alive); taken as much`,
        ]
      : []),
    ...secondBest(decisions),
    ...roof(facts),
    ...(washWater && washWater.overflowsAtMin !== null
      ? [
          `the ${facts.decided.containment === 'funnel-sheet-to-bucket' ? 'funnel sheet' : 'bag'} would overflow after ${washWater.overflowsAtMin} min: stop and clear its outlet every ${washWater.longestWashMin} min`,
        ]
      : []),
    ...(facts.site.foulDrainOnSite ? [] : ['no foul drain on site: wash water is taken along in closed cans']),
  ]
  return said.map((sentence) => `${unit.name ?? unit.id}: ${sentence}`)
}

/** Traits that do not go together with the family or with one another: planned all the same, on the cautious side. */
function contradictions({ family, design }: UnitJob): string[] {
  return [
    ...(family === 'ceiling-cassette' && design.panRemovable === false
      ? ['design.panRemovable: false is noted; the pan of a cassette comes down (allowed: true, or nothing noted); cleaned without taking it down']
      : []),
    ...(family === 'wall-head' && design.wheelRemovable === true && design.coilLiftable === false
      ? [
          'design.coilLiftable: false is noted beside wheelRemovable: true; a wheel comes out only past a lifted coil end (allowed: both true); taken as fixed',
        ]
      : []),
    ...(family === 'window' && design.removable === false && design.slideOut === true
      ? ['design.removable: false is noted beside slideOut: true (allowed: removable true, or slideOut false); taken as staying where it sits']
      : []),
  ]
}

/** Choices by hand that a bar or a safety rule speaks against. */
function notPossible({ choices }: UnitJob, decisions: readonly Decision[]): string[] {
  return decisions.flatMap(({ topic, choice, rule, because, turnedDown }) => {
    const wanted = choices?.[topic]
    if (wanted === undefined || wanted === choice || rule === byHand) return []
    const barred = turnedDown.find((other) => other.choice === wanted && other.standing === 'barred')
    const allowed = [choice, ...turnedDown.flatMap((other) => (other.standing === 'barred' ? [] : [other.choice]))]
    return [`choices.${topic}: “${wanted}” is not possible here (${barred?.because ?? because.join('; ')}); allowed: ${allowed.join(', ')}`]
  })
}

/** What a step takes and the van has none of: the work is planned all the same, and this is said. */
function notInVan(steps: readonly Step[], { has }: Facts): string[] {
  const missing = new Map<string, string>()
  for (const { equipment, title } of steps)
    for (const kind of equipment) if (!has(kind as EquipmentKind) && !missing.has(kind)) missing.set(kind, title)
  const comb = steps.some(({ id }) => id === 'comb-fins') && !has('fin-comb') ? ['no fin comb in the van: bent fins are left to a thin blade'] : []
  return [...[...missing].map(([kind, title]) => `no ${kind.replaceAll('-', ' ')} in the van, needed for: ${title}`), ...comb]
}

/** A kind of soil on a part that is graded clear: one of the two is wrong. */
function soilOnClear({ grades }: UnitJob): string[] {
  return (Object.entries(grades).filter(([, entry]) => entry !== undefined) as [Part, { grade: number; kinds?: SoilKind[] }][])
    .filter(([, { grade, kinds }]) => grade === 0 && kinds !== undefined && kinds.length > 0)
    .map(
      ([part, { kinds = [] }]) =>
        `${partNames[part]}: ${kinds.map(inWords).join(', ')} noted on a part that is graded clear; it counts as clear (allowed: grade 1 or worse)`,
    )
}

/** Why nothing runs before or after the work. */
function powerHeld(facts: Facts): string[] {
  const bars = powerBars(facts)
  if (bars.length === 0 || decidedScope(facts) === 'decline') return []
  return [
    `${bars.map(inWords).join(', ')}: not run, so no before readings${bars.includes('cracked-wheel') ? '; it is handed back switched off' : '; no power before it is put right'}`,
  ]
}
const decidedScope = ({ decided }: Facts) => decided.scope

/** More water than the van brings to a site without a tap, over all units. */
export function shortWater(plans: readonly UnitPlan[], { waterOnSite, carriedWaterL = usualCarriedL.value }: Site): string[] {
  if (waterOnSite) return []
  const neededL = plans.reduce(
    (sum, { washWater, mixes }) => sum + (washWater?.litres ?? 0) + mixes.reduce((water, { waterL }) => water + waterL, 0),
    0,
  )
  return neededL > carriedWaterL ? [`no tap on site: ${round(neededL, 1)} L of water are needed, the van brings ${carriedWaterL} L`] : []
}

/** Over all units of a job. */
export function shortStock(mixes: readonly PlannedMix[]): string[] {
  return [...new Set(mixes.map(({ product }) => product))].flatMap((product) => {
    const needed = mixes.filter((entry) => entry.product === product).reduce((sum, { productL }) => sum + productL, 0)
    return product.inStockLitres !== undefined && needed > product.inStockLitres
      ? [`${product.name}: ${round(needed, 2)} L needed, ${product.inStockLitres} L in the van`]
      : []
  })
}

const fromTheShelf: readonly Topic[] = ['coil-agent', 'wheel-agent', 'condenser-agent', 'pan-treatment']

/** Where the right product is missing or may not be used: what is missing, why, and what second best does instead. */
function secondBest(decisions: readonly Decision[]): string[] {
  return decisions.flatMap(({ topic, choice, better, turnedDown }) => {
    if (!better || !fromTheShelf.includes(topic)) return []
    const because = turnedDown.find((other) => other.choice === better)?.because
    const instead = choice === 'none' ? 'it is left out' : `second best is ${choiceNames[choice]}${weakness[choice] ?? ''}`
    return [`${topicNames[topic].toLowerCase()}, ${choiceNames[better]} would be right, but ${because}; ${instead}`]
  })
}

const weakness: Partial<Record<Choice, string>> = {
  water: ', which leaves grease and slime',
  'mild-detergent': ', which takes a second pass on heavy soil',
}

function roof(facts: Facts): string[] {
  if (!isOnRoof(facts.lookOver.family) || facts.decided.scope === 'decline' || facts.decided.scope === 'filter-service') return []
  return facts.site.outdoorAir?.windMs === undefined
    ? [`wind not noted: look before anybody goes up; above ${facts.houseRules.roofWindLimitMs} m/s it waits`]
    : []
}
