// What is done once a visit, or once a supply, whatever number of units there is? Each unit says what it asks for; what several ask for is one step.
import { isUncovered } from '../method/index.ts'
import { isOnRoof } from '../units/index.ts'
import { joined, isSame, says, type Message, type Sentence } from '../words/index.ts'
import { ids, isOpened, isWet, step, toQuarter, type Drafting } from './drafting.ts'
import { stepMin, takes } from './stepTimes.ts'
import { phases, type Phase, type Step } from './step.ts'

/** How a step of a unit names one of the visit, and one of the visit a unit's. */
export const visitId = 'visit'
export const refOf = (listId: string, stepId: string): string => `${listId}/${stepId}`
/** List and step that a reference names; without a list it is of the same one. */
export function partsOfRef(ref: string, ownList: string): { readonly list: string; readonly step: string } {
  const at = ref.indexOf('/')
  return at < 0 ? { list: ownList, step: ref } : { list: ref.slice(0, at), step: ref.slice(at + 1) }
}

const onceAVisit: readonly string[] = ['arrive', 'ask', 'cover-ways', 'go-up', 'come-down', 'clear-up', 'show-result']
const onceASupply: readonly string[] = ['isolate', 'part-battery', 'prove-dead', 'drain-charge', 'join-battery', 'power-on']
/** The step without its supply: what it is called everywhere else. */
export const plainId = (id: string): string => id.split('@')[0]
const ofSupply = (id: string, supply: string): string => (onceASupply.includes(id) ? `${id}@${supply}` : id)
export const isOfVisit = (id: string): boolean => onceAVisit.includes(id) || onceASupply.includes(id)

/** Whether hardly anything is carried in: filters alone, or nothing at all. */
const isLight = (drafting: Drafting): boolean => !isOpened(drafting)

/** From the door to the first unit. */
export function openingSteps(drafting: Drafting): Step[] {
  const light = isLight(drafting)
  const arrive = step({
    id: 'arrive',
    phase: 'call',
    title: light ? says('procedure.arrive.title.light') : says('procedure.arrive.title'),
    ...takes(light ? stepMin.arriveLight : stepMin.arrive),
    after: [],
    cautions: [],
  })
  const ask = step({
    id: 'ask',
    phase: 'call',
    title: says('procedure.ask.title'),
    ...takes(light ? stepMin.askLight : stepMin.ask),
    furtherMin: light ? stepMin.askFurther.value / 2 : stepMin.askFurther.value,
    after: [arrive.id],
    cautions: [],
  })
  if (light || isOnRoof(drafting.facts.lookOver.family)) return [arrive, ask]
  return [
    arrive,
    ask,
    step({
      id: 'cover-ways',
      phase: 'call',
      title: says('procedure.cover-ways.title'),
      ...takes(stepMin.coverWays),
      after: [arrive.id],
      equipment: ['floor-sheet'],
      cautions: [],
    }),
  ]
}

/** What people do while it cools. @param down after which it is cleared up */
export function closingSteps(drafting: Drafting, down: readonly Step[]): Step[] {
  const { facts } = drafting
  const light = isLight(drafting)
  const cleared = !isWet(drafting)
    ? says('procedure.clear-up.title.dry')
    : facts.site.foulDrainOnSite
      ? says('procedure.clear-up.title')
      : says('procedure.clear-up.title.take-wash-water-along')
  const clearUp = step({
    id: 'clear-up',
    phase: 'hand-over',
    title: facts.lookOver.family === 'wall-head' && isWet(drafting) ? says('procedure.clear-up.and-wall', { cleared }) : cleared,
    ...takes(light ? stepMin.clearUpLight : isUncovered(drafting) && !isOnRoof(facts.lookOver.family) ? stepMin.clearUp : stepMin.clearUpInPlace),
    furtherMin: light ? stepMin.clearUpLight.value / 2 : stepMin.clearUpFurther.value,
    after: ids(down),
    cautions: [],
  })
  return [
    clearUp,
    step({
      id: 'show-result',
      phase: 'hand-over',
      title: says('procedure.show-result.title'),
      ...takes(light ? stepMin.showResultLight : stepMin.showResult),
      after: [clearUp.id],
      cautions: [],
    }),
  ]
}

