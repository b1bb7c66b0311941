// What is done once a visit and once a supply? Predicates across all units of a job, each from a sentence of the brief.
import type { JobFile, UnitJob } from '../../plan/index.ts'
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'

const [safety, judgement, adds] = [holds('safety'), holds('judgement'), holds('arithmetic')]

/** Whether two units hang on one breaker, one battery and lead, or one outdoor unit: as the brief says it, two by two. */
const together = (one: UnitJob, other: UnitJob): boolean =>
  (one.supply !== undefined && one.supply === other.supply) ||
  (one.outdoorUnit !== undefined && one.outdoorUnit === other.outdoorUnit) ||
  (one.family === 'rv-rooftop' && other.family === 'rv-rooftop' && one.supply === undefined && other.supply === undefined)

/** Everything that hangs together with a unit, at whatever distance. */
function onOneSupply({ units }: JobFile, unit: UnitJob): string[] {
  const met = [unit]
  for (const one of met) for (const other of units) if (!met.includes(other) && together(one, other)) met.push(other)
  return met.map(({ id }) => id).sort()
}

const isFirst = (one: Case): boolean => one.job.units[0] === one.unit
const ofVisit = (one: Case, plain: string) => one.plan.visit.steps.filter(({ id }) => id.split('@')[0] === plain)
const tasksOf = (one: Case, unitId: string) => one.plan.timeline.tasks.filter((task) => task.unitId === unitId)
/** Somebody has hands in the unit: something comes off or goes on, or a part is worked at. Mixing and setting up are done aside. */
const handsIn = ({ phase, part, takesOff, putsBack }: { phase: string; part?: string; takesOff?: string; putsBack?: string }): boolean =>
  takesOff !== undefined ||
  putsBack !== undefined ||
  (part !== undefined && ['dry-clean', 'apply', 'rinse', 'wheel', 'pan-and-drain', 'rebuild'].includes(phase))
const powered: readonly string[] = ['start-unit', 'read-before', 'read-vents', 'first-spin', 'run-unit', 'run-test', 'pump-test', 'read-vents-after']

/** Whoever has nothing to do for so long leaves, min. */
const awayMin = 120
type Task = Case['plan']['timeline']['tasks'][number]
/** When nobody works, from the first minute to the last task. */
function gapsOf(tasks: readonly Task[]): { readonly fromMin: number; readonly toMin: number }[] {
  const marks = [...new Set([0, ...tasks.flatMap(({ startMin, endMin }) => [startMin, endMin])])].sort((a, b) => a - b)
  return marks.slice(1).flatMap((toMin, at) => {
    const middle = (marks[at] + toMin) / 2
    return tasks.some(({ startMin, endMin }) => startMin < middle && middle < endMin) ? [] : [{ fromMin: marks[at], toMin }]
  })
}

/** For what nobody works, longest first: the wait behind a step that runs through it, or that nobody there may go on. */
export function idleFor(plan: Case['plan']): { readonly what: string; readonly min: number }[] {
  const { tasks } = plan.timeline
  const stepOf = ({ unitId, step }: Task) =>
    (unitId === 'visit' ? plan.visit : plan.units.find(({ id }) => id === unitId))?.steps.find(({ id }) => id === step)
  const minutes = new Map<string, number>()
  for (const { fromMin, toMin } of gapsOf(tasks)) {
    if (toMin - fromMin >= awayMin) continue
    const running = tasks.flatMap((task) => {
      const wait = stepOf(task)?.wait
      return wait && task.endMin <= fromMin + 1e-6 && task.endMin + wait.leastMin >= toMin - 1e-6 ? [`${task.step.split('@')[0]}: ${wait.for}`] : []
    })
    const what = running[0] ?? 'nobody there may go on'
    minutes.set(what, (minutes.get(what) ?? 0) + toMin - fromMin)
  }
  return [...minutes].map(([what, min]) => ({ what, min })).sort((a, b) => b.min - a.min)
}

