// What is in the van besides bottles?
import { z } from 'zod'
import { orFault } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { says, type Message } from '../words/index.ts'
import { count, estimate, identifier, positiveUpTo } from '../quantities/index.ts'

export const equipmentKinds = [
  'pump-wand',
  'hose',
  'pump-sprayer',
  'spray-bottle',
  'wet-vacuum',
  'dry-vacuum',
  'wash-bag',
  'funnel-sheet',
  'bucket',
  'floor-sheet',
  'air-line',
  'step-ladder',
  'roof-ladder',
  'meter',
  'level',
  'fin-comb',
  'long-driver',
  'stand',
  'respirator',
  'thermometer',
  'hygrometer',
  'anemometer',
  'clamp-meter',
  'jug',
  'knife',
  'residual-current-plug',
  'drop-light',
] as const
export type EquipmentKind = (typeof equipmentKinds)[number]
export const equipmentName = (kind: EquipmentKind): Message => says(`names.equipment.${kind}`)

export const equipmentSchema = closed({
  id: identifier,
  kind: z.literal(equipmentKinds),
  count,
  flowLMin: positiveUpTo(100).optional(),
  pressureBar: positiveUpTo(200).optional(),
  litres: positiveUpTo(1000).optional(),
  outletMm: positiveUpTo(200).optional(),
  /** What a stand carries. */
  limitKg: positiveUpTo(500).optional(),
})
  .refine(({ kind, limitKg }) => kind !== 'stand' || limitKg !== undefined, {
    path: ['limitKg'],
    ...orFault(says('fault.stand.no-limit'), says('fault.stand.no-limit-allowed')),
  })
  .meta({ if: { properties: { kind: { const: 'stand' } }, required: ['kind'] }, then: { properties: { limitKg: {} }, required: ['limitKg'] } })
export type Equipment = z.infer<typeof equipmentSchema>

/** What a common stand carries, where its own limit is not read from it yet. */
export const usualStandKg = estimate(60, 'kg')

/** The first entry of a kind of which there is at least one. */
export const findEquipment = (equipment: readonly Equipment[], kind: EquipmentKind): Equipment | undefined =>
  equipment.find((entry) => entry.kind === kind && entry.count > 0)

/** The van where none is described. */
export const builtInVan: readonly Equipment[] = [
  { id: 'pump-1', kind: 'pump-wand', count: 1, flowLMin: 1.6, pressureBar: 5 },
  { id: 'hose-1', kind: 'hose', count: 1, flowLMin: 6 },
  { id: 'sprayer-1', kind: 'pump-sprayer', count: 1, litres: 5, pressureBar: 2.5 },
  { id: 'bottle-1', kind: 'spray-bottle', count: 3, litres: 0.75 },
  { id: 'wet-vac-1', kind: 'wet-vacuum', count: 1, litres: 20 },
  { id: 'dry-vac-1', kind: 'dry-vacuum', count: 1 },
  { id: 'bag-1', kind: 'wash-bag', count: 1, litres: 10, outletMm: 22 },
  { id: 'funnel-1', kind: 'funnel-sheet', count: 1, litres: 25, outletMm: 32 },
  { id: 'bucket-1', kind: 'bucket', count: 2, litres: 15 },
  { id: 'sheet-1', kind: 'floor-sheet', count: 3 },
  { id: 'ladder-1', kind: 'step-ladder', count: 2 },
  { id: 'roof-ladder-1', kind: 'roof-ladder', count: 1 },
  { id: 'meter-1', kind: 'meter', count: 1 },
  { id: 'level-1', kind: 'level', count: 1 },
  { id: 'comb-1', kind: 'fin-comb', count: 1 },
  { id: 'driver-1', kind: 'long-driver', count: 1 },
  { id: 'stand-1', kind: 'stand', count: 1, limitKg: usualStandKg.value },
  { id: 'respirator-1', kind: 'respirator', count: 2 },
  { id: 'thermometer-1', kind: 'thermometer', count: 2 },
  { id: 'hygrometer-1', kind: 'hygrometer', count: 1 },
  { id: 'anemometer-1', kind: 'anemometer', count: 1 },
  { id: 'clamp-1', kind: 'clamp-meter', count: 1 },
  { id: 'jug-1', kind: 'jug', count: 2, litres: 1 },
  { id: 'knife-1', kind: 'knife', count: 1 },
  { id: 'rcd-1', kind: 'residual-current-plug', count: 1 },
  { id: 'light-1', kind: 'drop-light', count: 1 },
]

/** What serves everybody at once: one plug protects all that is plugged in behind it. */
export const servesAll: readonly string[] = ['residual-current-plug' satisfies EquipmentKind]

/** How many pieces of a kind there are, for whoever asks kind by kind. */
export const piecesIn =
  (equipment: readonly Equipment[]) =>
  (kind: string): number =>
    equipment.filter((entry) => entry.kind === kind).reduce((sum, { count: pieces }) => sum + pieces, 0)
