// What comes off in what order? Stripping follows the part graph, outermost first.
import { isPlugCleaned, slidKg, tightCeilingGap } from '../method/index.ts'
import type { Component } from '../units/index.ts'
import { isOnRoof } from '../units/index.ts'
import { caution } from './cautions.ts'
import { closerOf, comesOff, ids, ladderFor, offId, onStand, step, type Drafting } from './drafting.ts'
import { containmentStep } from './protect.ts'
import type { Step } from './step.ts'
import { screwMin, stepMin, storeyMin, takes, tightCoverMin, times } from './stepTimes.ts'
import { says, type Message } from '../words/index.ts'

/** What taking off and putting back a component have in common. */
export function handling(
  drafting: Drafting,
  component: Component,
): Pick<Step, 'part' | 'equipment' | 'slot' | 'fasteners' | 'skill' | 'people' | 'liftKg'> {
  const { facts } = drafting
  const fasteners = component.fasteners(facts.design)
  const ladder = component.ladder ? ladderFor(drafting) : undefined
  const slid = onStand(drafting)
  const people = component.carried ? ((slid ? facts.sliders : facts.carriers) ?? 2) : 1
  return {
    people,
    ...(component.carried ? { liftKg: (slid ? slidKg(facts) : facts.design.weightKg) / people } : {}),
    equipment: ladder ? [ladder] : [],
    slot: (slid ? component.slotOnStand : undefined) ?? component.slot,
    ...(component.part ? { part: component.part } : {}),
    ...(fasteners.length > 0 ? { fasteners: [...fasteners] } : {}),
    ...(component.skill ? { skill: component.skill } : {}),
  }
}

/** Pieces of work that taking off or putting back a component is made of: itself, its screws, a cover right below the ceiling, storeys to carry over. */
export function handlingMinutes(drafting: Drafting, component: Component, way: 'off' | 'on') {
  const { facts } = drafting
  const screws = component
    .fasteners(facts.design)
    .reduce((sum, { kind, count }) => sum + (kind.includes('screw') && !kind.includes('cap') ? count : 0), 0)
  const isTight = component.id === 'cover' && facts.design.ceilingGapCm < tightCeilingGap.value
  return [
    way === 'off' ? component.offMin : component.onMin,
    ...(screws > 0 ? [times(screwMin[way], screws)] : []),
    ...(isTight ? [tightCoverMin] : []),
    ...(component.carried && facts.design.storey > 0 && !onStand(drafting) ? [times(storeyMin, facts.design.storey)] : []),
  ]
}

/** Screw of the wheel, loosened before the wheel comes off. */
const loosened = 'loosen-set-screw'

function loosenStep(after: string[]): Step {
  return step({
    id: loosened,
    phase: 'strip',
    title: says('procedure.loosenStep.loosen-set-screw-wheel'),
    part: 'wheel',
    ...takes(stepMin.loosenSetScrew),
    after,
    equipment: ['long-driver'],
    how: says('procedure.loosenStep.before-coil-lifted-turn'),
    gate: says('procedure.loosenStep.set-screw-loose-still'),
    stuck: says('procedure.stuck.set-screw'),
    skill: 'wheel-removal',
    cautions: [caution.fins],
  })
}

/** Before anybody reaches in: what lives there. */
const lookForNests = ({ facts }: Drafting): Step =>
  step({
    id: 'look-for-nests',
    phase: 'strip',
    title: says('procedure.look-for-nests.title'),
    ...takes(stepMin.lookForNests),
    after: ['off-shroud'],
    gate: says('procedure.look-for-nests.gate'),
    cautions: isOnRoof(facts.lookOver.family) ? [caution.roof] : [],
  })

/** What to do where it does not come off: nobody breaks what the customer has to pay for. */
function stuckOf({ facts }: Drafting, component: Component): Message {
  if (component.part === 'wheel') return says('procedure.stuck.wheel')
  const screws = component.fasteners(facts.design).some(({ kind }) => kind.includes('screw') || kind.includes('nut'))
  return screws ? says('procedure.stuck.screws') : says('procedure.stuck.clips')
}

/** Wiring, terminals and capacitor, while they lie open: nobody works on past what an electrician has to see. */
const lookAtWiring = (after: readonly string[]): Step =>
  step({
    id: 'look-at-wiring',
    phase: 'strip',
    title: says('procedure.look-at-wiring.title'),
    ...takes(stepMin.lookAtWiring),
    after: [...after],
    gate: says('procedure.look-at-wiring.gate'),
    cautions: [],
  })

