// What goes on the coil, on the wheel and on a condenser, and what is taken off dry before?
import { gradeOf, hasKind } from '../../lookover/index.ts'
import type { ProductClass } from '../../products/index.ts'
import { partNames, type Part } from '../../units/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { agentProduct, degreaserBefore, hasGrease, hasSlime, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import { choiceNames, type ChoiceOf } from '../topics.ts'
import {
  anyAtLeast,
  atLeast,
  carries,
  chosen,
  clearOrUnseen,
  coilAtLeast,
  coilAtMost,
  follows,
  found,
  onTheBench,
  outdoorSide,
  outdoorSideReached,
  soil,
  splitUnit,
  untouched,
  waterOnSite,
  waterToHand,
} from './conditions.ts'

const { rule, bar } = rulesOn('coil-agent')
type Agent = 'mild-detergent' | 'self-rinsing-foam' | 'rinse-off-foam' | 'antimicrobial-foam'
const agents = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam'] as const

const spaced = (kind: ProductClass) => kind.replaceAll('-', ' ')
const usable = (kind: ProductClass) => when(`a suitable ${spaced(kind)} in the van`, (facts) => agentProduct(facts, kind).product !== undefined)
const named = (agent: Agent, why: string) => (facts: Facts) => [
  why,
  ...[agentProduct(facts, agent).product].flatMap((product) => (product ? [`${product.name}: its label allows this coil and this place`] : [])),
]
/** Grease under slime: first the degreasing agent, then the antimicrobial, never both at once. */
const afterDegreasing = (where: 'coil' | 'wheel') => (facts: Facts) => {
  const first = degreaserBefore({ ...facts, decided: { ...facts.decided, [`${where}-agent`]: 'antimicrobial-foam' } }, where)
  return hasGrease(facts, where)
    ? [
        first
          ? `grease first: ${first.name} with warm water, rinsed off, then the antimicrobial`
          : 'grease sits under the slime, and nothing that degreases is in the van',
      ]
    : []
}
const slimeOnCoil = when('slime on the coil', (facts) => hasSlime(facts, 'coil'))
const greaseOnCoil = when('grease or smoke on the coil', (facts) => hasGrease(facts, 'coil'))
const slimeOnWheel = when('slime on the wheel', (facts) => hasSlime(facts, 'wheel'))
const greaseOnWheel = when('grease or smoke on the wheel', (facts) => hasGrease(facts, 'wheel'))
/** Plain water is enough where salt or pollen sits on every face that is soiled at all. */
const saltOrPollenAlone = (...faces: Part[]) =>
  when(`pollen or salt on every soiled face of ${faces.map((part) => partNames[part]).join(', ')}`, ({ lookOver }) => {
    const soiled = faces.filter((part) => gradeOf(lookOver, part) >= 1)
    return soiled.length > 0 && soiled.every((part) => hasKind(lookOver, 'pollen', part) || hasKind(lookOver, 'salt', part))
  })
const warm = 'with warm water'

