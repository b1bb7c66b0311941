// What is decided at a unit, and between which choices?
import { z } from 'zod'

export const choicesOf = {
  scope: ['filter-service', 'clean-in-place', 'open-clean', 'strip-down', 'bench-clean', 'decline'],
  location: ['in-place', 'outdoors'],
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

/** How a topic is named to a person. */
export const topicNames: Record<Topic, string> = {
  scope: 'How far in',
  location: 'Where',
  'dry-pass': 'Loose soil first',
  'coil-agent': 'On the coil',
  'wheel-agent': 'On the wheel',
  'condenser-agent': 'On the condenser',
  rinse: 'Carried off by',
  'condenser-rinse': 'The condenser is rinsed by',
  containment: 'Water is caught by',
  electrics: 'Electronics',
  wheel: 'Blower wheel',
  pan: 'Drain pan',
  drain: 'Drain line',
  'pan-treatment': 'Pan treatment',
  drying: 'Drying',
}

/** How a choice is named to a person. */
export const choiceNames: Record<Choice, string> = {
  'filter-service': 'filter service only',
  'clean-in-place': 'clean in place, closed',
  'open-clean': 'cover off, clean in place',
  'strip-down': 'strip down',
  'bench-clean': 'carry out and clean on the bench',
  decline: 'do not clean today',
  'in-place': 'where it is',
  outdoors: 'outdoors',
  none: 'nothing',
  'vacuum-and-brush': 'vacuum and soft brush',
  'low-pressure-air': 'low-pressure air',
  water: 'plain water',
  'mild-detergent': 'mild detergent',
  'self-rinsing-foam': 'self-rinsing foam',
  'rinse-off-foam': 'rinse-off foam',
  'antimicrobial-foam': 'antimicrobial foam',
  'outdoor-foam': 'outdoor foam',
  'alkaline-degreaser': 'alkaline degreaser',
  condensate: 'its own condensate',
  'spray-bottle': 'a hand sprayer',
  'pump-wand': 'a pump and wand',
  hose: 'a hose',
  'floor-sheet': 'a floor sheet',
  'trough-and-towel': 'trough and towels',
  'wash-bag-to-bucket': 'wash bag, hose to bucket',
  'funnel-sheet-to-bucket': 'funnel sheet to bucket',
  'opening-plug-and-rags': 'opening plugged, rags',
  cover: 'covered',
  bag: 'bagged',
  'unplug-and-remove': 'unplugged and taken off',
  leave: 'left as it is',
  'brush-through-outlet': 'brushed through the outlet',
  'wash-in-place': 'washed in place',
  'remove-and-wash': 'taken off and washed',
  wipe: 'wiped',
  'flush-in-place': 'flushed in place',
  'flow-test-only': 'flow test only',
  flush: 'flushed',
  'vacuum-from-outside': 'drawn out from the outside end',
  'disconnect-and-flush': 'parted and flushed',
  'slow-release': 'slow-release treatment',
  'short-air-dry': 'short air dry',
  'fan-run': 'fan run',
  'long-air-dry': 'long air dry',
}