/** Steps that stand in two lists, and name one another across them. */
export interface UnitAndVisit {
  readonly steps: Step[]
  /** What this unit asks of the visit. */
  readonly visitSteps: Step[]
}

/** Parts a unit's steps from those of its visit. @param supply what it is isolated and powered with */
export function partVisit(all: readonly Step[], unitId: string, supply: string): UnitAndVisit {
  const ofVisit = new Set(all.filter(({ id }) => isOfVisit(id)).map(({ id }) => id))
  const steps: Step[] = []
  const visitSteps: Step[] = []
  for (const entry of all) {
    if (ofVisit.has(entry.id))
      visitSteps.push({
        ...entry,
        id: ofSupply(entry.id, supply),
        after: entry.after.map((id) => (ofVisit.has(id) ? ofSupply(id, supply) : refOf(unitId, id))),
        unitIds: [unitId],
      })
    else steps.push({ ...entry, after: entry.after.map((id) => (ofVisit.has(id) ? refOf(visitId, ofSupply(id, supply)) : id)) })
  }
  return { steps, visitSteps }
}

const placeOf = Object.fromEntries(phases.map((phase, index) => [phase, index])) as Record<Phase, number>
const unique = <T>(all: readonly T[], isOne: (one: T, other: T) => boolean = Object.is): T[] =>
  all.filter((one, index) => all.findIndex((other) => isOne(one, other)) === index)
const together = (all: readonly (Sentence | undefined)[]): Message | Sentence | undefined => {
  const said = unique(
    all.flatMap((one) => one ?? []),
    isSame,
  )
  return said.length > 1 ? joined({ sentences: said }) : said[0]
}
const most = (all: readonly (number | undefined)[]): number | undefined => {
  const known = all.flatMap((one) => one ?? [])
  return known.length > 0 ? Math.max(...known) : undefined
}

/** What several units ask for as one step: for the one that asks most, and a little more for each further unit. */
function asOne(asked: readonly Step[]): Step {
  if (asked.length === 1) return asked[0]
  const largest = asked.reduce((one, other) => (other.handsMin > one.handsMin ? other : one))
  const moreMin = asked.reduce((sum, one) => sum + (one === largest ? 0 : (one.furtherMin ?? 0)), 0)
  const grown = (minutes: number | undefined) =>
    minutes === undefined ? undefined : toQuarter(minutes * ((largest.handsMin + moreMin) / largest.handsMin))
  const waits = asked.flatMap(({ wait }) => wait ?? [])
  const longest = waits.reduce<Step['wait']>((one, other) => (one && one.leastMin >= other.leastMin ? one : other), undefined)
  const [gate, how] = [together(asked.map((one) => one.gate)), together(asked.map((one) => one.how))]
  const skilled = asked.find(({ skill }) => skill !== undefined)
  return {
    ...largest,
    ...(skilled?.skill === undefined ? {} : { skill: skilled.skill }),
    handsMin: toQuarter(largest.handsMin + moreMin),
    ...(largest.lowMin === undefined ? {} : { lowMin: grown(largest.lowMin) }),
    ...(largest.highMin === undefined ? {} : { highMin: grown(largest.highMin) }),
    ...(largest.startMin === undefined ? {} : { startMin: (most(asked.map(({ startMin }) => startMin)) ?? 0) + moreMin }),
    after: unique(asked.flatMap(({ after }) => after)),
    equipment: unique(asked.flatMap(({ equipment }) => equipment)),
    cautions: unique(
      asked.flatMap(({ cautions }) => cautions),
      isSame,
    ),
    ...(gate === undefined ? {} : { gate }),
    ...(how === undefined ? {} : { how }),
    ...(longest ? { wait: longest } : {}),
    ...(asked.some(({ needsLedger }) => needsLedger) ? { needsLedger: true } : {}),
    unitIds: unique(asked.flatMap(({ unitIds = [] }) => unitIds)),
  }
}

