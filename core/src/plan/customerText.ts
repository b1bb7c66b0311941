// What is the customer told in writing about one unit? Drafted in plain words from the decisions, to be sent or read aloud.
import { gradeOf, isGraded, named, ungraded, type Finding } from '../lookover/index.ts'
import { refereeName, staysOff, type ChoiceOf, type Decision, type Facts, type NotReached, type Referral, type Topic } from '../method/index.ts'
import type { AfterRun, Step } from '../procedure/index.ts'
import { familyName, partName, partsToSee, type Part } from '../units/index.ts'
import type { Due } from '../upkeep/index.ts'
import type { UnitJob } from './jobFile.ts'
import type { PlannedMix } from './mixes.ts'
import { isMessage, isSame, joined, says, type Joined, type Key, type Message, type Sentence } from '../words/index.ts'

const scopeSentences: Record<Exclude<ChoiceOf<'scope'>, 'decline'>, Message> = {
  'filter-service': says('plan.scopeSentences.filter-service'),
  'clean-in-place': says('plan.scopeSentences.clean-in-place'),
  'open-clean': says('plan.scopeSentences.open-clean'),
  'strip-down': says('plan.scopeSentences.strip-down'),
  'bench-clean': says('plan.scopeSentences.bench-clean'),
}
const bothSides = says('plan.bothSides.taken-out-opened-bench')
const rinseSentences: Record<ChoiceOf<'rinse'>, Message | undefined> = {
  none: undefined,
  condensate: says('plan.rinseSentences.condensate'),
  'spray-bottle': says('plan.rinseSentences.spray-bottle'),
  'pump-wand': says('plan.rinseSentences.pump-wand'),
  hose: says('plan.rinseSentences.hose'),
}

/** The same, as it is offered. */
const offeredScopes: Record<Exclude<ChoiceOf<'scope'>, 'decline'>, Message> = {
  'filter-service': says('plan.offeredScopes.filter-service'),
  'clean-in-place': says('plan.offeredScopes.clean-in-place'),
  'open-clean': says('plan.offeredScopes.open-clean'),
  'strip-down': says('plan.offeredScopes.strip-down'),
  'bench-clean': says('plan.offeredScopes.bench-clean'),
}
const offeredBothSides = says('plan.offeredBothSides.taken-out-opened-bench')
const offeredRinses: Record<ChoiceOf<'rinse'>, Message> = {
  none: says('plan.offeredRinses.none'),
  condensate: says('plan.offeredRinses.condensate'),
  'spray-bottle': says('plan.offeredRinses.spray-bottle'),
  'pump-wand': says('plan.offeredRinses.pump-wand'),
  hose: says('plan.offeredRinses.hose'),
}

/** Choices as they were agreed, perhaps by an earlier version of the rules. */
type Agreed = Readonly<Partial<Record<Topic, string>>>

/** Whether anything was put on the outdoor side, or rinsed off it. */
const cleansOutdoorSide = (agreed: Agreed): boolean =>
  (agreed['condenser-agent'] ?? 'none') !== 'none' || (agreed['condenser-rinse'] ?? 'none') !== 'none'
/** Filters that are thrown away are renewed, not washed. */
const renewedInstead = (sentence: Message, renewed: boolean): Message => {
  if (!renewed) return sentence
  if (sentence === scopeSentences['filter-service']) return says('plan.scopeSentences.filters-renewed')
  return sentence === offeredScopes['filter-service'] ? says('plan.offeredScopes.filters-renewed') : sentence
}
/** What is said of a choice; nothing of one that an earlier version of the rules made. */
const saidOf = <M>(words: Readonly<Record<string, M>>, choice: string | undefined): M | undefined =>
  choice !== undefined && Object.hasOwn(words, choice) ? words[choice] : undefined

/** What was done, in sentences for the customer, by the choices that were agreed. */
export function workSentences(agreed: Agreed, renewsFilters = false): Message[] {
  const { scope } = agreed
  if (scope === undefined || scope === 'decline') return [says('plan.workSentences.cleaned-visit')]
  const rinse = saidOf(rinseSentences, agreed.rinse)
  const usual = renewedInstead(saidOf(scopeSentences, scope) ?? says('plan.workSentences.cleaned-agreed'), renewsFilters)
  const done = scope === 'bench-clean' && cleansOutdoorSide(agreed) ? bothSides : usual
  return rinse ? [done, rinse] : [done]
}

/** What would be done, in sentences for the customer. */
export function offerSentences(decided: Agreed, renewsFilters = false): Message[] {
  const { scope, rinse } = decided
  if (scope === undefined || scope === 'decline') return [says('plan.offerSentences.cannot-cleaned-before-something')]
  const rinsed = scope === 'filter-service' ? undefined : saidOf(offeredRinses, rinse)
  const offered =
    scope === 'bench-clean' && cleansOutdoorSide(decided)
      ? offeredBothSides
      : renewedInstead(saidOf(offeredScopes, scope) ?? says('plan.offerSentences.cleaned-agreed'), renewsFilters)
  return rinsed ? [offered, rinsed] : [offered]
}

