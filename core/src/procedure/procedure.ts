// In which steps is a unit cleaned? Decisions and part graph become steps with precedence, gates and cautions.
import { componentsOf, stripOrder, type Component } from '../units/index.ts'
import type { Facts, Topic, Choice } from '../method/index.ts'
import { agentSteps, dryCleanSteps, drainProof, drySteps, filterSteps, outletStep, washSteps } from './clean.ts'
import { comesOff, ids, lastOf, type Drafting } from './drafting.ts'
import { isolateSteps, lookOverSteps, protectSteps } from './isolate.ts'
import { declineSteps, proveSteps } from './prove.ts'
import { rebuildSteps, stripSteps } from './strip.ts'
import { phases, type Phase, type Step } from './step.ts'

/** What comes off for these decisions, in the order of stripping. */
export function whatComesOff({ lookOver, design }: Facts, decided: Partial<Record<Topic, Choice>>): Component[] {
  const wanted =
    {
      decline: [],
      'filter-service': ['filters', 'fine-filter'],
      'clean-in-place': ['filters', 'fine-filter'],
      'open-clean': ['cover'],
      'strip-down': ['cover', 'coil-thermistor'],
    }[decided.scope as string] ?? []
  const deeper = [
    ...(decided.electrics === 'unplug-and-remove' ? ['board-box'] : []),
    ...(decided.pan === 'remove-and-wash' ? ['pan'] : []),
    ...(decided.wheel === 'remove-and-wash' ? ['wheel'] : []),
    ...(decided.wheel === 'brush-through-outlet' ? ['louvres'] : []),
  ]
  const staysOn = decided.electrics === 'unplug-and-remove' ? [] : ['board-box']
  return stripOrder(componentsOf(lookOver.family, design), [...wanted, ...deeper], decided.scope === 'clean-in-place' ? ['cover'] : staysOn)
}

/**
 * Steps of one unit, in a workable order for one person; phases follow one another in job order, save removed parts that are
 * washed while the coil soaks. Everything that comes off goes back; `after` is acyclic and names earlier steps only.
 */
export const stepsFor = (drafting: Drafting): Step[] => withoutImplied(inPhaseOrder(draftSteps(drafting)))

/** The same steps as they are drafted, in no certain order and with implied precedence spelled out: enough for sums. */
export function draftSteps(drafting: Drafting): Step[] {
  const { decided } = drafting
  if (decided.scope === 'decline') return declineSteps()
  const seen = lookOverSteps(drafting)
  const isolated = isolateSteps(drafting, seen)
  const protectedBy = protectSteps(drafting, isolated)
  const stripped = stripSteps(drafting, [...isolated.slice(-1), ...protectedBy])
  const open = lastOf([...isolated, ...protectedBy, ...stripped])
  const dryCleaned = dryCleanSteps(drafting, open)
  const bare = lastOf([...open, ...dryCleaned])
  const agent = agentSteps(drafting, bare, protectedBy)
  const filters = filterSteps(drafting, agent.at(-1))
  const washed = washSteps(drafting, [...bare, ...agent])
  const outlet = outletStep(lastOf([...bare, ...agent, ...washed.filter(({ phase }) => phase === 'rinse' || phase === 'wheel')]))
  const panOff = comesOff(drafting, 'pan')
  const provedInPlace = panOff ? [] : drainProof(drafting, 'pan-and-drain', ids(lastOf([...washed, outlet])))
  const worked = [...dryCleaned, ...agent, ...filters, ...washed, outlet, ...provedInPlace]
  const dried = drySteps(drafting, worked)
  const rebuilt = rebuildSteps(drafting, lastOf([...worked, ...dried]), (back) => (panOff ? drainProof(drafting, 'rebuild', ids(back)) : []))
  const all = [...seen, ...isolated, ...protectedBy, ...stripped, ...worked, ...dried, ...rebuilt]
  return [...all, ...proveSteps(drafting, all)]
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
  const ancestors = new Map<string, Set<string>>()
  return steps.map((entry) => {
    const implied = new Set<string>()
    const kept: string[] = []
    for (const before of [...new Set(entry.after)].sort((a, b) => place.get(b)! - place.get(a)!)) {
      if (implied.has(before)) continue
      kept.push(before)
      implied.add(before)
      for (const ancestor of ancestors.get(before) ?? []) implied.add(ancestor)
    }
    ancestors.set(entry.id, implied)
    return { ...entry, after: kept.reverse() }
  })
}
