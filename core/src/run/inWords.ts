// How is what happened said, as a line of a record?
import { extentName, named, settledShare } from '../lookover/index.ts'
import { topicName } from '../method/index.ts'
import { componentName, fastenerName, partName } from '../units/index.ts'
import type { WashPlan } from '../wash/index.ts'
import { joined, nameOf, says, type Message, type Sentence } from '../words/index.ts'
import type { Happening } from './event.ts'
import { verdictName } from './verdictName.ts'

const washWords = ({ flowLMin, washMin, pausesAtMin = [] }: WashPlan): Message =>
  joined({
    comma: [
      ...(flowLMin === undefined ? [] : [says('run.wash.flow', { flow: { LMin: flowLMin } })]),
      ...(washMin === undefined ? [] : [says('run.wash.time', { time: { min: washMin } })]),
      ...(pausesAtMin.length === 0 ? [] : [says('run.wash.pauses', { minutes: { comma: pausesAtMin.map(String) } })]),
    ],
  })

/** Names of what a happening points to by id. */
export interface Names {
  /** Title of a step. */
  titleOf(stepId: string): Sentence
  /** What its gate asks for. */
  gateOf(stepId: string): Sentence
  productName(id: string): string
  personName(id: number): string
}

/** With the reason that somebody gave, where one was given. */
const withReason = (what: Message, because: string | undefined): Message => (because ? says('run.because', { what, because }) : what)

/** What happened, as a line of a record. */
export function happeningInWords(happening: Happening, { titleOf, gateOf, productName, personName }: Names): Message {
  switch (happening.type) {
    case 'complaint-set': {
      const complaint = named(happening.complaint)
      return happening.present ? says('run.complaint', { complaint }) : says('run.complaint-withdrawn', { complaint })
    }
    case 'grade-set': {
      const part = happening.when === 'after' ? says('run.grade.afterwards', { part: partName(happening.part) }) : partName(happening.part)
      if (happening.grade === null) return says('run.grade.none', { part })
      const grade = { part, grade: happening.grade, name: says(`names.grade.${happening.grade}`) }
      return happening.kinds.length > 0
        ? says('run.grade.kinds', { ...grade, kinds: { comma: happening.kinds.map(named) } })
        : says('run.grade', grade)
    }
    case 'finding-set': {
      const { extent } = happening
      const bare = named(happening.finding)
      const finding = extent
        ? says('run.finding.extent', {
            finding: bare,
            extent: extentName(happening.finding, extent),
          })
        : bare
      return happening.present ? says('run.finding', { finding }) : says('run.finding-withdrawn', { finding })
    }
    case 'extra-chosen': {
      const extra = says(`names.extra.${happening.extra}`)
      return happening.present ? says('run.ordered-besides', { extra }) : says('run.not-ordered', { extra })
    }
    case 'reading-taken': {
      const { returnC, supplyC, airflowM3h } = happening.readings
      const read = { supply: { C: supplyC }, return: { C: returnC }, when: says(`run.when.${happening.when}`) }
      return airflowM3h ? says('run.readings.with-air', { ...read, airflow: { M3h: airflowM3h } }) : says('run.readings', read)
    }
    case 'school-chosen':
      return withReason(says('run.school', { school: nameOf('school', happening.value) }), happening.because)
    case 'choice-made': {
      const topic = topicName(happening.topic)
      return happening.choice === null
        ? says('run.choice-back', { topic })
        : withReason(says('run.choice', { topic, choice: nameOf('choice', happening.choice) }), happening.because)
    }
    case 'wash-chosen':
      return happening.wash === null ? says('run.wash-back') : says('run.wash-chosen', { wash: washWords(happening.wash) })
    case 'method-agreed':
      return says('run.method-agreed', { steps: happening.steps.length })
    case 'step-begun':
      return says('run.begun', { step: titleOf(happening.stepId) })
    case 'gate-confirmed':
      return says('run.confirmed', { gate: gateOf(happening.stepId) })
    case 'fasteners-counted':
      return says(`run.counted.${happening.direction}`, { count: happening.count, fastener: fastenerName(happening.kind) })
    case 'step-done':
      return says('run.done', { step: titleOf(happening.stepId) })
    case 'steps-done':
      return says('run.done-together', { steps: { semicolon: happening.stepIds.map(titleOf) } })
    case 'wait-ended':
      return says('run.dry-to-the-touch', { step: titleOf(happening.stepId) })
    case 'wait-shortened':
      return withReason(says('run.wait-shortened', { step: titleOf(happening.stepId) }), happening.text)
    case 'photo-left-out':
      return withReason(says('run.no-photo', { step: titleOf(happening.stepId) }), happening.because)
    case 'part-noted': {
      const item = nameOf('item', happening.item)
      return happening.need === null ? says('run.part.back', { item }) : says(`run.part.${happening.need}`, { item })
    }
    case 'product-used':
      return says('run.used', { amount: { L: happening.litres }, product: productName(happening.productId) })
    case 'note':
      return says('run.note', { text: happening.text })
    case 'step-given': {
      const step = titleOf(happening.stepId)
      return happening.to === null ? says('run.for-whoever', { step }) : says('run.given', { person: personName(happening.to), step })
    }
    case 'step-skipped':
      return withReason(says('run.skipped', { step: titleOf(happening.stepId) }), happening.because)
    case 'paused':
      return withReason(says('run.paused'), happening.because)
    case 'resumed':
      return says('run.resumed')
    case 'photo-taken':
      if (happening.stepId) return says('run.photo.step', { step: titleOf(happening.stepId) })
      if (happening.of) return says('run.photo.part', { part: partName(happening.of.part), when: says(`run.when.${happening.of.when}`) })
      return happening.plate ? says('run.photo.plate') : says('run.photo')
    case 'photo-measured': {
      const { measure } = happening
      const covered = { share: settledShare(measure) }
      return measure.byHand === undefined
        ? says('run.measured', { covered })
        : says('run.measured.by-hand', { covered, read: { share: measure.coveredShare } })
    }
    case 'signed':
      return says('run.signed', { person: happening.name })
    case 'exception-written': {
      const { short, kind, item, text } = happening
      return withReason(says('run.exception', { short, fastener: fastenerName(kind), component: componentName(item) }), text)
    }
    case 'handed-over':
      return says('run.handed-over', { verdict: verdictName(happening.verdict) })
    case 'came':
      return says('run.came', { person: personName(happening.who) })
    case 'went':
      return says('run.went', { person: personName(happening.who) })
    case 'undone':
      return says('run.undone')
  }
}
