// In which steps is a unit cleaned? Decisions and part graph become steps with precedence, gates and cautions.
import { isOnRoof } from '../units/index.ts'
import { agentSteps, filterSteps, warmWaterSteps } from './agent.ts'
import { caution, saidOnce } from './cautions.ts'
import { comesOff, ids, isOpened, ladderFor, lastOf, onStand, step, toQuarter, type Drafting } from './drafting.ts'
import { drainProof, flushDrainSteps, levelSteps } from './drain.ts'
import { combSteps, dryCleanSteps } from './dryClean.ts'
import { drySteps, isApart, uprightStep } from './drying.ts'
import { isolateSteps, lookOverSteps, provedDead } from './isolate.ts'
import { clearCondenserSteps, condenserAgentSteps, washOutdoorSteps } from './outdoorSide.ts'
import { withTools } from './kit.ts'
import { outdoorUnitSteps } from './outdoorUnit.ts'
import { protectSteps } from './protect.ts'
import { declineSteps, proveSteps } from './prove.ts'
import { rebuildSteps } from './rebuild.ts'
import { withStages } from './stages.ts'
import { stripSteps } from './strip.ts'
import { mayDo, phases, type Phase, type Step } from './step.ts'
import { furtherOfKindFactor, ladderFactor, leastSharedMin, sharedFactor, stepMin, takes } from './stepTimes.ts'
import { isOfVisit, openingSteps } from './visit.ts'
import { outletStep, outsideStep, washSteps } from './washing.ts'
import { says } from '../words/index.ts'

/**
 * Steps of one unit and what it asks of its visit, in a workable order for one person; phases follow one another in job order, save removed parts that
 * are washed while the coil soaks. Everything that comes off goes back; `after` is acyclic and names earlier steps only.
 */
export const stepsFor = (drafting: Drafting): Step[] =>
  withStages(
    saidOnce(
      drafting,
      withTools(inRealMinutes(drafting, withoutImplied(inPhaseOrder(onTheRoof(drafting, draft(drafting, lastOf))))), drafting.facts),
    ),
  )

/** The same steps as they are drafted, in no certain order and without most of their precedence: enough for sums, and far quicker. */
export const draftSteps = (drafting: Drafting): Step[] =>
  inRealMinutes(
    drafting,
    draft(drafting, () => []),
  )

/** Minutes as this crew takes them here: from a ladder, with a second pair of hands, at the second of a kind. */
const inRealMinutes = (drafting: Drafting, steps: Step[]): Step[] => quicker(drafting, handedTools(drafting, fromLadder(drafting, steps)))

/** @param lastOf the steps of a stretch of work for which what follows has to wait */
function draft(drafting: Drafting, lastOf: (steps: readonly Step[]) => readonly Step[]): Step[] {
  const { decided } = drafting
  if (decided.scope === 'decline') return declineSteps(drafting)
  const arrived = openingSteps(drafting)
  const seen = lookOverSteps(drafting)
  const isolated = isolateSteps(drafting, seen)
  const protectedBy = protectSteps(drafting, isolated)
  const stripped = stripSteps(drafting, lastOf([...isolated, ...protectedBy]), lastOf([...provedDead(isolated), ...protectedBy]))
  const open = lastOf([...isolated, ...protectedBy, ...stripped])
  const loose = [...dryCleanSteps(drafting, open), ...clearCondenserSteps(drafting, open)]
  const dryCleaned = [...loose, ...combSteps(drafting, lastOf([...open, ...loose]), 'dry-clean')]
  const bare = lastOf([...open, ...dryCleaned])
  const ready = lastOf(protectedBy)
  const warm = warmWaterSteps(drafting, ready)
  const mixable = warm.length > 0 ? warm : ready
  const agent = agentSteps(drafting, bare, mixable)
  const outdoorAgent = condenserAgentSteps(drafting, bare, mixable)
  const filters = filterSteps(drafting, agent.at(-1))
  const washed = washSteps(drafting, bare, agent)
  const outdoors = washOutdoorSteps(drafting, [...bare, ...outdoorAgent])
  const rinsed = lastOf([
    ...bare,
    ...agent,
    ...outdoorAgent,
    ...[...washed, ...outdoors].filter(({ id, phase }) => phase === 'rinse' || id === 'wash-wheel'),
  ])
  const combed = combSteps(
    drafting,
    lastOf([...bare, ...agent, ...outdoorAgent, ...[...washed, ...outdoors].filter(({ phase }) => phase === 'rinse')]),
    'rinse',
  )
  const outdoorUnit = outdoorUnitSteps(drafting, ids(isolated.slice(0, 1)))
  const flushed = flushDrainSteps(drafting, [...ids(rinsed), ...ids(washed.filter(({ id }) => id === 'wash-pan'))])
  const outlet = outletStep(drafting, rinsed)
  // With the pan off, or its plug out, the drain is proved when they are back.
  const provedLater = comesOff(drafting, 'pan') || comesOff(drafting, 'drain-plug')
  const outside = isOpened(drafting) ? [outsideStep(drafting, open)] : []
  const washedAll = [...washed, ...outdoors, ...combed, ...flushed, outlet]
  const level = levelSteps(drafting, 'pan-and-drain', ids(lastOf(washedAll)))
  const wet = [...washedAll, ...level]
  const provedInPlace = provedLater ? [] : drainProof(drafting, 'pan-and-drain', ids(lastOf(wet)))
  // Both are mixed before either soaks, so that no dwell runs out over a bottle.
  const [mixing, applying] = [[...agent, ...outdoorAgent].filter(({ part }) => !part), [...agent, ...outdoorAgent].filter(({ part }) => part)]
  const worked = [...dryCleaned, ...warm, ...mixing, ...applying, ...filters, ...outside, ...wet, ...provedInPlace]
  const dried = drySteps(drafting, worked)
  const apart = [...worked, ...dried].filter((one) => isApart(drafting, one))
  const upright = uprightStep(drafting, worked)
  const atUnit = lastOf([...worked, ...dried].filter((one) => !apart.includes(one)))
  const rebuilt = rebuildSteps(drafting, atUnit, lastOf(apart), (back) =>
    provedLater ? drainProof(drafting, 'rebuild', [...ids(atUnit), ...ids(back)]) : [],
  )
  const all = [...arrived, ...seen, ...isolated, ...protectedBy, ...stripped, ...worked, ...dried, ...rebuilt]
  const down = comeDownStep(drafting, lastOf(all.filter((one) => isUpThere(drafting, one))))
  return corrected(
    [...all, ...outdoorUnit, ...upright, ...down, ...proveSteps(drafting, [...all, ...down], [...upright, ...outdoorUnit, ...down])],
    drafting.facts.houseRules.stepTimes,
    paceOf(drafting.facts.crew),
  )
}