export const coilAgent: RuleSet = {
  bars: [
    ...agents.map((agent) => bar(`agent-${agent}-label`, agent, not(usable(agent)), (facts) => agentProduct(facts, agent).because)),
    bar('agent-foam-needs-rinse', 'rinse-off-foam', chosen('rinse', 'none'), 'foam that must be rinsed off has no place in dry cleaning'),
    bar('agent-antimicrobial-needs-rinse', 'antimicrobial-foam', chosen('rinse', 'none'), 'its label asks for a rinse, and there is none'),
    bar(
      'agent-self-rinsing-only-condensate',
      'self-rinsing-foam',
      not(chosen('rinse', 'condensate')),
      'it stays on the coil only where condensate carries it off',
    ),
    bar('agent-detergent-condensate', 'mild-detergent', chosen('rinse', 'condensate'), 'detergent is not labelled self-rinsing'),
    bar('agent-rinse-off-condensate', 'rinse-off-foam', chosen('rinse', 'condensate'), 'it is not labelled self-rinsing'),
    bar('agent-antimicrobial-condensate', 'antimicrobial-foam', chosen('rinse', 'condensate'), 'it is not labelled self-rinsing'),
    bar('agent-water-dry', 'water', chosen('rinse', 'none'), 'no water goes on the coil on this job'),
    bar(
      'agent-dry-detergent',
      'mild-detergent',
      all(chosen('rinse', 'none'), not(carries('wet-vacuum'))),
      'no wet vacuum in the van to draw it off again',
    ),
    bar(
      'agent-dry-powder',
      'mild-detergent',
      all(chosen('rinse', 'none'), soil(['fine-powder'], 'coilFace', 'coilBack')),
      'fine powder that is misted turns to paste',
    ),
  ],
  rules: [
    rule('agent-untouched', 'safety', untouched, 'none', 'the coil is not cleaned today'),
    rule('agent-clear', 'need', coilAtMost(0), 'none', clearOrUnseen('coilFace', 'the coil is clear')),
    rule(
      'agent-dry',
      'need',
      chosen('rinse', 'none'),
      'mild-detergent',
      named('mild-detergent', 'a little mild detergent after the brush, drawn off with the wet vacuum'),
    ),
    rule('agent-dry-nothing', 'need', chosen('rinse', 'none'), 'none', 'vacuum and brush only: nothing in the van may be misted and drawn off here'),
    rule(
      'agent-self-rinsing',
      'need',
      chosen('rinse', 'condensate'),
      'self-rinsing-foam',
      named('self-rinsing-foam', 'foam that the condensate carries off'),
    ),
    rule('agent-biofilm', 'need', slimeOnCoil, 'antimicrobial-foam', (facts) => [
      ...named('antimicrobial-foam', 'slime on the coil needs an antimicrobial whose label allows coils')(facts),
      ...afterDegreasing('coil')(facts),
    ]),
    rule(
      'agent-grease-household',
      'need',
      all(greaseOnCoil, follows('agentSchool', 'household')),
      'mild-detergent',
      named('mild-detergent', `house rules: dish detergent is the degreaser, ${warm}`),
      'agentSchool',
    ),
    rule('agent-grease', 'need', greaseOnCoil, 'rinse-off-foam', named('rinse-off-foam', `grease and smoke need a degreasing agent ${warm}`)),
    rule(
      'agent-grease-mild',
      'need',
      greaseOnCoil,
      'mild-detergent',
      named('mild-detergent', `the next best on grease and smoke: detergent ${warm}`),
    ),
    rule(
      'agent-salt-pollen',
      'need',
      all(saltOrPollenAlone('coilFace', 'coilBack'), coilAtMost(2)),
      'water',
      'pollen and salt attack aluminium and come off with plenty of plain water',
    ),
    rule(
      'agent-household',
      'school',
      follows('agentSchool', 'household'),
      'mild-detergent',
      named('mild-detergent', 'house rules: a mild detergent with a rinse is good enough'),
      'agentSchool',
    ),
    rule(
      'agent-heavy',
      'usual',
      coilAtLeast(2),
      'rinse-off-foam',
      named('rinse-off-foam', 'foam lifts what sits between the fins; then it is rinsed off'),
      'agentSchool',
    ),
    rule('agent-mild', 'usual', otherwise, 'mild-detergent', named('mild-detergent', 'a mild detergent is the least that does it')),
    rule('agent-second-best', 'usual', otherwise, 'rinse-off-foam', named('rinse-off-foam', 'second best of what is in the van')),
    rule('agent-water', 'usual', otherwise, 'water', 'nothing suitable is in the van: plain water, and less effect on grease and slime'),
  ],
}

const onWheel = rulesOn('wheel-agent')
const wheelUsable = (kind: ProductClass) =>
  when(`a ${spaced(kind)} in the van that may be rinsed off here`, ({ product }) => product(kind, 'rinsed').product !== undefined)
const namedOnWheel = (agent: Agent, why: string) => (facts: Facts) => [
  why,
  ...[facts.product(agent, 'rinsed').product].flatMap((product) => (product ? [`${product.name}: its label allows this place`] : [])),
]
const wheelWashed = chosen('wheel', 'wash-in-place', 'remove-and-wash')
export const wheelAgent: RuleSet = {
  bars: [
    onWheel.bar('wheel-agent-self-rinsing', 'self-rinsing-foam', wheelWashed, 'no condensate runs over a wheel: what goes on it is rinsed off'),
    ...(['mild-detergent', 'rinse-off-foam', 'antimicrobial-foam'] as const).map((agent) =>
      onWheel.bar(`wheel-agent-${agent}-label`, agent, not(wheelUsable(agent)), ({ product }) => product(agent, 'rinsed').because),
    ),
  ],
  rules: [
    onWheel.rule('wheel-agent-unwashed', 'safety', not(wheelWashed), 'none', 'the wheel is not washed on this job'),
    onWheel.rule('wheel-agent-slime', 'need', slimeOnWheel, 'antimicrobial-foam', (facts) => [
      ...namedOnWheel('antimicrobial-foam', 'slime on the blades needs an antimicrobial')(facts),
      ...afterDegreasing('wheel')(facts),
    ]),
    onWheel.rule(
      'wheel-agent-grease-household',
      'need',
      all(greaseOnWheel, follows('agentSchool', 'household')),
      'mild-detergent',
      namedOnWheel('mild-detergent', `house rules: dish detergent is the degreaser, ${warm}`),
      'agentSchool',
    ),
    onWheel.rule(
      'wheel-agent-grease',
      'need',
      greaseOnWheel,
      'rinse-off-foam',
      namedOnWheel('rinse-off-foam', `grease on the blades needs a degreasing agent ${warm}`),
    ),
    onWheel.rule(
      'wheel-agent-household',
      'school',
      follows('agentSchool', 'household'),
      'mild-detergent',
      namedOnWheel('mild-detergent', 'house rules: a mild detergent with a rinse is good enough'),
      'agentSchool',
    ),
    onWheel.rule(
      'wheel-agent-heavy',
      'usual',
      atLeast('wheel', 3),
      'rinse-off-foam',
      namedOnWheel('rinse-off-foam', 'foam soaks what fills the blades'),
    ),
    onWheel.rule(
      'wheel-agent-mild',
      'usual',
      otherwise,
      'mild-detergent',
      namedOnWheel('mild-detergent', 'a mild detergent is the least that does it'),
    ),
    onWheel.rule(
      'wheel-agent-second-best',
      'usual',
      otherwise,
      'rinse-off-foam',
      namedOnWheel('rinse-off-foam', 'second best of what is in the van'),
    ),
    onWheel.rule('wheel-agent-water', 'usual', otherwise, 'water', 'nothing suitable is in the van: plain water and a soft brush'),
  ],
}

