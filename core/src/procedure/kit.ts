// Which small tools does a step ask for, besides what it is done with?
import type { Facts } from '../method/index.ts'
import type { EquipmentKind } from '../products/index.ts'
import type { Step } from './step.ts'

const toRead: readonly EquipmentKind[] = ['thermometer', 'hygrometer', 'anemometer', 'clamp-meter']
/** By the step that needs them. */
const toolsOf: Readonly<Record<string, readonly EquipmentKind[]>> = {
  'read-before': toRead,
  'run-test': toRead,
  'read-vents': ['thermometer'],
  'read-vents-after': ['thermometer'],
  'flow-test': ['jug'],
  'pump-test': ['jug'],
  'bring-warm-water': ['thermometer'],
  'off-air-guide': ['knife'],
  'look-at-wiring': ['drop-light'],
  'wipe-behind-wheel': ['drop-light'],
  'clear-insect-nest': ['respirator'],
  'clear-rodent-droppings': ['respirator'],
}
/** What is plugged in and used beside water. */
export const onMains: readonly string[] = ['wet-vacuum', 'dry-vacuum', 'pump-wand']
/** Soil whose dust nobody breathes. */
const badDust: readonly string[] = ['fine-powder', 'biofilm']
const raisesDust: readonly string[] = ['vacuum-coil', 'brush-wheel', 'clear-condenser']

/** Tools that a step asks for on this job. */
function toolsFor({ id, equipment }: Pick<Step, 'id' | 'equipment'>, { coilGrade, lookOver }: Facts): readonly EquipmentKind[] {
  const isDusty =
    raisesDust.includes(id) && (coilGrade >= 3 || Object.values(lookOver.grades).some((part) => part?.kinds?.some((kind) => badDust.includes(kind))))
  return [
    ...(toolsOf[id] ?? []),
    ...(isDusty ? (['respirator'] as const) : []),
    ...(equipment.some((kind) => onMains.includes(kind)) ? (['residual-current-plug'] as const) : []),
  ]
}

/** The steps with the small tools that the van has; what it does not have is said by {@link missingTools}. */
export function withTools(steps: readonly Step[], facts: Facts): Step[] {
  return steps.map((step) => {
    const tools = toolsFor(step, facts).filter((kind) => facts.has(kind))
    return tools.length > 0 ? { ...step, equipment: [...step.equipment, ...tools] } : step
  })
}

/** Small tools that some step asks for and the van has none of, each with the first such step. */
export function missingTools(steps: readonly Step[], facts: Facts): { kind: EquipmentKind; step: Step }[] {
  const missing = new Map<EquipmentKind, Step>()
  for (const step of steps) for (const kind of toolsFor(step, facts)) if (!facts.has(kind) && !missing.has(kind)) missing.set(kind, step)
  return [...missing].map(([kind, step]) => ({ kind, step }))
}