/** The steps of a visit from what each of its units asks for, in a workable order. */
export function mergeVisit(asked: readonly (readonly Step[])[]): Step[] {
  const byId = new Map<string, Step[]>()
  for (const one of asked.flat()) byId.set(one.id, [...(byId.get(one.id) ?? []), one])
  const merged = [...byId.values()].map(asOne)
  return merged.map((entry) => afterKeptOff(entry, merged)).sort((one, other) => placeOf[one.phase] - placeOf[other.phase])
}

/** A unit that is isolated and gets no power again is closed, counted and kept off before the others on its supply get theirs. */
function afterKeptOff(power: Step, steps: readonly Step[]): Step {
  if (plainId(power.id) !== 'power-on') return power
  const isolated = steps.find(({ id }) => id === power.id.replace('power-on', 'isolate'))?.unitIds ?? []
  const keptOff = isolated.filter((unitId) => !power.unitIds?.includes(unitId)).map((unitId) => refOf(unitId, 'keep-off'))
  return keptOff.length > 0 ? { ...power, after: unique([...power.after, ...keptOff]) } : power
}

/** A step, and whose it is: a unit's, or the visit's. */
export interface ListedStep {
  readonly list: string
  readonly step: Step
}

/** What a unit waits for, by plain ids; what other units do is left out. */
const waitsIn = (unitId: string, { list, step: { after } }: ListedStep): string[] =>
  after.flatMap((ref) => {
    const to = partsOfRef(ref, list)
    return to.list === visitId || to.list === unitId ? [plainId(to.step)] : []
  })

/** A unit's steps and those that it shares with its visit, in a workable order for one person. */
export function workOrder(unitId: string, steps: readonly Step[], visitSteps: readonly Step[]): ListedStep[] {
  const left = [
    ...visitSteps.flatMap((step) => (step.unitIds?.includes(unitId) ? [{ list: visitId, step }] : [])),
    ...steps.map((step) => ({ list: unitId, step })),
  ].sort((one, other) => placeOf[one.step.phase] - placeOf[other.step.phase])
  const waits = new Map(left.map((entry) => [entry, waitsIn(unitId, entry)]))
  const open = new Set(left.map(({ step }) => plainId(step.id)))
  const ordered: ListedStep[] = []
  while (left.length > 0) {
    const next = left.findIndex((entry) => waits.get(entry)?.every((id) => !open.has(id)))
    const [entry] = left.splice(Math.max(0, next), 1)
    open.delete(plainId(entry.step.id))
    ordered.push(entry)
  }
  return ordered
}

/** The same as one list: ids are plain, and nothing tells any more which of them are the visit's. */
export const asOneList = (unitId: string, steps: readonly Step[], visitSteps: readonly Step[]): Step[] =>
  workOrder(unitId, steps, visitSteps).map((entry, _, all) => {
    const { unitIds: __, furtherMin: ___, ...step } = entry.step
    const known = waitsIn(unitId, entry).filter((id) => all.some((other) => plainId(other.step.id) === id))
    return { ...step, id: plainId(step.id), after: known }
  })

/** What units are isolated and powered with, by unit: those with one supply or one outdoor unit together, roof units without a supply of their own too. */
export function suppliesOf(
  units: readonly { readonly id: string; readonly family: string; readonly supply?: string; readonly outdoorUnit?: string }[],
): ReadonlyMap<string, string> {
  const joins = units.map(({ id, family, supply, outdoorUnit }) => ({
    id,
    keys: [
      ...(supply !== undefined ? [`supply ${supply}`] : family === 'rv-rooftop' ? ['roof'] : []),
      ...(outdoorUnit === undefined ? [] : [`outdoor ${outdoorUnit}`]),
    ],
  }))
  const group = new Map<string, string>()
  for (const { id, keys } of joins) {
    const met = new Set(
      [...group].filter(([other]) => keys.some((key) => joins.find((one) => one.id === other)?.keys.includes(key))).map(([, of]) => of),
    )
    const [first = id, ...others] = met
    group.set(id, first)
    for (const [other, of] of group) if (others.includes(of)) group.set(other, first)
  }
  return group
}
