// How is what happened said, as a line of a record?
import { extentInWords, inWords, settledShare } from '../lookover/index.ts'
import { topicNames } from '../method/index.ts'
import { gradeNames } from '../quantities/index.ts'
import { partNames } from '../units/index.ts'
import type { WashPlan } from '../wash/index.ts'
import type { Happening, Verdict } from './event.ts'

export const verdictWords: Record<Verdict, string> = { proved: 'proved', partly: 'partly proved', 'not-proved': 'not proved' }
const percent = (share: number) => `${Math.round(share * 100)} %`

const washWords = ({ flowLMin, washMin, pausesAtMin = [] }: WashPlan) =>
  [
    ...(flowLMin === undefined ? [] : [`${flowLMin} L/min`]),
    ...(washMin === undefined ? [] : [`${washMin} min`]),
    ...(pausesAtMin.length === 0 ? [] : [`pauses after ${pausesAtMin.join(', ')} min`]),
  ].join(', ')

/** Names of what a happening points to by id. */
export interface Names {
  /** Title of a step. */
  titleOf(stepId: string): string
  /** What its gate asks for. */
  gateOf(stepId: string): string
  productName(id: string): string
  personName(id: number): string
}

/** What happened, as a line of a record. */
export function happeningInWords(happening: Happening, { titleOf, gateOf, productName, personName }: Names): string {
  switch (happening.type) {
    case 'complaint-set':
      return `complaint ${happening.present ? '' : 'withdrawn: '}${inWords(happening.complaint)}`
    case 'grade-set':
      return `${partNames[happening.part]}${happening.when === 'after' ? ', afterwards' : ''}: ${happening.grade === null ? 'not graded' : `grade ${happening.grade}, ${gradeNames[happening.grade]}`}${happening.kinds.length > 0 ? ` (${happening.kinds.map(inWords).join(', ')})` : ''}`
    case 'finding-set':
      return `finding ${happening.present ? '' : 'withdrawn: '}${inWords(happening.finding)}${happening.extent ? ` (${extentInWords(happening.finding, happening.extent)})` : ''}`
    case 'extra-chosen':
      return happening.present
        ? `ordered besides: ${happening.extra.replaceAll('-', ' ')}`
        : `not ordered after all: ${happening.extra.replaceAll('-', ' ')}`
    case 'reading-taken':
      return `${happening.when} readings: return ${happening.readings.returnC} °C, supply ${happening.readings.supplyC} °C${happening.readings.airflowM3h ? `, ${happening.readings.airflowM3h} m³/h` : ''}`
    case 'school-chosen':
      return `school for this job: ${happening.value.replaceAll('-', ' ')}${happening.because ? ` — ${happening.because}` : ''}`
    case 'choice-made':
      return happening.choice === null
        ? `${topicNames[happening.topic]}: back to the rule`
        : `${topicNames[happening.topic]}, by hand: ${happening.choice.replaceAll('-', ' ')}${happening.because ? ` — ${happening.because}` : ''}`
    case 'wash-chosen':
      return happening.wash === null ? 'washing: back to the plan' : `washing chosen: ${washWords(happening.wash)}`
    case 'method-agreed':
      return `method agreed, ${happening.steps.length} steps`
    case 'step-begun':
      return `begun: ${titleOf(happening.stepId)}`
    case 'gate-confirmed':
      return `confirmed: ${gateOf(happening.stepId)}`
    case 'fasteners-counted':
      return `${happening.count} × ${happening.kind} ${happening.direction === 'out' ? 'out' : 'back'}`
    case 'step-done':
      return `done: ${titleOf(happening.stepId)}`
    case 'wait-ended':
      return `dry to the touch: ${titleOf(happening.stepId)}`
    case 'wait-shortened':
      return `wait shortened by the owner: ${titleOf(happening.stepId)} — ${happening.text}`
    case 'photo-left-out':
      return `no photograph at: ${titleOf(happening.stepId)} — ${happening.because}`
    case 'part-noted':
      return happening.need === null
        ? `taken back: ${happening.item}`
        : happening.need === 'changed'
          ? `changed: ${happening.item}`
          : `to be ordered: ${happening.item}`
    case 'product-used':
      return `used: ${happening.litres} L of ${productName(happening.productId)}`
    case 'note':
      return `note: ${happening.text}`
    case 'step-given':
      return happening.to === null
        ? `for whoever is free: ${titleOf(happening.stepId)}`
        : `given to ${personName(happening.to)}: ${titleOf(happening.stepId)}`
    case 'step-skipped':
      return `left out: ${titleOf(happening.stepId)} — ${happening.because}`
    case 'paused':
      return `paused${happening.because ? `: ${happening.because}` : ''}`
    case 'resumed':
      return 'went on'
    case 'photo-taken':
      return `photograph${happening.stepId ? ` at: ${titleOf(happening.stepId)}` : happening.of ? ` of the ${partNames[happening.of.part]}, ${happening.of.when}` : happening.plate ? ' of the nameplate' : ''}`
    case 'photo-measured':
      return `measured on a photograph: ${percent(settledShare(happening.measure))} covered${
        happening.measure.byHand === undefined ? '' : `, corrected by hand (read: ${percent(happening.measure.coveredShare)})`
      }`
    case 'signed':
      return `signed by ${happening.name}`
    case 'exception-written':
      return `may stay out: ${happening.short} × ${happening.kind} of ${happening.item} — ${happening.text}`
    case 'handed-over':
      return `handed over, ${verdictWords[happening.verdict]}`
    case 'undone':
      return 'undone: the tap before'
  }
}
