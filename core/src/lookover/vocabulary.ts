// In which words is a unit looked over?
import { z } from 'zod'
import { says, type Message } from '../words/index.ts'

export const soilKinds = ['dust', 'lint-hair', 'grease', 'biofilm', 'pollen', 'fine-powder', 'smoke', 'salt', 'insects', 'leaf-litter'] as const
export const soilKindSchema = z.literal(soilKinds)
export type SoilKind = z.infer<typeof soilKindSchema>

export const complaints = ['smell', 'spits-dirt', 'weak-airflow', 'not-cold', 'drips-indoors', 'ices-up', 'noise', 'none'] as const
export const complaintSchema = z.literal(complaints)
export type Complaint = z.infer<typeof complaintSchema>

export const findings = [
  'standing-water',
  'drain-slow',
  'drain-blocked',
  'off-level',
  'fin-corrosion',
  'bent-fins',
  'oil-stain',
  'scorched-plug',
  'oxidised-plug',
  'loose-wiring',
  'wet-electronics',
  'cracked-wheel',
  'missing-balance-clip',
  'insect-nest',
  'missing-filter',
  'torn-insulation',
  'failed-gasket',
  'damaged-membrane',
  'suspect-asbestos-ceiling',
  'rodent-droppings',
  'unsecured-unit',
  'no-safe-access',
] as const
export const findingSchema = z.literal(findings)
export type Finding = z.infer<typeof findingSchema>

/** How much of a finding there is, or whether it is alive; asked of nests and droppings above all. */
export const extents = ['little', 'much', 'alive'] as const
export type Extent = (typeof extents)[number]
export const findingExtentSchema = z.partialRecord(findingSchema, z.literal(extents))
export type FindingExtent = z.infer<typeof findingExtentSchema>

/** How an extent is called at a finding: fins are few or many, nests and droppings old or few against much. */
export const extentName = (finding: Finding, extent: Extent): Message =>
  finding === 'bent-fins' ? says(`names.fins.${extent === 'little' ? 'little' : 'much'}`) : says(`names.extent.${extent}`)

/** A complaint, finding or kind of soil as a person reads it. */
export const named = (word: Complaint | Finding | SoilKind): Message => says(`names.seen.${word}`)
