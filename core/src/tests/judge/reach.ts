// Is nothing planned on a part that is not reached at that moment? The brief's sentences, told by what is off when a step begins.
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'
import type { ToldStep } from '../inEnglish.ts'

const judgement = holds('judgement')

/** What is off when a step begins, in the order of the work, by the names that people read. */
function offBefore(one: Case, step: ToldStep): ReadonlySet<string> {
  const off = new Set<string>()
  for (const { id, takesOff, putsBack } of one.steps) {
    if (id === step.id) break
    if (takesOff) off.add(takesOff)
    if (putsBack) off.delete(putsBack)
  }
  return off
}
/** What opens the inside of each family: the body behind it lies bare. */
const bodyOf: Readonly<Record<string, string>> = {
  'wall-head': 'front cover',
  'ceiling-cassette': 'panel',
  window: 'room front',
  'through-wall': 'room front',
  'rv-rooftop': 'evaporator lid',
}
const pours: readonly string[] = ['flow-test', 'flush-drain', 'flush-drain-first', 'treat-pan', 'float-test', 'open-drain-holes', 'wash-pan']

export const reachPredicates: readonly Predicate[] = [
  judgement('closed-pan', 'a closed unit’s pan is not wiped, filled or treated through the louvres except where the design says so', (one) => {
    const done = one.steps.find((step) => {
      if (!pours.includes(step.id)) return false
      const off = offBefore(one, step)
      const pan = ['drain pan', 'indoor pan'].some((name) => off.has(name))
      const outlet = one.noted('quickAccessOutlet') === true && off.has('louvres')
      return !pan && !outlet && !off.has(bodyOf[one.unit.family])
    })
    return done && `${done.id} on a pan that is not reached`
  }),
  judgement('outdoor-side', 'rear fan and base pan are reached out of the wall or with the shroud off', (one) => {
    const done = one.steps.find((step) => ['wipe-rear-fan', 'wash-base-pan'].includes(step.id))
    return done && one.inItsWall ? `${done.id} behind the cabinet` : undefined
  }),
  judgement('behind-pump', 'Nobody pours behind a lift pump', (one) => {
    const poured = one.steps.find(({ id }) => ['flush-drain', 'flush-drain-first', 'flow-test'].includes(id))
    return one.hasPump && poured ? `${poured.id} behind a lift pump` : undefined
  }),
  judgement(
    'stand',
    'slid onto a stand for anything between light work and the bench; outdoors only where washing cannot be caught indoors',
    (one) => {
      if (one.choice('scope') !== 'bench-clean' || one.unit.choices?.location) return undefined
      const weightKg = one.noted('weightKg') ?? (one.unit.family === 'window' ? 38 : 46)
      const stands = (one.job.equipment ?? [{ id: 's', kind: 'stand' as const, count: 1, limitKg: 60 }]).some(
        ({ kind, count, limitKg = 0 }) => kind === 'stand' && count > 0 && limitKg >= weightKg,
      )
      const slides = one.noted('slideOut') ?? one.unit.family === 'through-wall'
      const caught = one.has('funnel-sheet') && one.has('bucket') && one.job.site.setting !== 'equipment-room'
      return firstOf(
        !slides && one.choice('location') === 'on-stand' && 'what does not slide is on a stand',
        !stands && one.choice('location') === 'on-stand' && 'a stand that is not there, or too weak',
        slides &&
          stands &&
          caught &&
          one.choice('location') === 'outdoors' &&
          !/may slide/.test(one.because('location')) &&
          'carried although a stand would do',
      )
    },
  ),
  judgement('missing-filter', 'A missing filter is neither taken out nor washed; a new one is offered', (one) => {
    if (!one.found('missing-filter') || one.declined) return undefined
    const filters = one.steps.find(({ id }) => ['off-filters', 'on-filters', 'renew-filters'].includes(id))
    const washed = one.steps.find(({ id, title }) => id === 'wash-filters' && /\bfilters\b/.test(title))
    return firstOf(
      filters && `${filters.id} although it is missing`,
      washed && 'a missing filter is washed',
      !one.own.offers.some(({ what }) => /filter/.test(what)) && 'no new filter is offered',
    )
  }),
  judgement('film', 'film on a wheel (grade 1) is not washed, it is brushed or left', (one) => {
    const sticky = one.kinds('wheel').some((kind) => ['biofilm', 'grease', 'smoke'].includes(kind))
    const chosen = one.unit.choices?.wheel !== undefined
    const inTheWay = one.choice('scope') === 'strip-down' && one.choice('wheel') === 'remove-and-wash'
    return one.grade('wheel') === 1 && !sticky && !chosen && !inTheWay && one.step('wash-wheel') ? 'a film is washed' : undefined
  }),
]