/** Said beforehand wherever a wheel was washed or taken out: it is usual, and it surprises. */
export const speckSentence = says('plan.speckSentence.few-specks-first-start')
export const throwsSpecks = (agreed: Agreed): boolean => agreed.wheel === 'remove-and-wash' || agreed.wheel === 'wash-in-place'

/** How the unit dries after people have left, or that it is still wet. */
export const dryingSentence = ({ how, minutes }: Pick<AfterRun, 'how' | 'minutes'>): Message =>
  says(how === 'none' ? 'plan.customerText.stays-wet' : 'plan.customerText.dries-by-itself', { time: { min: minutes } })

/** Rules that keep everybody off a roof: the customer reads why. */
export const keptOffRoof: readonly string[] = ['scope-weather', 'scope-untrained-roof']

/** Filters alone were seen to: that is enough where all else was looked at and is clear; what is kept for another day is said. */
function aboutTheInside(scope: Decision, { lookOver, design, decided }: Facts): Message[] {
  if (decided.scope !== 'filter-service') return []
  if (keptOffRoof.includes(scope.rule)) return [says('plan.customerText.another-day')]
  const inside = partsToSee(lookOver.family, design).filter((part) => !byTheFilter.includes(part))
  const isClear = inside.every((part) => isGraded(lookOver, part) && gradeOf(lookOver, part) === 0)
  return isClear ? [says('plan.customerText.inside-clear')] : []
}
/** What is seen to with the filters. */
const byTheFilter: readonly Part[] = ['filter', 'outlet', 'housing']

interface Told {
  readonly unit: UnitJob
  readonly facts: Facts
  readonly decisions: readonly Decision[]
  readonly referrals: readonly Referral[]
  readonly notReached: readonly NotReached[]
  readonly due: readonly Due[]
  readonly mixes: readonly PlannedMix[]
  /** In a workable order for one person. */
  readonly steps: readonly Step[]
  readonly findings: readonly { finding: Finding; leadsTo: readonly Sentence[] }[]
  readonly complaints: readonly { answer: Message }[]
  readonly afterRun?: AfterRun
  /** The day so many weeks on, as 2027-03-01; without it weeks alone are told. */
  readonly dayAfter?: (weeks: number) => string
}

/** What is due, by its day where days are known: it is read again years later. */
export function dueMessage({ what, weeks, because }: Due, dayAfter?: (weeks: number) => string): Message {
  const inWeeks = { weeks: Math.round(weeks) }
  const day = dayAfter?.(weeks)
  const name = says(`names.due.${what}`)
  const due = day ? says('plan.due.by-day', { name, day: { day }, inWeeks }) : says('plan.due.in-weeks', { name, inWeeks })
  return because ? says('plan.due.because', { due, because: joined({ comma: [because] }) }) : due
}

/** What was found, and what it leads to, without the words that are for the crew. */
export function findingMessage(finding: Finding, leadsTo: readonly Sentence[]): Message {
  const leads = leadsForCustomer(leadsTo)
  return leads.length > 0 ? says('plan.customerText.finding', { finding: named(finding), leadsTo: { semicolon: leads } }) : named(finding)
}

/** What nobody looked at, part by part; all of the inside in one word. */
function notLookedAt({ lookOver, design }: Facts): Message[] {
  const unseen = ungraded(lookOver, design).filter((part) => part !== 'housing')
  if (unseen.length === 0) return []
  const isAll = partsToSee(lookOver.family, design).every((part) => byTheFilter.includes(part) || unseen.some((other) => other === part))
  return [isAll ? says('plan.customerText.looked-inside') : says('plan.customerText.looked', { parts: { comma: unseen.map(partName) } })]
}

/** What each complaint comes from and what is done about it, that once; whom to call is said by itself. */
export function answersForCustomer(answers: readonly Sentence[]): Sentence[] {
  const said: Sentence[] = []
  return answers.map((answer) => {
    const { complaint, likely, next } = isMessage(answer) ? (answer.values ?? {}) : {}
    if (!isMessage(complaint) || !isMessage(likely) || !isMessage(next)) return answer
    if (said.some((other) => isSame(other, next))) return says('plan.answerTo.short', { complaint, likely })
    said.push(next)
    return says('plan.answerTo.text', { complaint, likely, next })
  })
}

/** What was left, by why: parts that share a reason are named together. */
export function leftByReason(notReached: readonly { readonly part: Part; readonly because: Sentence }[]): { parts: Joined; because: Sentence }[] {
  const groups: { parts: Part[]; because: Sentence }[] = []
  for (const { part, because } of notReached) {
    const own = groups.find((group) => isSame(group.because, because))
    if (own) own.parts.push(part)
    else groups.push({ parts: [part], because })
  }
  return groups.map(({ parts, because }) => ({ parts: { and: parts.map(partName) }, because }))
}

/** What is due, one by one; why is said once, and what was left to clean is said elsewhere. */
export function duesInWords(due: readonly Due[], dayAfter?: (weeks: number) => string): Message[] {
  const said: Sentence[] = []
  return due.map(({ because, ...one }) => {
    const why = isMessage(because) && because.key === 'upkeep.notCleanYet.because' ? says('upkeep.notCleanYet.clean-yet-come-back') : because
    if (why === undefined || said.some((other) => isSame(other, why))) return dueMessage(one, dayAfter)
    said.push(why)
    return dueMessage({ ...one, because: why }, dayAfter)
  })
}

