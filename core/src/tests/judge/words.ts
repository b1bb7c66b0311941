// What is said has to be so: predicates on words.
import { partNames, type Part } from '../../units/index.ts'
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'

const said = holds('words')
const reasons = (one: Case) => one.own.decisions.flatMap(({ because, turnedDown }) => [...because, ...turnedDown.map((other) => other.because)])

/** Steps of the visit and of a supply. */
const shared = /^(arrive|ask|cover-ways|go-up|come-down|clear-up|show-result|isolate|part-battery|prove-dead|drain-charge|join-battery|power-on)(@|$)/

/** Sentences that call a part clear, and the part that has to have been looked at for them. */
const clearWords: readonly (readonly [RegExp, Part])[] = [
  [/the wheel is clear\b/, 'wheel'],
  [/the pan is clear\b/, 'pan'],
  [/the condenser is clear\b/, 'condenserFace'],
  [/the filter is clear\b/, 'filter'],
  [/the front face is clear\b/, 'coilFace'],
  [/the back face is clear\b/, 'coilBack'],
]

export const wordPredicates: readonly Predicate[] = [
  said('unseen-clear', 'What was never graded is said as not looked at, never as clear', (one) => {
    const words = [...reasons(one), ...one.own.diagnosis.flatMap(({ evidence }) => evidence)].join('\n')
    const wrong = clearWords.find(([pattern, part]) => pattern.test(words) && !one.isGraded(part))
    return wrong && `${wrong[1]} was not looked at, and is called clear`
  }),
  said('unnoted-design', 'What was not noted is said as not noted, never as "this design does not"', (one) => {
    const words = reasons(one).join('\n')
    return firstOf(
      one.noted('wheelRemovable') === undefined &&
        /wheel of this design does not|noted that the wheel stays/.test(words) &&
        'nobody noted that the wheel stays in',
      one.noted('panRemovable') === undefined &&
        /pan of this design does not|noted that the pan stays/.test(words) &&
        'nobody noted that the pan stays on',
      one.noted('boardRemovable') === undefined &&
        /box of this design does not|noted that the electronics box stays/.test(words) &&
        'nobody noted that the box stays on',
    )
  }),
  said('not-looked-at', 'without it the report says "not looked at"', (one) => {
    if (one.declined) return undefined
    const unseen = (Object.keys(partNames) as Part[]).filter(
      (part) =>
        part !== 'housing' &&
        one.own.notReached.every((entry) => entry.part !== part) &&
        !one.isGraded(part) &&
        (part !== 'drainLine' || one.split || one.noted('sleeveDrain') === true) &&
        partsHad(one).includes(part),
    )
    return unseen.length > 0 && !/Not looked at/.test(one.own.customerText) ? 'the customer is not told what was not looked at' : undefined
  }),
  said('empty-reason', 'with the reason and the next best choice', (one) => {
    const bare = one.own.decisions.find(({ because }) => because.length === 0 || because.some((words) => words.trim() === ''))
    return bare && `${bare.topic} without a reason`
  }),
  said('empty-not-reached', 'no vague reasons', (one) => {
    const bare = one.own.notReached.find(({ because }) => because.trim() === '' || /^: /.test(because))
    return bare && `${bare.part} without a reason`
  }),
  said('vague', '“Vague” reasons (“one of three”)', (one) => {
    const vague = reasons(one).find((words) => /, or (house rules|the coil)/.test(words) && /nobody here/.test(words))
    return vague
  }),
  said('holes', 'no undefined, NaN or code in what people read', (one) => {
    const hole = /undefined|NaN|\bnull\b|\[object|Infinity/.exec(
      `${one.words}\n${JSON.stringify(one.own.offers)}\n${JSON.stringify(one.own.findings)}\n${JSON.stringify(one.own.complaints)}`,
    )
    return hole ? `“${hole[0]}” in a text` : undefined
  }),
  said('zero-weeks', '“in about 0 weeks”', (one) => (/\b0 weeks/.test(one.own.customerText) ? 'in about 0 weeks' : undefined)),
  said('pan-outdoors', '“One pours from the pan” once the pan is outdoors', (one) =>
    one.step('off-pan') && /pours? .*(from|into) the pan/.test(one.step('draw-drain')?.how ?? '') ? 'pours from a pan that is off' : undefined,
  ),
  said('photo-cover', '“photograph the head with the cover off” on the step that takes it off', (one) =>
    /cover off/.test(one.step('off-cover')?.photo ?? '') ? 'a photograph of what is not yet so' : undefined,
  ),
  said('electronics', '“move electronics away” that reads as the unit’s own', (one) =>
    /Move electronics/i.test(one.step('clear-below')?.title ?? '') ? 'whose electronics?' : undefined,
  ),
  said('no-line', 'drain-line questions for units that have none', (one) => {
    const none = one.roof || (one.carriedFamily && one.noted('sleeveDrain') !== true)
    const asks = none && one.steps.find(({ title, part }) => part === 'drainLine' || /drain line/.test(title))
    return asks ? `${asks.id} speaks of a drain line` : undefined
  }),
  said('short-steps', 'No text over 140 characters on a phone’s step', (one) => {
    // What several units of a visit share is said for all of them, and the customer is told whatever there is to tell.
    for (const { id, title, how = '', gate = '' } of one.own.steps)
      for (const words of id === 'hand-over' || shared.test(id) ? [title] : [title, how, gate])
        if (words.length > 140) return `${id}, ${words.length} characters: ${words}`
    return undefined
  }),
  said('stages', 'The run shows 12 to 20 stages a unit, named in two to four words', (one) => {
    const names = new Set(one.steps.map(({ stage }) => stage))
    if (names.size > 20) return `${names.size} stages`
    if (names.size < 12 && one.steps.length > 20) return `${names.size} stages for ${one.steps.length} steps`
    const odd = [...names].find((name = '') => name.split(' ').length < 2 || name.split(' ').length > 4)
    return names.has(undefined) || odd !== undefined ? `“${odd}” is no name of a stage` : undefined
  }),
  said('caution-first', 'Every plan says that local codes, the maker’s manual and licensed practice come first', (one) =>
    /local codes/i.test(one.plan.warnings[0] ?? '') ? undefined : 'not said',
  ),
]

const breathed: readonly Part[] = ['filter', 'coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', 'outlet']
const outdoor: readonly Part[] = ['condenserFace', 'condenserInside', 'rearFan', 'basePan']
const partsHad = (one: Case): readonly Part[] => (one.split ? breathed : [...breathed, ...outdoor])
