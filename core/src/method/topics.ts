// What is decided at a unit, and between which choices?
import { z } from 'zod'

export const choicesOf = {
  scope: ['filter-service', 'clean-in-place', 'open-clean', 'strip-down', 'bench-clean', 'decline'],
  location: ['in-place', 'on-stand', 'outdoors'],
  'dry-pass': ['none', 'vacuum-and-brush', 'low-pressure-air'],
  'coil-agent': ['none', 'water', 'mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam'],
  'wheel-agent': ['none', 'water', 'mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam'],
  'condenser-agent': ['none', 'water', 'mild-detergent', 'outdoor-foam', 'alkaline-degreaser'],
  rinse: ['none', 'condensate', 'spray-bottle', 'pump-wand', 'hose'],
  'condenser-rinse': ['none', 'condensate', 'spray-bottle', 'pump-wand', 'hose'],
  containment: ['floor-sheet', 'trough-and-towel', 'wash-bag-to-bucket', 'funnel-sheet-to-bucket', 'opening-plug-and-rags', 'outdoors'],
  electrics: ['cover', 'bag', 'unplug-and-remove'],
  wheel: ['leave', 'brush-through-outlet', 'wash-in-place', 'remove-and-wash'],
  pan: ['leave', 'wipe', 'flush-in-place', 'remove-and-wash'],
  drain: ['flow-test-only', 'flush', 'vacuum-from-outside', 'disconnect-and-flush'],
  'pan-treatment': ['none', 'slow-release'],
  drying: ['short-air-dry', 'fan-run', 'long-air-dry'],
} as const

export type Topic = keyof typeof choicesOf
export type ChoiceOf<T extends Topic> = (typeof choicesOf)[T][number]
export type Choice = ChoiceOf<Topic>

export const topics = Object.keys(choicesOf) as Topic[]
export const topicSchema = z.literal(topics as [Topic, ...Topic[]])

/** Order of deciding: later topics build on earlier ones. Decisions are listed in the order of `topics`. */
export const decidingOrder: readonly Topic[] = [
  'scope',
  'location',
  'rinse',
  'coil-agent',
  'condenser-rinse',
  'condenser-agent',
  'dry-pass',
  'wheel',
  'wheel-agent',
  'pan',
  'containment',
  'electrics',
  'drain',
  'pan-treatment',
  'drying',
]
