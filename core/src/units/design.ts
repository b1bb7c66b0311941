// Which traits of a unit decide how it is cleaned?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { amountUpTo, positiveUpTo } from '../quantities/index.ts'

/** Traits as known; all optional. Lengths, powers and masses in the unit their name ends in. */
export const designSchema = closed({
  ratedCoolingKw: positiveUpTo(60).optional(),
  ratedAirflowM3h: positiveUpTo(10_000).optional(),
  ratedPowerW: positiveUpTo(30_000).optional(),
  nameplateAmps: positiveUpTo(200).optional(),
  volts: positiveUpTo(480).optional(),
  faceWidthMm: positiveUpTo(5000).optional(),
  faceSlantMm: z.array(positiveUpTo(2000)).min(1).max(6).optional(),
  aboveFloorM: amountUpTo(30).optional(),
  ceilingGapCm: amountUpTo(500).optional(),
  below: z.literal(['clear', 'bed', 'desk', 'worktop', 'electronics', 'patient-chair']).optional(),
  finCoating: z.literal(['none', 'hydrophilic', 'epoxy']).optional(),
  refrigerantSafety: z.literal(['A1', 'A2L', 'A3']).optional(),
  drain: z.literal(['gravity', 'pump']).optional(),
  filter: z.literal(['washable', 'disposable']).optional(),
  fineFilter: z.boolean().optional(),
  coverScrews: z.int().min(0).max(20).optional(),
  wheelRemovable: z.boolean().optional(),
  coilLiftable: z.boolean().optional(),
  panRemovable: z.boolean().optional(),
  quickAccessOutlet: z.boolean().optional(),
  boardRemovable: z.boolean().optional(),
  roomSensor: z.boolean().optional(),
  boardBlocksPan: z.boolean().optional(),
  ways: z.literal([1, 2, 4]).optional(),
  drainPlug: z.boolean().optional(),
  weightKg: positiveUpTo(300).optional(),
  removable: z.boolean().optional(),
  slideOut: z.boolean().optional(),
  foamAirGuide: z.boolean().optional(),
  storey: z.int().min(0).max(100).optional(),
  heaterKw: amountUpTo(50).optional(),
  hardWired: z.boolean().optional(),
  sleeveDrain: z.boolean().optional(),
  iceProbe: z.boolean().optional(),
  wheelReachable: z.boolean().optional(),
  roof: z.literal(['membrane', 'fibreglass', 'metal']).optional(),
  ducted: z.boolean().optional(),
  batteryControl: z.boolean().optional(),
  heatsOnly: z.boolean().optional(),
})
export type Design = z.infer<typeof designSchema>
export type Trait = keyof Design
