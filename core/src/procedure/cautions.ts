// What can hurt somebody: said once, at the first step it applies to, and again only where the danger is new.
import { isSplit, sharpFins, storedCharge } from '../units/index.ts'
import { says, type Message, type Sentence } from '../words/index.ts'
import { ladderFor, type Drafting } from './drafting.ts'
import { onMains } from './kit.ts'
import type { Step } from './step.ts'

export const caution = {
  electricity: says('procedure.caution.electricity-kills-isolate-lock'),
  storedCharge,
  ladder: says('procedure.caution.ladder-firm-ground-three'),
  roof: says('procedure.caution.roof-ladder-tied-held'),
  battery: says('procedure.caution.battery-arcs-when-shorted'),
  lifting: says('procedure.caution.lift-level-legs-two'),
  air: says('procedure.caution.compressed-air-goggles-never'),
  fins: sharpFins,
  dust: says('procedure.caution.mould-dust-respirator-windows'),
  chemicals: says('procedure.caution.gloves-goggles-windows-open'),
  hotWater: says('procedure.caution.warm-water-enough-hot'),
  jet: says('procedure.caution.keep-nozzle-20-cm'),
  wasteWater: says('procedure.caution.wash-water-goes-foul'),
  wheel: says('procedure.caution.wheel-starts-takes-fingers'),
  circuit: says('procedure.caution.refrigerant-circuit-stays-closed'),
  flammable: says('procedure.caution.flammable-refrigerant-flame-sparks'),
  overhead: says('procedure.caution.spray-overhead'),
  overheadLadder: says('procedure.caution.spray-overhead-ladder'),
  mains: says('procedure.caution.mains-tools'),
} as const

/** Power comes back, and somebody goes up: said again, however often it was said before. */
const newDanger: Readonly<Record<string, readonly Message[]>> = {
  'power-on': [caution.wheel],
  'join-battery': [caution.battery],
  'go-up': [caution.roof],
}
/** No more than so many a unit, and one that another unit of the visit may add: whoever is told everything reads nothing. */
const mostCautions = 14
/** What a careful hand does anyway: left out first, in this order, where there would be more than that. */
const mildest: readonly string[] = [
  'procedure.onStep.each-screw-goes-back',
  'units.pan.cautions',
  'units.pan.cautions.pan-may-full-keep',
  'units.wheel.cautions',
  'units.wheel.cautions.thin-blades-hold-wheel',
  'units.wheel.cautions.thin-blades-hold-wheel-2',
  'procedure.caution.warm-water-enough-hot',
  'procedure.caution.wash-water-goes-foul',
  'procedure.caution.keep-nozzle-20-cm',
]
/** Steps that spray at a unit above one's head. */
const sprays = ['apply-degreaser', 'apply-coil', 'rinse-coil', 'wash-wheel']

/** Adds what the tools and the place of a step ask for: ladders, sprays overhead, mains tools near water. */
function withPlace(drafting: Drafting, steps: readonly Step[]): void {
  const ladder = ladderFor(drafting)
  const hangs = isSplit(drafting.facts.lookOver.family)
  const isWet = steps.some(({ id }) => sprays.includes(id))
  for (const entry of steps) {
    const more = [
      ...(entry.equipment.includes('step-ladder') ? [caution.ladder] : []),
      ...(hangs && sprays.includes(entry.id) ? [ladder === 'step-ladder' ? caution.overheadLadder : caution.overhead] : []),
      ...(isWet && entry.equipment.some((kind) => onMains.includes(kind)) ? [caution.mains] : []),
    ]
    if (more.length > 0) entry.cautions = [...entry.cautions, ...more]
  }
}

const identityOf = (words: Sentence): string => (typeof words === 'string' ? words : words.values === undefined ? words.key : JSON.stringify(words))

/** Each caution once, at the first step it applies to; `steps` are in workable order. */
export function saidOnce(drafting: Drafting, steps: Step[]): Step[] {
  withPlace(drafting, steps)
  const said = new Set<string>()
  for (const entry of steps) {
    const isNew = newDanger[entry.id] ?? []
    const own = new Map(entry.cautions.map((words) => [identityOf(words), words]))
    entry.cautions = [...own].flatMap(([identity, words]) => (said.has(identity) && !isNew.some((one) => one === words) ? [] : [words]))
    for (const identity of own.keys()) said.add(identity)
  }
  return fewer(steps)
}

function fewer(steps: Step[]): Step[] {
  let over = steps.reduce((sum, { cautions }) => sum + cautions.length, 0) - mostCautions
  for (const key of mildest) {
    if (over <= 0) break
    for (const entry of steps) {
      const kept = entry.cautions.filter((words) => identityOf(words) !== key)
      over -= entry.cautions.length - kept.length
      entry.cautions = kept
    }
  }
  return steps
}
