// What has to be said with a plan: assumed traits, contradictions, missing stock, weather, choices that were not possible?
import { doubtfulReadings, impossibleReadings, measuredUnit, named, ungraded, type SoilKind } from '../lookover/index.ts'
import { byHand, choiceName, powerBars, topicName, usualCarriedL, type Choice, type Decision, type Facts, type Topic } from '../method/index.ts'
import { missingTools, type Step } from '../procedure/index.ts'
import { equipmentName, type EquipmentKind } from '../products/index.ts'
import { estimate, round } from '../quantities/index.ts'
import { isOnRoof, partName, type Part } from '../units/index.ts'
import { extentsToAsk } from './answers.ts'
import type { Site, UnitJob } from './jobFile.ts'
import type { PlannedMix } from './mixes.ts'
import type { UnitPlan } from './planFile.ts'
import { joined, says, type Message, type Sentence } from '../words/index.ts'

interface Warned {
  readonly unit: UnitJob
  readonly assumed: readonly Message[]
  readonly facts: Facts
  readonly decisions: readonly Decision[]
  readonly steps: readonly Step[]
  readonly washWater: UnitPlan['washWater']
}

/** Sentences, each with the unit's name in front. */
export function warningsFor({ unit, assumed, facts, decisions, steps, washWater }: Warned): Message[] {
  const unseen = ungraded(facts.lookOver, facts.design).filter((part) => part !== 'housing')
  const said = [
    ...assumed,
    ...contradictions(unit),
    ...notPossible(unit, decisions),
    ...(unseen.length > 0 ? [says('plan.warningsFor.looked-rule-counts', { parts: { comma: unseen.map(partName) } })] : []),
    ...doubtedReadings(unit, facts),
    ...notInVan(steps, facts),
    ...soilOnClear(unit),
    ...(facts.has('meter') || decidedScope(facts) === 'decline' ? [] : [says('plan.warningsFor.meter-van-proves-dead')]),
    ...powerHeld(facts),
    ...(extentsToAsk(facts).length > 0
      ? [
          says('plan.warningsFor.findingextent-noted-whether-little', {
            findings: { comma: extentsToAsk(facts).map((finding) => `findingExtent.${finding}`) },
          }),
        ]
      : []),
    ...secondBest(decisions),
    ...roof(facts),
    ...(washWater && washWater.overflowsAtMin !== null
      ? [
          says('plan.warningsFor.would-overflow-after-stop', {
            catcher: equipmentName(facts.decided.containment === 'funnel-sheet-to-bucket' ? 'funnel-sheet' : 'wash-bag'),
            after: { min: washWater.overflowsAtMin },
            every: { min: washWater.longestWashMin },
          }),
        ]
      : []),
    ...longWaits(steps),
    ...(facts.site.foulDrainOnSite ? [] : [says('plan.warningsFor.foul-drain-site-wash')]),
  ]
  return said.map((warning) => says('plan.warningsFor.text', { unit: unit.name ?? unit.id, warning }))
}

/** Readings that cannot be are doubted aloud, and decide nothing; others are asked about. */
function doubtedReadings(unit: UnitJob, { site }: Facts): Message[] {
  if (!unit.readings) return []
  const measured = measuredUnit(unit, site)
  const cannotBe = impossibleReadings(unit.readings, measured)
  if (cannotBe.length > 0) return cannotBe.map(({ what, allowed }) => says('plan.warningsFor.readings-cannot-be', { what, allowed }))
  return doubtfulReadings(unit.readings, measured).map(({ what, allowed }) => joined({ semicolon: [what, allowed] }))
}

/** Longer than this nobody waits without a word. */
const longWait = estimate(15, 'min')
/** Waits in which nobody works, with what would shorten them. */
const longWaits = (steps: readonly Step[]): Message[] =>
  steps.flatMap(({ phase, title, wait }) => {
    if (!wait || wait.leastMin <= longWait.value) return []
    const shorter = phase === 'apply' || phase === 'dwell' ? 'dwell' : phase === 'dry' ? 'drying' : 'other'
    return [
      says('plan.warningsFor.long-wait', {
        step: joined({ comma: [title] }),
        time: { min: wait.leastMin },
        shorter: says(`plan.shorter.${shorter}`),
      }),
    ]
  })

/** Traits that do not go together with the family or with one another: planned all the same, on the cautious side. */
function contradictions({ family, design }: UnitJob): Message[] {
  return [
    ...(family === 'ceiling-cassette' && design.panRemovable === false ? [says('plan.contradictions.design-panremovable-false-noted')] : []),
    ...(family === 'wall-head' && design.wheelRemovable === true && design.coilLiftable === false
      ? [says('plan.contradictions.design-coilliftable-false-noted')]
      : []),
    ...(family === 'window' && design.removable === false && design.slideOut === true
      ? [says('plan.contradictions.design-removable-false-noted')]
      : []),
  ]
}

