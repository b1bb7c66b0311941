// What comes off in what order? Stripping follows the part graph, outermost first.
import { isTrained, tightCeilingGap } from '../method/index.ts'
import type { Component } from '../units/index.ts'
import { caution } from './cautions.ts'
import { closerOf, ids, ladderFor, offId, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, tightCoverMin } from './stepTimes.ts'

/** What taking off and putting back a component have in common. */
export function handling(drafting: Drafting, component: Component): Pick<Step, 'part' | 'equipment' | 'slot' | 'fasteners' | 'skill' | 'people'> {
  const { facts } = drafting
  const fasteners = component.fasteners(facts.design)
  const ladder = component.ladder ? ladderFor(drafting) : undefined
  // Nobody noted as trained for roofs: the plan warns, and the step is for whoever may go up.
  const skill = component.skill === 'roof' && !isTrained(facts, 'roof') ? undefined : component.skill
  return {
    people: component.carried ? (facts.carriers ?? 2) : 1,
    equipment: ladder ? [ladder] : [],
    slot: component.slot,
    ...(component.part ? { part: component.part } : {}),
    ...(fasteners.length > 0 ? { fasteners: [...fasteners] } : {}),
    ...(skill ? { skill } : {}),
  }
}

/** Besides what every unit of the family takes: a cover right below the ceiling is slow. */
export const extraMinutes = ({ facts }: Drafting, component: Component): number =>
  component.id === 'cover' && facts.design.ceilingGapCm < tightCeilingGap.value ? tightCoverMin.value : 0

/** Screw of the wheel, loosened before the wheel comes off. */
const loosened = 'loosen-set-screw'

function loosenStep(after: string[]): Step {
  return step({
    id: loosened,
    phase: 'strip',
    title: 'Loosen the set screw of the wheel; leave it in',
    part: 'wheel',
    handsMin: stepMin.loosenSetScrew.value,
    after,
    equipment: ['long-driver'],
    how: 'Turn the wheel until the screw shows through the gap in the blades; half a turn back with a driver that fits. Taken out, it is lost inside the unit.',
    gate: 'The set screw is loose and still in its thread',
    skill: 'wheel-removal',
    cautions: [caution.fins],
  })
}

export function stripSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { strip, decided, facts } = drafting
  const steps: Step[] = []
  const ready = ids(before)
  const present = new Set(strip.map(({ id }) => id))
  const closer = closerOf(drafting)
  for (const component of strip) {
    if (component.first) continue
    const front = component.behind.filter((id) => present.has(id)).map((id) => offId({ id }))
    if (component.setScrew) steps.push(loosenStep([...ready, ...front]))
    steps.push(
      step({
        id: offId(component),
        phase: 'strip',
        title: component.takeOff,
        handsMin: component.offMin.value + extraMinutes(drafting, component),
        after: [...ready, ...front, ...(component.setScrew ? [loosened] : [])],
        ...handling(drafting, component),
        takesOff: component.name,
        ...(component.photo ? { photo: component.photo } : {}),
        cautions: component.carried ? [...component.cautions, caution.lifting] : [...component.cautions],
      }),
    )
    if (component.id !== closer || !component.closes) continue
    if (decided.electrics !== 'unplug-and-remove')
      steps.push(
        step({
          id: 'cover-electronics',
          phase: 'strip',
          title: decided.electrics === 'bag' ? 'Bag the electronics, opening down, and tape the bag' : 'Cover the electronics against dust',
          handsMin: stepMin.coverElectronics.value,
          after: [offId(component)],
          gate: 'Nothing of the electronics shows',
          cautions: [],
        }),
      )
    if (decided.containment === 'opening-plug-and-rags')
      steps.push(
        step({
          id: 'plug-opening',
          phase: 'strip',
          title: 'Plug the opening below the evaporator and cover it: it leads into the living space',
          handsMin: stepMin.plugOpening.value,
          after: [offId(component)],
          gate: 'The opening is plugged and covered; plugs and rags are counted',
          ...(facts.trained.includes('roof') ? { skill: 'roof' as const } : {}),
          cautions: [],
        }),
      )
  }
  return steps
}