const condenser = rulesOn('condenser-agent')
type OutdoorAgent = 'mild-detergent' | 'outdoor-foam' | 'alkaline-degreaser'
const outdoorUsable = (kind: OutdoorAgent) =>
  when(`a ${spaced(kind)} whose label allows this condenser`, ({ product }) => product(kind, 'outdoors').product !== undefined)
const onCondenser = (...kinds: Parameters<typeof soil>[0]) => soil(kinds, 'condenserFace', 'condenserInside')
const condenserAtLeast = (grade: number) => anyAtLeast(grade, 'condenserFace', 'condenserInside')
const namedOutdoors = (agent: OutdoorAgent, why: string) => (facts: Facts) => [
  why,
  ...[facts.product(agent, 'outdoors').product].flatMap((product) => (product ? [`${product.name}: its label allows this condenser`] : [])),
]
const washesTheCondenser = ['water', 'mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const
const condenserClear = clearOrUnseen('condenserFace', 'the condenser is clear')

export const condenserAgent: RuleSet = {
  bars: [
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-unreached`, agent, not(outdoorSideReached), 'the condenser is not reached on this job'),
    ),
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-needs-rinse`, agent, chosen('condenser-rinse', 'none'), 'nothing rinses the condenser on this job'),
    ),
    ...(['mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const).map((agent) =>
      condenser.bar(`condenser-${agent}-label`, agent, not(outdoorUsable(agent)), ({ product }) => product(agent, 'outdoors').because),
    ),
  ],
  rules: [
    condenser.rule('condenser-elsewhere', 'safety', splitUnit, 'none', 'the condenser of a split is outdoors: looked at only where that is ordered'),
    condenser.rule('condenser-untouched', 'safety', untouched, 'none', 'the unit is not opened that far'),
    condenser.rule(
      'condenser-unreached',
      'safety',
      not(outdoorSideReached),
      'none',
      'the condenser is reached from outside only, and the unit stays in above the ground',
    ),
    condenser.rule('condenser-clear', 'need', not(condenserAtLeast(1)), 'none', condenserClear),
    condenser.rule(
      'condenser-dry',
      'need',
      chosen('condenser-rinse', 'none'),
      'none',
      'nothing rinses the condenser here: it is vacuumed and brushed along its fins',
    ),
    condenser.rule(
      'condenser-grease',
      'need',
      onCondenser('grease'),
      'alkaline-degreaser',
      namedOutdoors('alkaline-degreaser', 'kitchen grease on the outdoor coil takes a degreaser; it never comes near the coil whose air is breathed'),
    ),
    condenser.rule(
      'condenser-salt-pollen',
      'need',
      all(saltOrPollenAlone('condenserFace', 'condenserInside'), not(condenserAtLeast(3))),
      'water',
      'salt and pollen attack aluminium and come off with plenty of plain water',
    ),
    condenser.rule(
      'condenser-foam',
      'usual',
      condenserAtLeast(2),
      'outdoor-foam',
      namedOutdoors('outdoor-foam', 'foam lifts what sits deep in the outdoor coil; then it is rinsed from the fan side out'),
    ),
    condenser.rule(
      'condenser-detergent',
      'usual',
      condenserAtLeast(2),
      'mild-detergent',
      namedOutdoors('mild-detergent', 'second best of what is in the van for the outdoor coil'),
    ),
    condenser.rule('condenser-water', 'usual', otherwise, 'water', 'plain water from the fan side out carries off what is left'),
  ],
}

