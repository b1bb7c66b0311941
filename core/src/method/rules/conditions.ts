// Conditions that several topics ask.
import { drainState, gradeOf, hasKind, isGraded, named, worstOf, type Complaint, type Finding, type SoilKind } from '../../lookover/index.ts'
import { equipmentName, type EquipmentKind } from '../../products/index.ts'
import { hasLiftPump, isCarried, isOnRoof, isSplit, partName, wheelComesOut as comesOut, type Part } from '../../units/index.ts'
import { all, any, not, when, type Condition } from '../condition.ts'
import { canContain, catchesMuch, isLooseSoil, isOutOfWall, isTrained, reaches, reachesOutdoorSide, staysOff, type Facts } from '../facts.ts'
import { type SchoolName, type Schools } from '../houseRules.ts'
import { schoolWay } from '../schoolNames.ts'
import { type Choice, type Topic } from '../topics.ts'
import { choiceName, topicName } from '../choiceNames.ts'
import { joined, says, type Message } from '../../words/index.ts'

export const atLeast = (part: Part, grade: number): Condition =>
  when(says('when.grade-worse', { part: partName(part), grade }), ({ lookOver }) => gradeOf(lookOver, part) >= grade)
export const anyAtLeast = (grade: number, ...parts: Part[]): Condition =>
  when(says('when.any-grade-worse', { parts: { comma: parts.map(partName) }, grade }), ({ lookOver }) => worstOf(lookOver, ...parts) >= grade)
export const coilAtMost = (grade: number): Condition => when(says('when.coil-grade-better', { grade }), ({ coilGrade }) => coilGrade <= grade)
export const coilAtLeast = (grade: number): Condition => when(says('when.coil-grade-worse', { grade }), ({ coilGrade }) => coilGrade >= grade)
export const complains = (...complaints: Complaint[]): Condition =>
  when(says('when.complaint', { complaints: { anyOf: complaints.map(named) } }), ({ lookOver }) =>
    complaints.some((complaint) => lookOver.complaints.includes(complaint)),
  )
export const found = (...findings: Finding[]): Condition =>
  when(says('when.found', { findings: { anyOf: findings.map(named) } }), ({ lookOver }) =>
    findings.some((finding) => lookOver.findings.includes(finding)),
  )
export const soil = (kinds: SoilKind[], ...on: Part[]): Condition =>
  when(
    on.length > 0
      ? says('when.soil-on', { kinds: { anyOf: kinds.map(named) }, parts: { comma: on.map(partName) } })
      : joined({ anyOf: kinds.map(named) }),
    ({ lookOver }) => kinds.some((kind) => hasKind(lookOver, kind, ...on)),
  )
export const chosen = (topic: Topic, ...choices: Choice[]): Condition =>
  when(says('when.chosen', { topic: { lower: topicName(topic) }, choices: { anyOf: choices.map(choiceName) } }), ({ decided }) =>
    choices.some((choice) => decided[topic] === choice),
  )
export const follows = <S extends SchoolName>(school: S, value: Schools[S]): Condition =>
  when(says('when.house-rule', { school: schoolWay(value) }), ({ houseRules }) => houseRules[school] === value)
export const carries = (kind: EquipmentKind): Condition => when(says('when.carried', { equipment: equipmentName(kind) }), ({ has }) => has(kind))
export const drainIs = (...states: ('good' | 'slow' | 'failed')[]): Condition =>
  when(says('when.drain', { states: { anyOf: states.map((state) => says(`names.drain.${state}`)) } }), ({ lookOver }) =>
    states.includes(drainState(lookOver)),
  )

