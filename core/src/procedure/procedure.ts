// In which steps is a unit cleaned? Decisions and part graph become steps with precedence, gates and cautions.
import { isOnRoof } from '../units/index.ts'
import { agentSteps, filterSteps } from './agent.ts'
import { caution } from './cautions.ts'
import { comesOff, ids, lastOf, type Drafting } from './drafting.ts'
import { drainProof, flushDrainSteps } from './drain.ts'
import { dryCleanSteps } from './dryClean.ts'
import { drySteps, uprightStep } from './drying.ts'
import { isolateSteps, lookOverSteps } from './isolate.ts'
import { clearCondenserSteps, condenserAgentSteps, washOutdoorSteps } from './outdoorSide.ts'
import { protectSteps } from './protect.ts'
import { declineSteps, proveSteps } from './prove.ts'
import { rebuildSteps } from './rebuild.ts'
import { stripSteps } from './strip.ts'
import { phases, type Phase, type Step } from './step.ts'
import { outletStep, washSteps } from './washing.ts'

/**
 * Steps of one unit, in a workable order for one person; phases follow one another in job order, save removed parts that are
 * washed while the coil soaks. Everything that comes off goes back; `after` is acyclic and names earlier steps only.
 */
export const stepsFor = (drafting: Drafting): Step[] => withoutImplied(inPhaseOrder(onTheRoof(drafting, draftSteps(drafting))))

/** The same steps as they are drafted, in no certain order and with implied precedence spelled out: enough for sums. */
export function draftSteps(drafting: Drafting): Step[] {
  const { decided } = drafting
  if (decided.scope === 'decline') return declineSteps()
  const seen = lookOverSteps(drafting)
  const isolated = isolateSteps(drafting, seen)
  const protectedBy = protectSteps(drafting, isolated)
  const stripped = stripSteps(drafting, lastOf([...isolated, ...protectedBy]))
  const open = lastOf([...isolated, ...protectedBy, ...stripped])
  const dryCleaned = [...dryCleanSteps(drafting, open), ...clearCondenserSteps(drafting, open)]
  const bare = lastOf([...open, ...dryCleaned])
  const ready = lastOf(protectedBy)
  const agent = agentSteps(drafting, bare, ready)
  const outdoorAgent = condenserAgentSteps(drafting, bare, ready)
  const filters = filterSteps(drafting, agent.at(-1))
  const washed = washSteps(drafting, [...bare, ...agent])
  const outdoors = washOutdoorSteps(drafting, [...bare, ...outdoorAgent])
  const rinsed = lastOf([
    ...bare,
    ...agent,
    ...outdoorAgent,
    ...[...washed, ...outdoors].filter(({ phase }) => phase === 'rinse' || phase === 'wheel'),
  ])
  const flushed = flushDrainSteps(drafting, [...ids(rinsed), ...ids(washed.filter(({ id }) => id === 'wash-pan'))])
  const outlet = outletStep(rinsed)
  // With the pan off, or its plug out, the drain is proved when they are back.
  const provedLater = comesOff(drafting, 'pan') || comesOff(drafting, 'drain-plug')
  const wet = [...washed, ...outdoors, ...flushed, outlet]
  const provedInPlace = provedLater ? [] : drainProof(drafting, 'pan-and-drain', ids(lastOf(wet)))
  // Both are mixed before either soaks, so that no dwell runs out over a bottle.
  const [mixing, applying] = [[...agent, ...outdoorAgent].filter(({ part }) => !part), [...agent, ...outdoorAgent].filter(({ part }) => part)]
  const worked = [...dryCleaned, ...mixing, ...applying, ...filters, ...wet, ...provedInPlace]
  const dried = drySteps(drafting, worked)
  const upright = uprightStep(drafting, worked)
  const rebuilt = rebuildSteps(drafting, lastOf([...worked, ...dried]), (back) =>
    provedLater ? drainProof(drafting, 'rebuild', [...ids(lastOf([...worked, ...dried])), ...ids(back)]) : [],
  )
  const all = [...seen, ...isolated, ...protectedBy, ...stripped, ...worked, ...dried, ...rebuilt]
  return corrected([...all, ...upright, ...proveSteps(drafting, all, upright)], drafting.facts.houseRules.stepTimes)
}

/** Minutes as the firm's own runs have corrected them, to half a minute; the start value stays beside them. */
function corrected(steps: Step[], factors: Readonly<Record<string, number>>): Step[] {
  for (const entry of steps) {
    const factor = factors[entry.id]
    if (factor === undefined || factor === 1) continue
    entry.startMin = entry.handsMin
    entry.handsMin = Math.max(0.5, Math.round(entry.handsMin * factor * 2) / 2)
  }
  return steps
}

const indoors = ['filter', 'outlet'] as const
const upThere: readonly Phase[] = ['strip', 'dry-clean', 'apply', 'dwell', 'rinse', 'wheel', 'pan-and-drain', 'rebuild']

/** On a roof whatever is done up there is for people trained for roofs (where anybody here is), and says so. */
function onTheRoof({ facts, decided }: Drafting, steps: Step[]): Step[] {
  if (!isOnRoof(facts.lookOver.family) || decided.scope === 'filter-service' || decided.scope === 'decline') return steps
  const trained = facts.trained.includes('roof')
  for (const entry of steps) {
    const below = indoors.some((part) => part === entry.part) || entry.needsLedger
    if (below || (!upThere.includes(entry.phase) && entry.id !== 'go-up')) continue
    if (trained) entry.skill ??= 'roof'
    if (entry.phase === 'strip') entry.cautions = [...entry.cautions, caution.roof]
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