export const visitPredicates: readonly Predicate[] = [
  judgement('once-a-visit', 'Once a visit, not once a unit', (one) => {
    if (!isFirst(one)) return undefined
    const doubled = ['arrive', 'ask', 'cover-ways', 'go-up', 'come-down', 'clear-up', 'show-result'].find((id) => ofVisit(one, id).length > 1)
    const again = one.plan.visit.steps.find(({ id }, at) => one.plan.visit.steps.findIndex((other) => other.id === id) < at)
    return firstOf(
      doubled !== undefined && `${doubled} twice`,
      again !== undefined && `${again.id} twice`,
      ofVisit(one, 'arrive').length !== 1 && 'nobody arrives',
    )
  }),
  safety('one-isolation', 'one isolation, before the first of them is opened, and one power-on, after the last one’s count', (one) => {
    const isolated = ofVisit(one, 'isolate').filter(({ unitIds }) => unitIds?.includes(one.unit.id))
    if (one.declined) return isolated.length > 0 ? 'isolated although nothing is done' : undefined
    const supplied = onOneSupply(one.job, one.unit).filter((id) =>
      one.plan.units.some((unit) => unit.id === id && unit.decisions.some(({ topic, choice }) => topic === 'scope' && choice !== 'decline')),
    )
    const powers = ofVisit(one, 'power-on').filter(({ unitIds }) => unitIds?.includes(one.unit.id))
    return firstOf(
      isolated.length !== 1 && `${isolated.length} isolations`,
      [...(isolated[0]?.unitIds ?? [])].sort().join() !== supplied.join() &&
        `isolated with ${isolated[0]?.unitIds?.join()} instead of ${supplied.join()}`,
      powers.length > 1 && 'powered twice',
    )
  }),
  safety('no-power-while-open', 'While any of them is open, none is powered, none is read', (one) => {
    if (one.declined) return undefined
    const supplied = onOneSupply(one.job, one.unit)
    const [isolated] = ofVisit(one, 'isolate').filter(({ unitIds }) => unitIds?.includes(one.unit.id))
    const [power] = ofVisit(one, 'power-on').filter(({ unitIds }) => unitIds?.some((id) => supplied.includes(id)))
    const visit = tasksOf(one, 'visit')
    const fromMin = visit.find(({ step }) => step === isolated?.id)?.startMin ?? Infinity
    const untilMin = power ? (visit.find(({ step }) => step === power.id)?.endMin ?? Infinity) : Infinity
    for (const task of tasksOf(one, one.unit.id)) {
      const step = one.own.steps.find(({ id }) => id === task.step)
      if (step && handsIn(step) && task.startMin < fromMin - 1e-6) return `${task.step} before it is isolated`
      if (step && handsIn(step) && task.endMin > untilMin + 1e-6) return `${task.step} after power came back`
      if (powered.includes(task.step) && task.endMin > fromMin + 1e-6 && task.startMin < untilMin - 1e-6)
        return `${task.step} while its supply is isolated`
    }
    return undefined
  }),
  judgement('up-and-down', 'going up and coming down a roof', (one) => {
    if (!one.step('go-up')) return one.step('come-down') ? 'somebody comes down who never went up' : undefined
    return firstOf(
      !one.step('come-down') && 'nobody comes down',
      one.step('power-on') && !one.isAfter('power-on', 'come-down') && 'power comes back over people on the roof',
    )
  }),
  adds('busy', 'somebody works in at least 85 % of the time on site', (one) => {
    if (!isFirst(one)) return undefined
    const { busyShare = 0, finishMin, tasks } = one.plan.timeline
    const gaps = gapsOf(tasks).map(({ fromMin, toMin }) => toMin - fromMin)
    const onSite = finishMin - gaps.reduce((sum, gap) => sum + (gap >= awayMin ? gap : 0), 0)
    const idle = gaps.reduce((sum, gap) => sum + (gap < awayMin ? gap : 0), 0)
    return onSite > 0 && Math.abs(busyShare - (1 - idle / onSite)) > 0.002 ? `${busyShare} told, ${1 - idle / onSite} worked` : undefined
  }),
]
