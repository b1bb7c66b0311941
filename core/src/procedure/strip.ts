// What comes off in what order, and how does it go back? Stripping follows the part graph, rebuilding is its reverse.
import { tightCeilingGap } from '../method/index.ts'
import type { Component } from '../units/index.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, offId, onId, step, type Drafting } from './drafting.ts'
import type { Step } from './step.ts'
import { stepMin, tightCoverMin } from './stepTimes.ts'

const tight = ({ facts }: Drafting, component: Component) =>
  component.id === 'cover' && facts.design.ceilingGapCm < tightCeilingGap.value ? tightCoverMin.value : 0
const tools = (component: Component) => (component.id === 'cover' || component.id === 'pan' ? ['step-ladder'] : [])

/** What a wheel needs before it comes off, besides what sits in front. */
const loosened = 'loosen-set-screw'

export function stripSteps(drafting: Drafting, before: readonly Step[]): Step[] {
  const { strip, decided, facts } = drafting
  const steps: Step[] = []
  const ready = ids(before)
  const present = new Set(strip.map(({ id }) => id))
  for (const component of strip) {
    const front = component.behind.filter((id) => present.has(id)).map((id) => offId({ id }))
    if (component.id === 'wheel') {
      steps.push(
        step({
          id: loosened,
          phase: 'strip',
          title: 'Loosen the set screw of the wheel; leave it in',
          part: 'wheel',
          handsMin: stepMin.loosenSetScrew.value,
          after: front,
          equipment: ['long-driver'],
          how: 'Turn the wheel until the screw shows through the gap in the blades; half a turn back with a driver that fits. Taken out, it is lost inside the unit.',
          gate: 'The set screw is loose and still in its thread',
          skill: 'wheel-removal',
          cautions: [caution.fins],
        }),
      )
    }
    const fasteners = component.fasteners(facts.design)
    steps.push(
      step({
        id: offId(component),
        phase: 'strip',
        title: component.takeOff,
        handsMin: component.offMin.value + tight(drafting, component),
        ...(component.part ? { part: component.part } : {}),
        after: [...ready, ...front, ...(component.id === 'wheel' ? [loosened] : [])],
        equipment: tools(component),
        takesOff: component.name,
        slot: component.slot,
        ...(fasteners.length > 0 ? { fasteners: [...fasteners] } : {}),
        ...(component.photo ? { photo: component.photo } : {}),
        ...(component.skill ? { skill: component.skill } : {}),
        cautions: [...component.cautions],
      }),
    )
    if (component.id === 'cover' && decided.electrics !== 'unplug-and-remove') {
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
    }
  }
  return steps
}

/**
 * Puts back what came off: what sat behind goes back before what sits in front. `before` are the steps that end the wet work;
 * `beforeCover` makes the steps that must come between pan and cover, given what is back by then.
 */
export function rebuildSteps(drafting: Drafting, before: readonly Step[], beforeCover: (back: readonly Step[]) => Step[]): Step[] {
  const { strip, facts, decided } = drafting
  const steps: Step[] = []
  const wheelOut = comesOff(drafting, 'wheel')
  const worked = ids(before)
  const behindOf = new Map<string, string[]>()
  for (const component of strip) for (const front of component.behind) behindOf.set(front, [...(behindOf.get(front) ?? []), onId(component)])
  let between: Step[] | undefined
  const inBetween = () => (between ??= beforeCover(steps))
  for (const component of [...strip].reverse()) {
    const closes = component.id === 'cover' || (!comesOff(drafting, 'cover') && component.id === 'filters')
    if (closes) {
      const more = inBetween()
      steps.push(...more)
      if (comesOff(drafting, 'cover') && decided.electrics !== 'unplug-and-remove') {
        steps.push(
          step({
            id: 'uncover-electronics',
            phase: 'rebuild',
            title: 'Take bag or cover off the electronics: dry inside?',
            handsMin: stepMin.uncoverElectronics.value,
            after: [...worked, ...ids(more)],
            gate: 'The electronics are dry; wet ones stay without power for 24 h',
            cautions: [caution.electricity],
          }),
        )
      }
    }
    const sitsBehind = behindOf.get(component.id) ?? []
    const wheelDone = wheelOut && component.id === 'pan' ? ['spin-by-hand'] : []
    const fasteners = component.fasteners(facts.design)
    steps.push(
      step({
        id: onId(component),
        phase: 'rebuild',
        title: component.putBack,
        handsMin: component.onMin.value + tight(drafting, component),
        ...(component.part ? { part: component.part } : {}),
        after: [...worked, ...sitsBehind, ...wheelDone, ...(closes ? ids(steps) : [])],
        equipment: tools(component),
        putsBack: component.name,
        slot: component.slot,
        ...(component.seatGate ? { gate: component.seatGate } : {}),
        ...(fasteners.length > 0 ? { fasteners: [...fasteners] } : {}),
        ...(component.skill ? { skill: component.skill } : {}),
        cautions: fasteners.some(({ kind }) => kind.includes('screw'))
          ? [...component.cautions, 'Each screw goes back where it came out, none longer than it was.']
          : [...component.cautions],
      }),
    )
    if (component.id === 'end-plate' && wheelOut) steps.push(...wheelChecks())
  }
  return steps
}

function wheelChecks(): Step[] {
  const tighten = step({
    id: 'tighten-set-screw',
    phase: 'rebuild',
    title: 'Tighten the set screw snug on the flat of the shaft',
    part: 'wheel',
    handsMin: stepMin.tightenSetScrew.value,
    after: ['on-wheel', 'on-end-plate'],
    equipment: ['long-driver'],
    gate: 'The set screw sits on the flat and is snug',
    skill: 'wheel-removal',
    cautions: [],
  })
  const spin = step({
    id: 'spin-by-hand',
    phase: 'rebuild',
    title: 'Spin the wheel by hand: free, and no rub at either end',
    part: 'wheel',
    handsMin: stepMin.spinByHand.value,
    after: [tighten.id],
    gate: 'The wheel spins free by hand',
    cautions: [],
  })
  return [tighten, spin]
}