/** Choices by hand that a bar or a safety rule speaks against. */
function notPossible({ choices }: UnitJob, decisions: readonly Decision[]): Message[] {
  return decisions.flatMap(({ topic, choice, rule, because, turnedDown }) => {
    const wanted = choices?.[topic]
    if (wanted === undefined || wanted === choice || rule === byHand) return []
    const barred = turnedDown.find((other) => other.choice === wanted && other.standing === 'barred')
    const allowed = [choice, ...turnedDown.flatMap((other) => (other.standing === 'barred' ? [] : [other.choice]))]
    return [
      says('plan.notPossible.choices-possible-here-allowed', {
        topic,
        wanted,
        reasons: { semicolon: barred ? [barred.because] : because },
        allowed: { comma: allowed },
      }),
    ]
  })
}

/** What a step takes and the van has none of: the work is planned all the same, and this is said. */
function notInVan(steps: readonly Step[], facts: Facts): Message[] {
  const { has } = facts
  const missing = new Map<EquipmentKind, Sentence>()
  for (const { equipment, title } of steps)
    for (const kind of equipment as EquipmentKind[]) if (!has(kind) && !missing.has(kind)) missing.set(kind, title)
  const tools = missingTools(steps, facts)
  const comb = steps.some(({ id }) => id === 'comb-fins') && !has('fin-comb') ? [says('plan.notInVan.fin-comb-van-bent')] : []
  return [
    ...[...missing].map(([kind, title]) => says('plan.notInVan.van-needed', { equipment: equipmentName(kind), step: joined({ comma: [title] }) })),
    ...(tools.length > 0
      ? [
          says('plan.notInVan.tools', {
            tools: {
              comma: tools.map(({ kind, step }) =>
                says('plan.notInVan.tool', { equipment: equipmentName(kind), step: joined({ comma: [step.title] }) }),
              ),
            },
          }),
        ]
      : []),
    ...comb,
  ]
}

/** A kind of soil on a part that is graded clear: one of the two is wrong. */
function soilOnClear({ grades }: UnitJob): Message[] {
  return (Object.entries(grades).filter(([, entry]) => entry !== undefined) as [Part, { grade: number; kinds?: SoilKind[] }][])
    .filter(([, { grade, kinds }]) => grade === 0 && kinds !== undefined && kinds.length > 0)
    .map(([part, { kinds = [] }]) => says('plan.soilOnClear.noted-part-graded-clear', { part: partName(part), kinds: { comma: kinds.map(named) } }))
}

/** Why nothing runs before or after the work. */
function powerHeld(facts: Facts): Message[] {
  const bars = powerBars(facts)
  if (bars.length === 0 || decidedScope(facts) === 'decline') return []
  return [
    says(bars.includes('cracked-wheel') ? 'plan.powerHeld.stays-off' : 'plan.powerHeld.put-right-first', { findings: { comma: bars.map(named) } }),
  ]
}
const decidedScope = ({ decided }: Facts) => decided.scope

/** More water than the van brings to a site without a tap, over all units. */
export function shortWater(plans: readonly UnitPlan[], { waterOnSite, carriedWaterL = usualCarriedL.value }: Site): Message[] {
  if (waterOnSite) return []
  const neededL = plans.reduce(
    (sum, { washWater, mixes }) => sum + (washWater?.litres ?? 0) + mixes.reduce((water, { waterL }) => water + waterL, 0),
    0,
  )
  return neededL > carriedWaterL
    ? [says('plan.shortWater.tap-site-water-needed', { needed: { L: round(neededL, 1) }, carried: { L: carriedWaterL } })]
    : []
}

/** Over all units of a job. */
export function shortStock(mixes: readonly PlannedMix[]): Message[] {
  return [...new Set(mixes.map(({ product }) => product))].flatMap((product) => {
    const needed = mixes.filter((entry) => entry.product === product).reduce((sum, { productL }) => sum + productL, 0)
    return product.inStockLitres !== undefined && needed > product.inStockLitres
      ? [says('plan.shortStock.needed-van', { product: product.name, needed: { L: round(needed, 2) }, has: { L: product.inStockLitres } })]
      : []
  })
}

const fromTheShelf: readonly Topic[] = ['coil-agent', 'wheel-agent', 'condenser-agent', 'pan-treatment']

/** Where the right product is missing or may not be used: what is missing, why, and what second best does instead. */
function secondBest(decisions: readonly Decision[]): Message[] {
  return decisions.flatMap(({ topic, choice, better, turnedDown }) => {
    const because = better && fromTheShelf.includes(topic) ? turnedDown.find((other) => other.choice === better)?.because : undefined
    if (better === undefined || because === undefined) return []
    const instead = choice === 'none' ? says('plan.secondBest.left-out') : secondBestIs(choice)
    return [says('plan.secondBest.would-right-but', { topic: { lower: topicName(topic) }, choice: choiceName(better), because, instead })]
  })
}

/** What second best is, and what it leaves. */
function secondBestIs(choice: Choice): Message {
  if (choice === 'water') return says('plan.secondBest.water')
  return choice === 'mild-detergent' ? says('plan.secondBest.mild-detergent') : says('plan.secondBest.second-best', { choice: choiceName(choice) })
}

function roof(facts: Facts): Message[] {
  if (!isOnRoof(facts.lookOver.family) || facts.decided.scope === 'decline' || facts.decided.scope === 'filter-service') return []
  return facts.site.outdoorAir?.windMs === undefined
    ? [says('plan.roof.wind-noted-look-before', { wind: { Ms: facts.houseRules.roofWindLimitMs } })]
    : []
}
