// For what does anybody wait? Predicates of the order at the end of a unit's work, each from a sentence of the brief.
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'
import { type ToldStep } from '../inEnglish.ts'

const judgement = holds('judgement')
/** Waits that have to be, and the most of each: stored charge, steady cooling, oil, and a unit that was flooded. */
const needed: Readonly<Record<string, number>> = { 'start-unit': 10, 'drain-charge': 5, 'run-unit': 10, 'stand-upright': 10, 'open-to-dry': Infinity }
const soaks = ({ phase, part }: ToldStep) => (phase === 'apply' || phase === 'rinse' || phase === 'wheel') && part !== undefined
const runs = (one: Case) => one.step('run-test') !== undefined
const isLeftWet = (one: Case) => one.choice('drying') === 'fan-run' && runs(one)

export const waitPredicates: readonly Predicate[] = [
  judgement('wet-coil', 'Nobody waits for a wet coil: the cooling test wets it again, so a dry coil before it is worth nothing', (one) => {
    const waits = one.steps.find(({ id, wait }) => wait && id !== 'open-to-dry' && /\bdry/.test(wait.for))
    return waits && `${waits.id} waits for “${waits.wait?.for}”`
  }),
  judgement('needed-waits', 'People wait only for what must not run wet or early', (one) => {
    const waits = one.steps.find((step) => step.wait && !soaks(step) && step.wait.leastMin > (needed[step.id] ?? 0))
    return waits && `${waits.id} waits ${waits.wait?.leastMin} min`
  }),
  judgement('thrown', 'containment stays, fan on low for two minutes, nothing is thrown any more; then cooling', (one) => {
    if (!isLeftWet(one)) return undefined
    const spin = one.step('first-spin')
    return firstOf(
      !spin && 'nothing is thrown out before it cools',
      !one.isAfter('run-unit', 'first-spin') && 'it cools before the first spin',
      one.step('take-down') !== undefined &&
        !one.isAfter('take-down', 'first-spin') &&
        !(one.step('cover-for-spin') && one.isAfter('first-spin', 'cover-for-spin')) &&
        'containment is down before the first spin',
    )
  }),
  judgement('clear-up-meanwhile', 'While the ten minutes of steady cooling run, people clear up', (one) =>
    one.isAfter('clear-up', 'run-unit') ? 'clearing up waits for the cooling' : undefined,
  ),
  judgement('dries-by-itself', 'The unit dries itself after the people have left: the minutes are told to the customer and written down', (one) => {
    if (!isLeftWet(one)) return undefined
    const { afterRun } = one.own
    if (!afterRun) return 'nobody says how it dries'
    const minutes = /(\d+ min|\d+ h)/
    return firstOf(
      afterRun.minutes <= 0 && 'it dries in no time',
      !minutes.test(one.step('hand-over')?.gate ?? '') && 'hand-over does not say for how long',
      !minutes.test(one.own.customerText) && 'the customer does not read for how long',
      (afterRun.how === 'none') === (one.step('leave-to-dry') !== undefined) && 'what is left running and what is said of it differ',
    )
  }),
  judgement('left-open', 'for units that were flooded or must be left open; a misted, closed unit never gets it', (one) => {
    if (one.choice('drying') !== 'long-air-dry' || one.found('wet-electronics')) return undefined
    const flooded = ['pump-wand', 'hose'].includes(one.choice('rinse')) && ['open-clean', 'strip-down', 'bench-clean'].includes(one.choice('scope'))
    return flooded ? undefined : 'left open for a day although nothing was flooded'
  }),
  judgement('long-waits-said', 'What is waited for longer than 15 minutes is said, with what would shorten it', (one) => {
    const long = one.steps.find(({ wait, title }) => wait && wait.leastMin > 15 && !one.plan.warnings.some((words) => words.includes(`“${title}”`)))
    return long && `${long.id}: ${long.wait?.leastMin} min are not said`
  }),
]
