// What has to add up: order, water, doses, stock, kit and price.
import { planFileSchema } from '../../plan/index.ts'
import { phases } from '../../procedure/index.ts'
import { firstOf, holds, type Predicate } from './predicate.ts'
import { metric, quantityWords } from '../../quantities/index.ts'

const adds = holds('arithmetic')
const near = (a: number, b: number, slack = 1e-6) => Math.abs(a - b) <= slack

export const arithmeticPredicates: readonly Predicate[] = [
  adds('format', 'Job and plan files stay yastik.plan/1', (one) => {
    const parsed = planFileSchema.safeParse(one.plan)
    return parsed.success ? undefined : `not a plan file: ${parsed.error.issues[0].path.join('.')} ${parsed.error.issues[0].message}`
  }),
  adds('order', 'phases in job order; after names earlier steps only', (one) => {
    const seen = new Set<string>()
    let phase = 0
    for (const step of one.steps) {
      if (seen.has(step.id)) return `${step.id} twice`
      if (step.after.some((before) => !seen.has(before))) return `${step.id} before what it waits for`
      if (phases.indexOf(step.phase) < phase) return `${step.id} out of phase`
      seen.add(step.id)
      phase = phases.indexOf(step.phase)
    }
    return undefined
  }),
  adds('put-back', 'whatever comes off goes back, in the reverse order where one held the other', (one) => {
    for (const step of one.steps) {
      if (!step.takesOff) continue
      const back = one.steps.filter(({ putsBack }) => putsBack === step.takesOff)
      if (back.length !== 1) return `${step.takesOff} goes back ${back.length} times`
      if (JSON.stringify(back[0].fasteners) !== JSON.stringify(step.fasteners)) return `${step.takesOff} goes back with other fasteners`
    }
    return one.steps.some(({ putsBack }) => putsBack && !one.steps.some(({ takesOff }) => takesOff === putsBack))
      ? 'something goes back that never came off'
      : undefined
  }),
  adds('timeline', 'a timeline that keeps precedence, waits and people', (one) => {
    const isOf = new Set(one.plan.visit.steps.flatMap(({ id, unitIds }) => (unitIds?.includes(one.unit.id) ? [id] : [])))
    const taskOf = new Map(
      one.plan.timeline.tasks
        .filter(({ unitId, step }) => unitId === one.unit.id || (unitId === 'visit' && isOf.has(step)))
        .map((task) => [task.step.split('@')[0], task]),
    )
    for (const step of one.steps) {
      const task = taskOf.get(step.id)
      if (!task) return `${step.id} is in no timeline`
      if (task.who.length !== Math.min(step.people, one.job.crew.length)) return `${step.id} by ${task.who.length}`
      for (const before of step.after) {
        const wait = one.step(before)?.wait
        const gap = task.startMin - (taskOf.get(before)?.endMin ?? 0)
        if (gap < (wait?.leastMin ?? 0) - 1e-6) return `${step.id} starts too early`
        if (wait?.mostMin !== undefined && gap > wait.mostMin + 1e-6) return `${step.id} starts too late after ${before}`
      }
    }
    return one.plan.timeline.finishMin < one.plan.timeline.lowerBoundMin - 1e-6 ? 'finished before the bound' : undefined
  }),
  adds('water-sum', 'a plan of 0.9 L whose flow test alone pours one litre', (one) => {
    const poured = (one.step('flow-test') ? (one.roof ? 0.2 : 1) : 0) + (one.step('pump-test') ? 1 : 0)
    if (poured === 0) return undefined
    return (one.own.washWater?.litres ?? 0) < poured - 0.05
      ? `${one.own.washWater?.litres ?? 0} L told, ${poured} L poured in tests alone`
      : undefined
  }),
  adds('roof-cup', 'The flow test of a roof unit takes a cup, caught below the gutter', (one) => {
    const test = one.roof ? one.step('flow-test') : undefined
    return test && (/one litre/i.test(test.title) || !/bucket|caught/.test(test.title)) ? 'a litre runs over the roof' : undefined
  }),
  adds('bucket-changes', 'bucket changes that differ between list, simulation and step', (one) => {
    const told = one.own.washWater?.bucketChanges ?? 0
    const words = one.steps.map(({ how = '' }) => how).join(' ')
    const said = /Change the bucket once/.test(words) ? 1 : Number(/Change the bucket (\d+) times/.exec(words)?.[1] ?? 0)
    return told !== said ? `${told} told, ${said} at the step` : undefined
  }),
  adds('mix-label', 'small doses rounded past the label', (one) => {
    for (const { productId, productL, waterL } of one.own.mixes) {
      const [least, most] = one.products.find(({ id }) => id === productId)?.label.dilution ?? [0, 0]
      const ratio = waterL / productL
      if (ratio < least - 1e-6 || ratio > most + 1e-6) return `${productId} 1:${ratio}`
    }
    return undefined
  }),
  adds('mix-cup', 'product and water of a mix are rounded to what a 5-mL cup measures', (one) => {
    const odd = one.own.mixes.find(({ productL, waterL }) =>
      [productL, waterL].some((litres) => !near(litres / 0.005, Math.round(litres / 0.005), 1e-6)),
    )
    return odd && `${odd.productL} L and ${odd.waterL} L`
  }),
  adds('mix-step', 'mix amounts that differ between list and step', (one) => {
    const words = one.steps.map(({ title, how = '' }) => `${title} ${how}`).join('\n')
    const untold = one.own.mixes.find(({ part, productL }) => part !== 'pan' && !words.includes(`${quantityWords(productL, 'L', metric)} of`))
    return untold && `${untold.productL} L of ${untold.productId} for ${untold.part} stands at no step`
  }),
  adds('stock', 'Stock short over all units of a job is not told', (one) => {
    for (const product of one.products) {
      if (product.inStockLitres === undefined) continue
      const needed = one.plan.units
        .flatMap(({ mixes }) => mixes)
        .filter(({ productId }) => productId === product.id)
        .reduce((sum, { productL }) => sum + productL, 0)
      if (needed > product.inStockLitres + 1e-9 && !one.plan.warnings.some((words) => words.includes(product.name) && /needed/.test(words)))
        return `${product.name}: ${needed} L of ${product.inStockLitres}`
    }
    return undefined
  }),
  adds('equipment', 'Nothing suitable in stock → say what is missing', (one) => {
    const missing = one.steps.flatMap(({ equipment }) => equipment).find((kind) => !one.has(kind))
    return missing && !one.plan.warnings.some((words) => words.includes(missing.replaceAll('-', ' ')))
      ? `${missing} is used, not in the van, and not said`
      : undefined
  }),
  adds('kit', 'Kit list per visit from the decisions: what the steps take', (one) => {
    const missing = one.steps
      .flatMap(({ equipment }) => equipment)
      .find((kind) => !one.plan.kit.some(({ item }) => item === kind.replaceAll('-', ' ')))
    return missing && `${missing} is in no kit`
  }),
  adds('drying', 'One computed time in plan, table and step', (one) => {
    const wait = one.step('dry-parts')?.wait
    if (!wait) return undefined
    const longest = Math.max(
      ...one.own.drying.filter(({ part, how }) => how === 'fan' && ['filter', 'wheel', 'pan'].includes(part)).map(({ minutes }) => minutes),
    )
    return longest !== wait.leastMin && Number.isFinite(longest) ? `${longest} min in the table, ${wait.leastMin} at the step` : undefined
  }),
  adds('due-band', 'due dates with low and high around them', (one) => {
    const odd = one.own.due.find(({ weeks, low = weeks, high = weeks }) => low > weeks || weeks > high)
    return odd && `${odd.what}: ${odd.low} ${odd.weeks} ${odd.high}`
  }),
  adds('price', 'the total is the sum of its lines', (one) =>
    firstOf(
      !near(
        one.plan.price.lines.reduce((sum, { amount }) => sum + amount, 0),
        one.plan.price.total,
        0.02,
      ) && 'the lines do not add up',
    ),
  ),
  adds('shares', 'shares are shares', (one) =>
    one.own.diagnosis.some(({ weight }) => !(weight >= 0 && weight <= 1)) ||
    !(one.own.expected.coolingShareNow >= 0) ||
    !(one.own.expected.airflowShareNow >= 0)
      ? 'a share outside 0 to 1'
      : undefined,
  ),
]
