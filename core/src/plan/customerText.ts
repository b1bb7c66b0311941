// What is the customer told in writing about one unit? Drafted in plain words from the decisions, to be sent or read aloud.
import { inWords } from '../lookover/index.ts'
import type { ChoiceOf, Decision, Facts, NotReached, Referral, Topic } from '../method/index.ts'
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
  'bench-clean': 'Taken out, opened on the bench and cleaned on both sides.',
}
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
  'bench-clean': 'It is taken out, opened on the bench and cleaned on both sides.',
}
const offeredRinses: Record<ChoiceOf<'rinse'>, string> = {
  none: 'No wash water is used.',
  condensate: 'The foam on the coil is carried off by the unit’s own water on the next day.',
  'spray-bottle': 'It is rinsed with clear water, sprayed by hand.',
  'pump-wand': 'It is rinsed with clear water, which is caught, until it runs clear.',
  hose: 'It is rinsed with clear water outdoors until it runs clear.',
}

/** Choices as they were agreed, perhaps by an earlier version of the rules. */
type Agreed = Readonly<Partial<Record<Topic, string>>>

/** What was done, in sentences for the customer, by the choices that were agreed. */
export function workSentences(agreed: Agreed): string[] {
  const scope = agreed.scope
  if (scope === undefined || scope === 'decline') return ['Not cleaned on this visit.']
  const rinse = agreed.rinse === undefined ? '' : rinseSentences[agreed.rinse as ChoiceOf<'rinse'>]
  return [scopeSentences[scope as keyof typeof scopeSentences], ...(rinse === '' ? [] : [rinse])]
}

/** What would be done, in sentences for the customer. */
export function offerSentences(decided: Agreed): string[] {
  const { scope, rinse } = decided
  if (scope === undefined || scope === 'decline') return ['It cannot be cleaned before something is put right.']
  const rinsed = rinse === undefined || scope === 'filter-service' ? [] : [offeredRinses[rinse as ChoiceOf<'rinse'>]]
  return [offeredScopes[scope as keyof typeof offeredScopes], ...rinsed]
}

/** Said beforehand wherever a wheel was washed or taken out: it is usual, and it surprises. */
export const speckSentence = 'A few specks at the first start are usual.'
export const throwsSpecks = (agreed: Agreed): boolean => agreed.wheel === 'remove-and-wash' || agreed.wheel === 'wash-in-place'

interface Told {
  readonly unit: UnitJob
  readonly facts: Facts
  readonly decisions: readonly Decision[]
  readonly referrals: readonly Referral[]
  readonly notReached: readonly NotReached[]
  readonly due: readonly Due[]
  readonly mixes: readonly PlannedMix[]
}

/** Sentences of one unit, ending with whom to call and what is due; the same for work done and for work declined. */
export function customerText({ unit, facts, decisions, referrals, notReached, due, mixes }: Told): string {
  const title = `${unit.name ?? unit.id} (${familyNames[unit.family]}):`
  const scope = decisions.find(({ topic }) => topic === 'scope')!
  const calls = referrals.map(({ to, because }) => `Please call ${refereeNames[to]}: ${because}.`)
  if (scope.choice === 'decline') {
    return [
      title,
      'Not cleaned on this visit.',
      ...scope.because.map(asSentence),
      ...calls,
      'Nothing was opened. Once this is put right, it can be cleaned.',
    ].join(' ')
  }
  const findings = facts.lookOver.findings.map(inWords)
  const reentry = Math.max(0, ...mixes.map(({ product }) => product.label.reentryMin ?? 0))
  const said = [
    title,
    ...workSentences(facts.decided),
    notReached.length > 0 ? `Not reached: ${notReached.map(({ part, because }) => `${partNames[part]} (${because})`).join('; ')}.` : '',
    findings.length > 0 ? `Found: ${findings.join(', ')}.` : '',
    ...calls,
    throwsSpecks(facts.decided) ? speckSentence : '',
    reentry > 0 ? `Please use the room again ${reentry} minutes after the work at the earliest.` : '',
    `Next: ${due.map(({ what, weeks }) => `${what.replaceAll('-', ' ')} in about ${Math.round(weeks)} weeks`).join(', ')}.`,
  ]
  return said.filter((sentence) => sentence !== '').join(' ')
}

const asSentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`