/** Down again, with everything that went up: before there is power below. */
function comeDownStep(drafting: Drafting, done: readonly Step[]): Step[] {
  if (!goesUp(drafting)) return []
  return [
    step({
      id: 'come-down',
      phase: 'rebuild',
      title: says('procedure.come-down.title'),
      ...takes(stepMin.comeDown),
      after: ids(done),
      equipment: ['roof-ladder'],
      gate: says('procedure.come-down.gate'),
      cautions: [caution.roof],
    }),
  ]
}

/** Times the same minutes, spread and start value included. */
function scale(entry: Step, factor: number): void {
  const before = entry.handsMin
  entry.handsMin = toQuarter(before * factor)
  const real = entry.handsMin / before
  if (entry.startMin !== undefined) entry.startMin *= real
  if (entry.lowMin !== undefined) entry.lowMin = Math.min(entry.handsMin, toQuarter(entry.lowMin * real))
  if (entry.highMin !== undefined) entry.highMin = Math.max(entry.handsMin, toQuarter(entry.highMin * real))
}

/** From a ladder everything at the unit takes longer. */
const atTheUnit: readonly Phase[] = ['protect', 'strip', 'dry-clean', 'apply', 'rinse', 'wheel', 'pan-and-drain', 'rebuild']
const onTheFloor: readonly string[] = [
  'bring-warm-water',
  'clear-below',
  'wash-filters',
  'renew-filters',
  'mix-agent',
  'mix-degreaser',
  'check-ledger',
]
/** How long water runs is what it takes, wherever one stands. */
const waterRuns: readonly string[] = ['rinse-coil', 'rinse-degreaser']
function fromLadder(drafting: Drafting, steps: Step[]): Step[] {
  if (ladderFor(drafting) !== 'step-ladder') return steps
  for (const entry of steps)
    if (
      atTheUnit.includes(entry.phase) &&
      !onTheFloor.includes(entry.id) &&
      !waterRuns.includes(entry.id) &&
      !isOfVisit(entry.id) &&
      !isApart(drafting, entry)
    )
      scale(entry, ladderFactor.value)
  return steps
}

const takenApart: readonly Phase[] = ['strip', 'rebuild']
/** Taking apart and putting back goes quicker where a second person holds, hands tools and takes parts; both are busy with it. */
function handedTools({ isShared, facts, decided }: Drafting, steps: Step[]): Step[] {
  if (!isShared) return steps
  for (const entry of steps) {
    // What one may slide onto a stand, two slide quicker; what is carried takes the people that it takes.
    if (entry.liftKg !== undefined && !onStand({ decided })) continue
    if (entry.people > 1 || !takenApart.includes(entry.phase) || entry.handsMin < leastSharedMin.value || isOfVisit(entry.id)) continue
    if (facts.crew.filter((person) => mayDo(entry, person)).length < 2) continue
    entry.people = 2
    if (entry.liftKg !== undefined) entry.liftKg /= 2
    scale(entry, sharedFactor.value)
  }
  return steps
}

