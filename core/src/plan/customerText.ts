// What is the customer told in writing about one unit? Drafted in plain words from the decisions, to be sent or read aloud.
import { inWords, ungraded, type Finding } from '../lookover/index.ts'
import { staysOff, type ChoiceOf, type Decision, type Facts, type NotReached, type Referral, type Topic } from '../method/index.ts'
import { counted, dayWords } from '../quantities/index.ts'
import { familyNames, partNames } from '../units/index.ts'
import type { Due } from '../upkeep/index.ts'
import type { UnitJob } from './jobFile.ts'
import type { PlannedMix } from './mixes.ts'

export const refereeNames: Record<Referral['to'], string> = {
  'refrigerant-technician': 'a licensed refrigerant technician',
  electrician: 'an electrician',
  plumber: 'a plumber or installer',
  'asbestos-surveyor': 'an asbestos surveyor',
  'pest-control': 'pest control',
  manufacturer: 'the maker or its dealer',
}

const scopeSentences: Record<Exclude<ChoiceOf<'scope'>, 'decline'>, string> = {
  'filter-service': 'Filters washed, housing and outlet wiped; the inside needed nothing more.',
  'clean-in-place': 'Cleaned where it is, without taking its cover off.',
  'open-clean': 'Opened and cleaned where it is.',
  'strip-down': 'Taken apart; what came out was washed outside, the rest where it is.',
  'bench-clean': 'Taken out, opened on the bench and cleaned on its room side.',
}
const bothSides = 'Taken out, opened on the bench and cleaned on both sides.'
const rinseSentences: Record<ChoiceOf<'rinse'>, string> = {
  none: '',
  condensate: 'The foam on the coil is carried off by the water that the unit makes in the next day: let it cool.',
  'spray-bottle': 'Rinsed with clear water, sprayed by hand.',
  'pump-wand': 'Rinsed with clear water until the run-off was clear.',
  hose: 'Rinsed with clear water outdoors until the run-off was clear.',
}

/** The same, as it is offered. */
const offeredScopes: Record<Exclude<ChoiceOf<'scope'>, 'decline'>, string> = {
  'filter-service': 'Filters are washed, housing and outlet wiped.',
  'clean-in-place': 'It is cleaned where it is; its cover stays on.',
  'open-clean': 'It is opened and cleaned where it is.',
  'strip-down': 'It is taken apart; what comes out is washed outside, the rest where it is.',
  'bench-clean': 'It is taken out, opened on the bench and cleaned on its room side.',
}
const offeredBothSides = 'It is taken out, opened on the bench and cleaned on both sides.'
const offeredRinses: Record<ChoiceOf<'rinse'>, string> = {
  none: 'No wash water is used.',
  condensate: 'The foam on the coil is carried off by the unit’s own water on the next day.',
  'spray-bottle': 'It is rinsed with clear water, sprayed by hand.',
  'pump-wand': 'It is rinsed with clear water, which is caught, until it runs clear.',
  hose: 'It is rinsed with clear water outdoors until it runs clear.',
}

/** Choices as they were agreed, perhaps by an earlier version of the rules. */
type Agreed = Readonly<Partial<Record<Topic, string>>>

/** Whether anything was put on the outdoor side, or rinsed off it. */
const cleansOutdoorSide = (agreed: Agreed): boolean =>
  (agreed['condenser-agent'] ?? 'none') !== 'none' || (agreed['condenser-rinse'] ?? 'none') !== 'none'
/** Filters that are thrown away are renewed, not washed. */
const filtersAs = (sentence: string, renewed: boolean): string =>
  renewed ? sentence.replace('Filters washed', 'Filters renewed').replace('Filters are washed', 'Filters are renewed') : sentence

/** What was done, in sentences for the customer, by the choices that were agreed. */
export function workSentences(agreed: Agreed, renewsFilters = false): string[] {
  const scope = agreed.scope
  if (scope === undefined || scope === 'decline') return ['Not cleaned on this visit.']
  const said = <Words extends Record<string, string>>(words: Words, choice: string): string | undefined =>
    Object.hasOwn(words, choice) ? words[choice] : undefined
  const rinse = said(rinseSentences, agreed.rinse ?? '') ?? ''
  const usual = filtersAs(said(scopeSentences, scope) ?? 'It was cleaned as agreed.', renewsFilters)
  const done = scope === 'bench-clean' && cleansOutdoorSide(agreed) ? bothSides : usual
  return [done, ...(rinse === '' ? [] : [rinse])]
}