/** An oxidised plug is cleaned while it is dead; a damaged one waits for an electrician. */
function cleanPlugSteps({ facts }: Drafting, after: readonly string[]): Step[] {
  if (!isPlugCleaned(facts)) return []
  return [
    step({
      id: 'clean-plug',
      phase: 'strip',
      title: says('procedure.clean-plug.title'),
      ...takes(stepMin.cleanPlug),
      after: [...after],
      gate: says('procedure.clean-plug.gate'),
      cautions: [caution.electricity],
    }),
  ]
}

/** What lies before any terminal: it comes off while stored charge drains. So does a chassis on a plug; where it is wired in, its wires come first. */
const beforeTerminals: readonly string[] = ['filters', 'fine-filter', 'louvres', 'grille', 'front', 'chassis', 'shroud']

/** @param before after which terminals may be touched @param dead after which whatever lies before them may come off */
export function stripSteps(drafting: Drafting, before: readonly Step[], dead: readonly Step[]): Step[] {
  const { strip, decided } = drafting
  const steps: Step[] = []
  const ready = ids(before)
  const readyFor = ({ id }: Component) => (beforeTerminals.includes(id) && !(id === 'chassis' && comesOff(drafting, 'supply')) ? ids(dead) : ready)
  const present = new Set(strip.map(({ id }) => id))
  const closer = closerOf(drafting)
  /** The bag hangs above the open body, once its electronics are safe from water. */
  const hang = (after: readonly string[]) => {
    const set = containmentStep(drafting, 'strip', [...ready, ...after])
    if (set) steps.push(set)
  }
  for (const component of strip) {
    if (component.first) continue
    const hung = steps.some(({ id }) => id === 'set-containment') && component.id !== 'coil-thermistor' ? ['set-containment'] : []
    const front = [
      ...component.behind.filter((id) => present.has(id)).map((id) => offId({ id })),
      ...hung,
      ...(present.has('shroud') && component.behind.length > 0 && steps.some(({ id }) => id === 'look-for-nests') ? ['look-for-nests'] : []),
    ]
    // Loosened before the coil is lifted: the end plate's screws come after it.
    const lifts = component.id === 'end-plate' && present.has('wheel')
    if ((component.setScrew && !comesOff(drafting, 'end-plate')) || lifts) steps.push(loosenStep([...ready, ...front]))
    steps.push(
      step({
        id: offId(component),
        phase: 'strip',
        title: (onStand(drafting) ? component.takeOffOnStand : undefined) ?? component.takeOff,
        ...takes(...handlingMinutes(drafting, component, 'off')),
        after: [...readyFor(component), ...front, ...(component.setScrew || lifts ? [loosened] : [])],
        ...handling(drafting, component),
        takesOff: component.name,
        stuck: stuckOf(drafting, component),
        ...(component.photo ? { photo: component.photo } : {}),
        cautions: [...component.cautions],
      }),
    )
    if (component.id === 'shroud') steps.push(lookForNests(drafting))
    if (component.id === 'board-box') hang(['off-board-box'])
    if (component.id !== closer || !component.closes) continue
    const seen = lookAtWiring([offId(component), ...ready])
    steps.push(seen, ...cleanPlugSteps(drafting, [seen.id]))
    if (decided.electrics !== 'unplug-and-remove')
      steps.push(
        step({
          id: 'cover-electronics',
          phase: 'strip',
          title:
            decided.electrics === 'bag'
              ? says('procedure.cover-electronics.title.bag-electronics-opening-down')
              : says('procedure.cover-electronics.title.cover-electronics-against-dust'),
          ...takes(stepMin.coverElectronics),
          after: steps.slice(-1).map(({ id }) => id),
          gate: says('procedure.cover-electronics.gate.electronics-shows'),
          photo: says('procedure.cover-electronics.photo'),
          cautions: [caution.electricity],
        }),
      )
    if (!comesOff(drafting, 'board-box')) hang(decided.electrics === 'unplug-and-remove' ? [offId(component)] : ['cover-electronics'])
    if (decided.containment === 'opening-plug-and-rags')
      steps.push(
        step({
          id: 'plug-opening',
          phase: 'strip',
          title: says('procedure.plug-opening.title'),
          ...takes(stepMin.plugOpening),
          after: [offId(component)],
          gate: says('procedure.plug-opening.gate'),
          cautions: [],
        }),
      )
  }
  return steps
}