/** Times the same factor, all of them. What rounding takes from one step the next one gets. */
function scaleAll(steps: readonly Step[], factor: number): void {
  let left = 0
  for (const entry of steps) {
    if (factor === 1 || entry.handsMin === 0) continue
    const exact = entry.handsMin * factor
    scale(entry, (exact + left) / entry.handsMin)
    left += exact - entry.handsMin
  }
}

/** The second of a kind in one visit goes quicker, and every further one as it does. */
function quicker({ isFurtherOfKind }: Drafting, steps: Step[]): Step[] {
  if (isFurtherOfKind)
    scaleAll(
      steps.filter(({ id }) => !isOfVisit(id)),
      furtherOfKindFactor.value,
    )
  return steps
}

/** Work that is shared goes at the rate at which all of them together work: the harmonic mean of their paces, as a factor. */
const paceOf = (crew: readonly { readonly pacePercent?: number }[]): number =>
  crew.length === 0 ? 1 : crew.length / crew.reduce((sum, { pacePercent = 100 }) => sum + 100 / pacePercent, 0)

/** Minutes as the firm's own runs, and the people who go, have corrected them, to a quarter of a minute; the start value stays beside them. */
function corrected(steps: Step[], factors: Readonly<Record<string, number>>, pace: number): Step[] {
  const startMin = new Map(steps.map((entry) => [entry, entry.handsMin]))
  for (const entry of steps) scaleAll([entry], factors[entry.id] ?? 1)
  scaleAll(steps, pace)
  for (const [entry, min] of startMin) if (entry.handsMin !== min) entry.startMin = min
  return steps
}

/** What of the work on a roof unit is done below: filter and grille, the count, the customer's things. */
const indoors = ['filter', 'outlet'] as const
const upThere: readonly Phase[] = ['strip', 'dry-clean', 'apply', 'dwell', 'rinse', 'wheel', 'pan-and-drain', 'rebuild']
const alsoUpThere: readonly string[] = ['go-up', 'come-down']
const belowAll: readonly string[] = ['check-ledger', 'wipe-outlet']

const goesUp = ({ facts, decided }: Pick<Drafting, 'facts' | 'decided'>): boolean =>
  isOnRoof(facts.lookOver.family) && decided.scope !== 'filter-service' && decided.scope !== 'decline'
const isUpThere = (drafting: Drafting, { part, id, phase }: Step): boolean =>
  goesUp(drafting) && !indoors.some((one) => one === part) && !belowAll.includes(id) && (upThere.includes(phase) || alsoUpThere.includes(id))

/** On a roof whatever is done up there is for people trained for roofs; the first of it says what a roof is. */
function onTheRoof(drafting: Drafting, steps: Step[]): Step[] {
  for (const entry of steps) {
    if (!isUpThere(drafting, entry)) continue
    if (entry.skill === undefined) entry.skill = 'roof'
    else if (entry.skill !== 'roof') entry.alsoSkill = 'roof'
    entry.cautions = [...entry.cautions, caution.roof]
  }
  return steps
}

const placeOf = Object.fromEntries(phases.map((phase, index) => [phase, index])) as Record<Phase, number>

/** Stable sort by phase: drafters append in workable order within a phase. */
function inPhaseOrder(steps: Step[]): Step[] {
  return steps
    .map((entry, index) => ({ entry, index }))
    .sort((a, b) => placeOf[a.entry.phase] - placeOf[b.entry.phase] || a.index - b.index)
    .map(({ entry }) => entry)
}

/** Keeps of every `after` only what no other entry of it already implies (transitive reduction); `steps` are in workable order. */
function withoutImplied(steps: Step[]): Step[] {
  const place = new Map(steps.map(({ id }, index) => [id, index]))
  // One bit a step: what has to have ended before each.
  const words = (steps.length + 31) >> 5
  const implied = new Uint32Array(words * steps.length)
  steps.forEach((entry, index) => {
    const own = index * words
    const before = entry.after.map((id) => place.get(id)!).sort((a, b) => b - a)
    const kept: string[] = []
    for (const other of before) {
      const [word, bit] = [own + (other >> 5), 1 << (other & 31)]
      if (implied[word] & bit) continue
      kept.push(steps[other].id)
      for (let at = 0; at < words; at++) implied[own + at] |= implied[other * words + at]
      implied[word] |= bit
    }
    entry.after = kept.reverse()
  })
  return steps
}
