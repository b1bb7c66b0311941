// Conditions that several topics ask.
import { drainState, gradeOf, hasKind, inWords, isGraded, worstOf, type Complaint, type Finding, type SoilKind } from '../../lookover/index.ts'
import type { EquipmentKind } from '../../products/index.ts'
import { isCarried, isOnRoof, isSplit, partNames, wheelComesOut as comesOut, type Part } from '../../units/index.ts'
import { all, any, not, when, type Condition } from '../condition.ts'
import { canContain, catchesMuch, isLooseSoil, isTrained, reachesOutdoorSide, staysOff, type Facts } from '../facts.ts'
import { schools, type SchoolName } from '../houseRules.ts'
import { choiceNames, topicNames, type Choice, type Topic } from '../topics.ts'

export const atLeast = (part: Part, grade: number): Condition =>
  when(`${partNames[part]} at grade ${grade} or worse`, ({ lookOver }) => gradeOf(lookOver, part) >= grade)
export const anyAtLeast = (grade: number, ...parts: Part[]): Condition =>
  when(`any of ${parts.map((part) => partNames[part]).join(', ')} at grade ${grade} or worse`, ({ lookOver }) => worstOf(lookOver, ...parts) >= grade)
export const coilAtMost = (grade: number): Condition => when(`coil at grade ${grade} or better`, ({ coilGrade }) => coilGrade <= grade)
export const coilAtLeast = (grade: number): Condition => when(`coil at grade ${grade} or worse`, ({ coilGrade }) => coilGrade >= grade)
export const complains = (...complaints: Complaint[]): Condition =>
  when(`complaint: ${complaints.map(inWords).join(' or ')}`, ({ lookOver }) =>
    complaints.some((complaint) => lookOver.complaints.includes(complaint)),
  )
export const found = (...findings: Finding[]): Condition =>
  when(`found: ${findings.map(inWords).join(' or ')}`, ({ lookOver }) => findings.some((finding) => lookOver.findings.includes(finding)))
export const soil = (kinds: SoilKind[], ...on: Part[]): Condition =>
  when(`${kinds.map(inWords).join(' or ')}${on.length > 0 ? ` on ${on.map((part) => partNames[part]).join(', ')}` : ''}`, ({ lookOver }) =>
    kinds.some((kind) => hasKind(lookOver, kind, ...on)),
  )
export const chosen = (topic: Topic, ...choices: Choice[]): Condition =>
  when(`${topicNames[topic].toLowerCase()}: ${choices.map((choice) => choiceNames[choice]).join(' or ')}`, ({ decided }) =>
    choices.some((choice) => decided[topic] === choice),
  )
export const follows = <S extends SchoolName>(school: S, value: (typeof schools)[S][number]): Condition =>
  when(`house rule: ${value.replaceAll('-', ' ')}`, ({ houseRules }) => houseRules[school] === value)
export const carries = (kind: EquipmentKind): Condition => when(`${kind.replaceAll('-', ' ')} in the van`, ({ has }) => has(kind))
export const drainIs = (...states: ('good' | 'slow' | 'failed')[]): Condition =>
  when(`drain ${states.join(' or ')}`, ({ lookOver }) => states.includes(drainState(lookOver)))

export const washable = when('wash water can be caught', (facts) => canContain(facts))
export const muchWashable = when('much wash water can be caught', (facts) => catchesMuch(facts))
export const waterOnSite = when('water on site', ({ site }) => site.waterOnSite)
/** A tap, or enough in the van for a sprayer. */
export const waterToHand = when('water on site or in the van', ({ site }) => site.waterOnSite || site.carriedWaterL >= 1)
export const equipmentRoom = when(
  'work in an equipment room',
  ({ site, decided }) => site.setting === 'equipment-room' && decided.location !== 'outdoors',
)
export const sensitive = when('sensitive occupants', ({ site }) => site.sensitiveOccupants)
export const looseSoil = when('only loose dust, lint and powder', isLooseSoil)
export const splitUnit = when('a wall head or cassette', ({ lookOver }) => isSplit(lookOver.family))
export const carriedUnit = when('a window or through-wall unit', ({ lookOver }) => isCarried(lookOver.family))
export const roofUnit = when('a roof unit', ({ lookOver }) => isOnRoof(lookOver.family))
export const wallHead = when('a wall head', ({ lookOver }) => lookOver.family === 'wall-head')
export const cassette = when('a ceiling cassette', ({ lookOver }) => lookOver.family === 'ceiling-cassette')
export const outdoorSideReached = when('condenser, rear fan and base pan are reached', reachesOutdoorSide)
export const wheelComesOut = when('the wheel comes out', ({ lookOver, design }) => comesOut(lookOver.family, design))
const panIsFree = ({ design }: Facts) => design.panRemovable && (!design.boardBlocksPan || design.boardRemovable)
export const panComesOff = when('the pan comes off', panIsFree)
export const cracked = when('found: a cracked wheel', staysOff)
export const quickAccess = when('the wheel is reached through the outlet', ({ design }) => design.quickAccessOutlet)
export const trainedFor = (skill: string): Condition => when(`somebody trained for ${skill.replaceAll('-', ' ')}`, (facts) => isTrained(facts, skill))

/** What really comes off here: by design, by training and by house rules, and with a meter where a plug is parted. */
export const wheelComesOutHere = all(wheelComesOut, trainedFor('wheel-removal'), follows('wheelSchool', 'remove'), not(cracked))
const boxInTheWay = when('the electronics box blocks the pan', ({ design }) => design.boardBlocksPan)
export const panComesOffHere = all(panComesOff, any(not(boxInTheWay), all(trainedFor('electrics'), carries('meter'))))

/** Smell or thrown dirt that the wheel explains. */
export const wheelComplaint = all(complains('smell', 'spits-dirt'), atLeast('wheel', 2))
/** Smell or thrown dirt that the pan explains. */
export const panComplaint = all(complains('smell', 'spits-dirt'), atLeast('pan', 2))
export const untouched = chosen('scope', 'decline', 'filter-service')
export const touched = not(untouched)
export const onTheBench = chosen('location', 'outdoors')
/** A window or sleeve unit that is cleaned where it sits. */
export const inItsWall = all(carriedUnit, not(onTheBench))
/** Why a part is left alone: it is clear, or nobody looked at it. */
export const clearOrUnseen =
  (part: Part, clear: string) =>
  ({ lookOver }: Facts): string =>
    isGraded(lookOver, part) ? clear : `${partNames[part]}: not looked at, so nothing is decided on it`
/** Parts that only a one-box unit has. */
export const outdoorSide: readonly Part[] = ['condenserFace', 'condenserInside', 'rearFan', 'basePan']
/** Everything inside a unit that water reaches. */
export const insideParts: readonly Part[] = ['coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', ...outdoorSide]