export const washable = when(says('when.wash-water-can-caught'), (facts) => canContain(facts))
export const muchWashable = when(says('when.much-wash-water-can'), (facts) => catchesMuch(facts))
export const waterOnSite = when(says('when.water-site'), ({ site }) => site.waterOnSite)
/** A tap, or enough in the van for a sprayer. */
export const waterToHand = when(says('when.water-site-van'), ({ site }) => site.waterOnSite || site.carriedWaterL >= 1)
export const equipmentRoom = when(
  says('when.work-equipment-room'),
  ({ site, decided }) => site.setting === 'equipment-room' && decided.location !== 'outdoors',
)
export const sensitive = when(says('when.sensitive-occupants'), ({ site }) => site.sensitiveOccupants)
export const looseSoil = when(says('when.loose-dust-lint-powder'), isLooseSoil)
export const splitUnit = when(says('when.wall-head-cassette'), ({ lookOver }) => isSplit(lookOver.family))
export const carriedUnit = when(says('when.window-through-wall-unit'), ({ lookOver }) => isCarried(lookOver.family))
export const roofUnit = when(says('when.roof-unit'), ({ lookOver }) => isOnRoof(lookOver.family))
export const wallHead = when(says('when.wall-head'), ({ lookOver }) => lookOver.family === 'wall-head')
export const cassette = when(says('when.ceiling-cassette'), ({ lookOver }) => lookOver.family === 'ceiling-cassette')
export const outdoorSideReached = when(says('when.condenser-rear-fan-base'), reachesOutdoorSide)
export const wheelComesOut = when(says('when.wheel-comes-out'), ({ lookOver, design }) => comesOut(lookOver.family, design))
const panIsFree = ({ design }: Facts) => design.panRemovable && (!design.boardBlocksPan || design.boardRemovable)
export const panComesOff = when(says('when.pan-comes-off'), panIsFree)
export const cracked = when(says('when.found-cracked-wheel'), staysOff)
export const quickAccess = when(says('when.wheel-reached-through-outlet'), ({ design }) => design.quickAccessOutlet)
export const trainedFor = (skill: 'wheel-removal' | 'roof' | 'electrics'): Condition =>
  when(says('when.somebody-trained', { skill: says(`names.skill.${skill}`) }), (facts) => isTrained(facts, skill))

/** What really comes off here: by design, by training and by house rules, and with a meter where a plug is parted. */
const onMotorLeads = when(says('when.wheel-with-motor'), ({ lookOver }) => isOnRoof(lookOver.family))
/** A wheel that comes out with its motor, whose leads are disconnected for it: not without a meter. */
export const wheelIsWired = all(onMotorLeads, not(carries('meter')))
export const wheelComesOutHere = all(wheelComesOut, trainedFor('wheel-removal'), follows('wheelSchool', 'remove'), not(cracked), not(wheelIsWired))
const boxInTheWay = when(says('when.electronics-box-blocks-pan'), ({ design }) => design.boardBlocksPan)
export const panComesOffHere = all(panComesOff, any(not(boxInTheWay), all(trainedFor('electrics'), carries('meter'))))

/** Smell or thrown dirt that the wheel explains. */
export const wheelComplaint = all(complains('smell', 'spits-dirt'), atLeast('wheel', 2))
/** Smell or thrown dirt that the pan explains. */
export const panComplaint = all(complains('smell', 'spits-dirt'), atLeast('pan', 2))
export const untouched = chosen('scope', 'decline', 'filter-service')
export const touched = not(untouched)
export const onTheBench = chosen('location', 'outdoors')
export const onStand = chosen('location', 'on-stand')
/** Out of its wall, outdoors or on a stand before it. */
export const outOfWall = when(says('when.out-of-its-wall'), isOutOfWall)
/** A window or sleeve unit that is cleaned where it sits. */
export const inItsWall = all(carriedUnit, not(outOfWall))
/** Hands, a cloth and a cup get to the pan. */
export const panReached = when(says('when.pan-reached'), (facts) => reaches(facts, 'pan'))
/** What is poured into the pan stands there until the pump has power. */
export const liftPump = when(says('when.lift-pump'), ({ lookOver, design }) => hasLiftPump(lookOver.family, design))
/** Why parts are left alone: they are clear, or nobody looked at them, or each is so for some of them. */
export const clearOrUnseen =
  (parts: readonly Part[], clear: Message) =>
  ({ lookOver }: Facts): Message => {
    const [seen, unseen] = [true, false].map((was) => ({ and: parts.filter((part) => isGraded(lookOver, part) === was).map(partName) }))
    if (unseen.and.length === 0) return clear
    return seen.and.length === 0
      ? says('method.clearOrUnseen.looked-decided', { part: unseen })
      : says('method.clearOrUnseen.in-part', { seen, unseen })
  }
/** Parts that only a one-box unit has. */
export const outdoorSide: readonly Part[] = ['condenserFace', 'condenserInside', 'rearFan', 'basePan']
/** Everything inside a unit that water reaches. */
export const insideParts: readonly Part[] = ['coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', ...outdoorSide]
