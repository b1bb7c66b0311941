// How does everything go back? The reverse of stripping, with what only holds on the way back.
import { pipeBehind, type Component } from '../units/index.ts'
import { caution } from './cautions.ts'
import { closerOf, comesOff, ids, onId, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, takes } from './stepTimes.ts'
import { handling, handlingMinutes } from './strip.ts'
import { says } from '../words/index.ts'

const seatedOn = 'end-plate'

/** What may have been washed away from the unit. */
const washedApart: readonly string[] = ['filters', 'louvres', 'fine-filter', 'wheel', 'pan']

/**
 * Puts back what came off: what sat behind goes back before what sits in front. `before` are the steps that end the wet work, `apart` those that end
 * the washing away from it; `whileOpen` makes the steps that must come before the unit is closed (the flow test), given what is back by then.
 */
export function rebuildSteps(
  drafting: Drafting,
  before: readonly Step[],
  apart: readonly Step[],
  whileOpen: (back: readonly Step[]) => Step[],
): Step[] {
  const { strip } = drafting
  const washed = ({ id }: Component) => (washedApart.includes(id) ? ids(apart) : [])
  const steps: Step[] = []
  const worked = ids(before)
  const closer = closerOf(drafting)
  const wheel = strip.find(({ id }) => id === 'wheel')
  const behindOf = new Map<string, string[]>()
  for (const component of strip) for (const front of component.behind) behindOf.set(front, [...(behindOf.get(front) ?? []), onId(component)])
  /** What the wheel sits behind goes back only once it spins free; the plate that holds its bearing is needed for that. */
  const waitsForSpin = (id: string) => wheel !== undefined && id !== seatedOn && wheel.behind.includes(id)

  const putBack = (component: Component, after: readonly string[]) => {
    steps.push(
      onStep(drafting, component, [
        ...after,
        ...washed(component),
        ...(behindOf.get(component.id) ?? []),
        ...(waitsForSpin(component.id) ? ['spin-by-hand'] : []),
      ]),
    )
    const spins = wheel && component.id === (comesOff(drafting, seatedOn) ? seatedOn : 'wheel')
    if (spins) steps.push(...wheelChecks(wheel, onId(component)))
  }
  const tiles = () =>
    drafting.facts.lookOver.family === 'ceiling-cassette' && comesOff(drafting, 'cover')
      ? [
          step({
            id: 'push-tiles-back',
            phase: 'rebuild',
            title: says('procedure.push-tiles-back.title'),
            ...takes(stepMin.pushTilesBack),
            after: [...worked, ...ids(steps)],
            equipment: ['step-ladder'],
            cautions: [caution.ladder],
          }),
        ]
      : []
  const reversed = [...strip].reverse()
  for (const component of reversed) {
    if (component.first || component.last) continue
    if (component.id === closer) {
      for (const plug of reversed.filter(({ first }) => first)) putBack(plug, worked)
      steps.push(...whileOpen(steps))
      steps.push(...uncover(drafting, component, [...worked, ...ids(steps)]))
      for (const probe of reversed.filter(({ last }) => last)) putBack(probe, [...worked, ...ids(steps)])
      steps.push(...tiles())
      putBack(component, [...worked, ...ids(steps)])
    } else putBack(component, worked)
  }
  return steps
}

/** What comes out of the unit again before it is closed. */
function uncover({ decided }: Drafting, closer: Component, after: string[]): Step[] {
  const steps: Step[] = []
  if (closer.closes && decided.electrics !== 'unplug-and-remove')
    steps.push(
      step({
        id: 'uncover-electronics',
        phase: 'rebuild',
        title: says('procedure.uncover-electronics.title'),
        ...takes(stepMin.uncoverElectronics),
        after,
        gate: says('procedure.uncover-electronics.gate'),
        cautions: [caution.electricity],
      }),
    )
  if (decided.containment === 'opening-plug-and-rags')
    steps.push(
      step({
        id: 'unplug-opening',
        phase: 'rebuild',
        title: says('procedure.unplug-opening.title'),
        ...takes(stepMin.unplugOpening),
        after,
        gate: says('procedure.unplug-opening.gate'),
        cautions: [],
      }),
    )
  return steps
}

/** A filter that is renewed is not dried: what goes back is a new one. */
function gateOf({ facts }: Drafting, { id, seatGate }: Component): Pick<Step, 'gate'> {
  if (id === 'filters' && facts.design.filter === 'disposable') return { gate: says('procedure.gateOf.new-filters-sit-used') }
  return seatGate ? { gate: seatGate } : {}
}

function onStep(drafting: Drafting, component: Component, after: string[]): Step {
  const fields = handling(drafting, component)
  const screws = fields.fasteners?.some(({ kind }) => kind.includes('screw')) && !component.cautions.includes(pipeBehind)
  return step({
    id: onId(component),
    phase: 'rebuild',
    title: drafting.facts.design.filter === 'disposable' ? (component.putBackRenewed ?? component.putBack) : component.putBack,
    ...takes(...handlingMinutes(drafting, component, 'on')),
    after,
    ...fields,
    putsBack: component.name,
    ...gateOf(drafting, component),
    cautions: [...component.cautions, ...(screws ? [says('procedure.onStep.each-screw-goes-back')] : [])],
  })
}

function wheelChecks({ setScrew }: Component, seated: string): Step[] {
  const tighten = step({
    id: 'tighten-set-screw',
    phase: 'rebuild',
    title: says('procedure.tighten-set-screw.title'),
    part: 'wheel',
    ...takes(stepMin.tightenSetScrew),
    after: ['on-wheel', seated],
    equipment: ['long-driver'],
    gate: says('procedure.tighten-set-screw.gate'),
    skill: 'wheel-removal',
    cautions: [],
  })
  const spin = step({
    id: 'spin-by-hand',
    phase: 'rebuild',
    title: says('procedure.spin-by-hand.title'),
    part: 'wheel',
    ...takes(stepMin.spinByHand),
    after: setScrew ? [tighten.id] : ['on-wheel', seated],
    gate: says('procedure.spin-by-hand.gate'),
    cautions: [],
  })
  return setScrew ? [tighten, spin] : [spin]
}