/** Steps after which the room stays empty for as long as the label says. */
export const sprayedInTheRoom: readonly string[] = ['apply-degreaser', 'apply-coil']
/** What is left of the label's time once people leave: it is counted from the last spraying. */
export const roomWaitMin = (reentryMin: number, sinceMin: number): number => Math.max(0, Math.ceil(reentryMin - sinceMin))
/** Minutes from the last spraying to the end of the work. */
function minutesAfterSpraying(steps: readonly Step[]): number {
  const last = steps.findLastIndex(({ id }) => sprayedInTheRoom.includes(id))
  if (last < 0) return 0
  return steps.slice(last).reduce((sum, { handsMin, wait }, at) => sum + (at === 0 ? 0 : handsMin) + (wait?.leastMin ?? 0), 0)
}

/** How whoever lives there keeps the filters clean, and how often. */
function filterCare({ design, decided }: Facts, due: readonly Due[]): Message[] {
  const weeks = due.find(({ what }) => what === 'filter')?.weeks
  if (weeks === undefined || decided.scope === 'decline') return []
  return [
    design.filter === 'disposable'
      ? says('plan.customerText.filters-renew', { time: { weeks } })
      : says('plan.customerText.filters-wash', { time: { weeks } }),
  ]
}

/** Sentences of one unit, ending with whom to call and what is due; the same for work done and for work declined. */
export function customerText({
  unit,
  facts,
  decisions,
  referrals,
  notReached,
  due,
  mixes,
  steps,
  findings,
  complaints,
  afterRun,
  dayAfter,
}: Told): Message {
  const scope = decisions.find(({ topic }) => topic === 'scope')
  const calls = referrals.map(({ to, because }) => says('plan.customerText.please-call', { whom: refereeName(to), because }))
  const answers = answersForCustomer(complaints.map(({ answer }) => answer))
  const found = findings.map(({ finding, leadsTo }) => says('plan.customerText.found', { found: { comma: [findingMessage(finding, leadsTo)] } }))
  const all = (sentences: Sentence[]) =>
    says('plan.customerText.all', { unit: unit.name ?? unit.id, family: familyName(unit.family), text: { sentences } })
  if (!scope || scope.choice === 'decline')
    return all([
      says('plan.workSentences.cleaned-visit'),
      // A finding that stops the work is told with the findings.
      ...(scope?.because ?? []).filter(({ key }) => key !== 'method.whatStops.found-opened-until-put'),
      ...answers,
      ...found,
      ...calls,
      says('plan.customerText.opened-once-put-right'),
    ])
  const reentryMin = Math.max(0, ...mixes.map(({ product }) => product.label.reentryMin ?? 0))
  const roomMin = roomWaitMin(reentryMin, minutesAfterSpraying(steps))
  const care = filterCare(facts, due)
  const dated = care.length > 0 ? due.filter(({ what }) => what !== 'filter') : due
  return all([
    ...workSentences(facts.decided, facts.design.filter === 'disposable'),
    ...aboutTheInside(scope, facts),
    ...(keptOffRoof.includes(scope.rule) ? scope.because : []),
    ...answers,
    ...leftByReason(notReached).map((left, at) => says(at === 0 ? 'plan.customerText.left' : 'plan.customerText.left-too', left)),
    ...notLookedAt(facts),
    ...found,
    ...calls,
    ...(throwsSpecks(facts.decided) && !staysOff(facts) ? [speckSentence] : []),
    ...(staysOff(facts) ? [says('plan.customerText.handed-back-switched-off')] : []),
    ...(afterRun ? [dryingSentence(afterRun)] : []),
    ...(roomMin > 0 ? [says('plan.customerText.please-use-room-again', { after: { min: roomMin } })] : []),
    ...care,
    ...duesInWords(dated, dayAfter).map((one, at) => says(at === 0 ? 'plan.customerText.next-one' : 'plan.customerText.then', { due: one })),
  ])
}

/** What a finding leads to, for the customer: no titles of steps, and nobody to call, since that is said by itself. */
export function leadsForCustomer(leadsTo: readonly Sentence[]): Sentence[] {
  const is = (lead: Sentence, key: Key) => isMessage(lead) && lead.key === key
  const own = leadsTo.filter((lead) => !is(lead, 'plan.leads.step') && !is(lead, 'plan.leads.call')).map(forCustomer)
  return own.length === 0 && leadsTo.some((lead) => is(lead, 'plan.leads.step')) ? [says('plan.leads.seen-to')] : own
}
function forCustomer(lead: Sentence): Sentence {
  if (typeof lead === 'string' || lead.values === undefined) return lead
  const { key, values } = lead
  const what = values.what ?? values.title
  if (!isMessage(what)) return lead
  if (key === 'plan.leads.order') return says('plan.leads.to-be-ordered', { what })
  return key === 'plan.leads.report' || key === 'plan.leads.method' ? what : lead
}