/** What would be done, in sentences for the customer. */
export function offerSentences(decided: Agreed, renewsFilters = false): string[] {
  const { scope, rinse } = decided
  if (scope === undefined || scope === 'decline') return ['It cannot be cleaned before something is put right.']
  const rinsed = rinse === undefined || scope === 'filter-service' ? [] : [offeredRinses[rinse as ChoiceOf<'rinse'>]]
  const offered =
    scope === 'bench-clean' && cleansOutdoorSide(decided)
      ? offeredBothSides
      : filtersAs(offeredScopes[scope as keyof typeof offeredScopes], renewsFilters)
  return [offered, ...rinsed]
}

/** Said beforehand wherever a wheel was washed or taken out: it is usual, and it surprises. */
export const speckSentence = 'A few specks at the first start are usual.'
export const throwsSpecks = (agreed: Agreed): boolean => agreed.wheel === 'remove-and-wash' || agreed.wheel === 'wash-in-place'

/** Rules that keep everybody off a roof: the customer reads why. */
export const keptOffRoof: readonly string[] = ['scope-weather', 'scope-untrained-roof']

interface Told {
  readonly unit: UnitJob
  readonly facts: Facts
  readonly decisions: readonly Decision[]
  readonly referrals: readonly Referral[]
  readonly notReached: readonly NotReached[]
  readonly due: readonly Due[]
  readonly mixes: readonly PlannedMix[]
  readonly findings: readonly { finding: Finding; leadsTo: readonly string[] }[]
  readonly complaints: readonly { answer: string }[]
  /** The day so many weeks on, as 2027-03-01; without it weeks alone are told. */
  readonly dayAfter?: (weeks: number) => string
}

const dueNames: Readonly<Record<Due['what'], string>> = {
  filter: 'filters',
  'fine-filter': 'fine filter',
  'pan-treatment': 'pan treatment',
  'light-clean': 'light clean',
  'deep-clean': 'deep clean',
}
/** What is due, by its day where days are known: it is read again years later. */
export function dueInWords({ what, weeks, because }: Due, dayAfter?: (weeks: number) => string): string {
  const inWeeks = `in about ${counted(Math.round(weeks), 'week')}`
  const day = dayAfter?.(weeks)
  return `${dueNames[what]} ${day ? `by ${dayWords(day)} (${inWeeks})` : inWeeks}${because ? ` – ${because}` : ''}`
}

/** Sentences of one unit, ending with whom to call and what is due; the same for work done and for work declined. */
export function customerText({ unit, facts, decisions, referrals, notReached, due, mixes, findings, complaints, dayAfter }: Told): string {
  const title = `${unit.name ?? unit.id} (${familyNames[unit.family]}):`
  const scope = decisions.find(({ topic }) => topic === 'scope')
  const calls = referrals.map(({ to, because }) => `Please call ${refereeNames[to]}: ${because}.`)
  const answers = complaints.map(({ answer }) => answer)
  const found = findings.map(({ finding, leadsTo }) => `${inWords(finding)} (${leadsTo.map(findingForCustomer).join('; ')})`)
  const foundSentence = found.length > 0 ? `Found: ${found.join(', ')}.` : ''
  if (!scope || scope.choice === 'decline') {
    return [
      title,
      'Not cleaned on this visit.',
      ...(scope?.because ?? []).map(asSentence),
      ...answers,
      foundSentence,
      ...calls,
      'Nothing was opened. Once this is put right, it can be cleaned.',
    ]
      .filter((sentence) => sentence !== '')
      .join(' ')
  }
  const reentry = Math.max(0, ...mixes.map(({ product }) => product.label.reentryMin ?? 0))
  const unseen = ungraded(facts.lookOver, facts.design)
    .filter((part) => part !== 'housing')
    .map((part) => partNames[part])
  const said = [
    title,
    ...workSentences(facts.decided, facts.design.filter === 'disposable'),
    ...(keptOffRoof.includes(scope.rule) ? scope.because.map(asSentence) : []),
    ...answers,
    notReached.length > 0 ? `Not reached or not clean: ${notReached.map(({ part, because }) => `${partNames[part]} (${because})`).join('; ')}.` : '',
    unseen.length > 0 ? `Not looked at: ${unseen.join(', ')}.` : '',
    foundSentence,
    ...calls,
    throwsSpecks(facts.decided) && !staysOff(facts) ? speckSentence : '',
    staysOff(facts) ? 'It is handed back switched off: please leave it so until the new wheel is in.' : '',
    reentry > 0 ? `Please use the room again ${reentry} minutes after the work at the earliest.` : '',
    due.length > 0 ? `Next: ${due.map((one) => dueInWords(one, dayAfter)).join(', ')}.` : '',
  ]
  return said.filter((sentence) => sentence !== '').join(' ')
}

/** What a finding leads to without the words that are for the crew. */
export const findingForCustomer = (words: string): string =>
  words.replace(/^(step|report|method|part to order): /, (_, kind: string) => (kind === 'part to order' ? 'to be ordered: ' : ''))
const asSentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`