const washing = rulesOn('condenser-rinse')
const rinses = ['spray-bottle', 'pump-wand', 'hose'] as const
const sprayer = any(carries('spray-bottle'), carries('pump-sprayer'))
const rinsedBy = (how: ChoiceOf<'condenser-rinse'>) => `from the fan side out, with ${choiceNames[how]}`
export const condenserRinse: RuleSet = {
  bars: [
    ...rinses.map((way) => washing.bar(`condenser-rinse-${way}-unreached`, way, not(outdoorSideReached), 'the condenser is not reached on this job')),
    washing.bar('condenser-rinse-condensate', 'condensate', otherwise, 'no condensate runs over a condenser'),
    washing.bar('condenser-rinse-hose-place', 'hose', not(onTheBench), 'a hose makes more water than can be caught where the unit is'),
    washing.bar('condenser-rinse-hose-none', 'hose', not(carries('hose')), 'no hose in the van'),
    washing.bar('condenser-rinse-hose-tap', 'hose', not(waterOnSite), 'no tap on site for a hose'),
    washing.bar(
      'condenser-rinse-hose-drain',
      'hose',
      when('no foul drain on site', ({ site }) => !site.foulDrainOnSite),
      'no foul drain on site takes that much wash water',
    ),
    washing.bar('condenser-rinse-pump-place', 'pump-wand', not(onTheBench), 'what a pump throws runs through the opening or into the wall'),
    washing.bar('condenser-rinse-pump-none', 'pump-wand', not(carries('pump-wand')), 'no pump and wand in the van'),
    washing.bar('condenser-rinse-pump-tap', 'pump-wand', not(waterOnSite), 'no tap on site to fill the pump tank'),
    washing.bar('condenser-rinse-spray-none', 'spray-bottle', not(sprayer), 'neither a spray bottle nor a pump sprayer in the van'),
    washing.bar('condenser-rinse-spray-water', 'spray-bottle', not(waterToHand), 'no tap on site, and no water in the van'),
  ],
  rules: [
    washing.rule('condenser-rinse-elsewhere', 'safety', splitUnit, 'none', 'the condenser of a split is outdoors'),
    washing.rule('condenser-rinse-untouched', 'safety', any(untouched, not(outdoorSideReached)), 'none', 'the condenser is not reached on this job'),
    washing.rule('condenser-rinse-clear', 'need', not(condenserAtLeast(1)), 'none', condenserClear),
    washing.rule('condenser-rinse-hose', 'need', onTheBench, 'hose', rinsedBy('hose')),
    washing.rule('condenser-rinse-pump', 'need', onTheBench, 'pump-wand', rinsedBy('pump-wand')),
    washing.rule('condenser-rinse-spray', 'need', otherwise, 'spray-bottle', ({ site }) => [
      rinsedBy('spray-bottle'),
      site.waterOnSite
        ? 'run-off goes onto rags or into the ground sheet’s bucket'
        : `${site.carriedWaterL} L of water come along in the van; run-off goes onto rags or into the ground sheet’s bucket`,
    ]),
    washing.rule('condenser-rinse-dry', 'usual', otherwise, 'none', 'nothing in the van rinses it: vacuumed and brushed only, and said so'),
  ],
}

const dry = rulesOn('dry-pass')
export const dryPass: RuleSet = {
  bars: [
    dry.bar('dry-air-indoors', 'low-pressure-air', not(onTheBench), 'where people live an air jet blows the dirt into the room, and it bends fins'),
    dry.bar('dry-air-powder', 'low-pressure-air', soil(['fine-powder']), 'fine powder that is blown flies everywhere: it is vacuumed'),
    dry.bar('dry-no-air', 'low-pressure-air', not(carries('air-line')), 'no air line in the van'),
  ],
  rules: [
    dry.rule('dry-untouched', 'safety', chosen('scope', 'decline'), 'none', 'nothing is opened'),
    dry.rule('dry-powder', 'need', soil(['fine-powder']), 'vacuum-and-brush', 'fine powder is vacuumed completely dry first: wet, it turns to paste'),
    dry.rule(
      'dry-air',
      'usual',
      all(onTheBench, anyAtLeast(2, 'coilFace', 'coilBack', ...outdoorSide)),
      'low-pressure-air',
      'outdoors low-pressure air blows loose soil out against the way it came in, a hand’s length off and along the fins',
    ),
    dry.rule(
      'dry-loose',
      'usual',
      any(
        anyAtLeast(1, 'filter', 'coilFace', 'coilBack', 'wheel', 'outlet', 'housing', ...outdoorSide),
        found('insect-nest', 'rodent-droppings', 'bent-fins'),
      ),
      'vacuum-and-brush',
      ({ has }) => [
        'loose soil goes dry first, brushed only along the fins',
        ...(has('dry-vacuum') || has('wet-vacuum') ? [] : ['no vacuum in the van: brushed onto a damp cloth']),
      ],
    ),
    dry.rule('dry-none', 'usual', otherwise, 'none', 'no loose soil was seen'),
  ],
}
