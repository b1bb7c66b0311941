// What goes on the coil, on the wheel and on a condenser, and what is taken off dry before?
import { gradeOf, hasKind } from '../../lookover/index.ts'
import { className, type ProductClass } from '../../products/index.ts'
import { partName, type Part } from '../../units/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { agentProduct, degreaserBefore, hasGrease, hasSlime, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import { type ChoiceOf } from '../topics.ts'
import { choiceName } from '../choiceNames.ts'
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
  outOfWall,
  outdoorSide,
  outdoorSideReached,
  soil,
  splitUnit,
  untouched,
  waterOnSite,
  waterToHand,
} from './conditions.ts'
import { says, type Message } from '../../words/index.ts'

const { rule, bar } = rulesOn('coil-agent')
type Agent = 'mild-detergent' | 'self-rinsing-foam' | 'rinse-off-foam' | 'antimicrobial-foam'
const agents = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam'] as const

const usable = (kind: ProductClass) =>
  when(says('when.suitable-van', { product: className(kind) }), (facts) => agentProduct(facts, kind).product !== undefined)
const named = (agent: Agent, why: Message) => (facts: Facts) => [
  why,
  ...[agentProduct(facts, agent).product].flatMap((product) =>
    product ? [says('method.named.label-allows-coil-place', { name: product.name })] : [],
  ),
]
/** Grease under slime: first the degreasing agent, then the antimicrobial, never both at once. */
const afterDegreasing = (where: 'coil' | 'wheel') => (facts: Facts) => {
  const first = degreaserBefore({ ...facts, decided: { ...facts.decided, [`${where}-agent`]: 'antimicrobial-foam' } }, where)
  return hasGrease(facts, where)
    ? [first ? says('method.afterDegreasing.grease-first-warm-water', { name: first.name }) : says('method.afterDegreasing.grease-sits-under-slime')]
    : []
}
const slimeOnCoil = when(says('when.slime-coil'), (facts) => hasSlime(facts, 'coil'))
const greaseOnCoil = when(says('when.grease-smoke-coil'), (facts) => hasGrease(facts, 'coil'))
const slimeOnWheel = when(says('when.slime-wheel'), (facts) => hasSlime(facts, 'wheel'))
const greaseOnWheel = when(says('when.grease-smoke-wheel'), (facts) => hasGrease(facts, 'wheel'))
/** Plain water is enough where salt or pollen sits on every face that is soiled at all. */
const saltOrPollenAlone = (...faces: Part[]) =>
  when(says('when.pollen-salt-every-soiled', { parts: { comma: faces.map(partName) } }), ({ lookOver }) => {
    const soiled = faces.filter((part) => gradeOf(lookOver, part) >= 1)
    return soiled.length > 0 && soiled.every((part) => hasKind(lookOver, 'pollen', part) || hasKind(lookOver, 'salt', part))
  })

export const coilAgent: RuleSet = {
  bars: [
    ...agents.map((agent) => bar(`agent-${agent}-label`, agent, not(usable(agent)), (facts) => agentProduct(facts, agent).because)),
    bar('agent-foam-needs-rinse', 'rinse-off-foam', chosen('rinse', 'none'), says('method.agent-foam-needs-rinse')),
    bar('agent-antimicrobial-needs-rinse', 'antimicrobial-foam', chosen('rinse', 'none'), says('method.agent-antimicrobial-needs-rinse')),
    bar(
      'agent-self-rinsing-only-condensate',
      'self-rinsing-foam',
      not(chosen('rinse', 'condensate')),
      says('method.agent-self-rinsing-only-condensate'),
    ),
    bar('agent-detergent-condensate', 'mild-detergent', chosen('rinse', 'condensate'), says('method.agent-detergent-condensate')),
    bar('agent-rinse-off-condensate', 'rinse-off-foam', chosen('rinse', 'condensate'), says('method.agent-rinse-off-condensate')),
    bar('agent-antimicrobial-condensate', 'antimicrobial-foam', chosen('rinse', 'condensate'), says('method.agent-rinse-off-condensate')),
    bar('agent-water-dry', 'water', chosen('rinse', 'none'), says('method.agent-water-dry')),
    bar('agent-dry-detergent', 'mild-detergent', all(chosen('rinse', 'none'), not(carries('wet-vacuum'))), says('method.agent-dry-detergent')),
    bar(
      'agent-dry-powder',
      'mild-detergent',
      all(chosen('rinse', 'none'), soil(['fine-powder'], 'coilFace', 'coilBack')),
      says('method.agent-dry-powder'),
    ),
  ],
  rules: [
    rule('agent-untouched', 'safety', untouched, 'none', says('method.agent-untouched')),
    rule('agent-clear', 'need', coilAtMost(0), 'none', clearOrUnseen(['coilFace', 'coilBack'], says('method.agent-clear'))),
    rule('agent-dry', 'need', chosen('rinse', 'none'), 'mild-detergent', named('mild-detergent', says('method.agent-dry'))),
    rule('agent-dry-nothing', 'need', chosen('rinse', 'none'), 'none', says('method.agent-dry-nothing')),
    rule(
      'agent-self-rinsing',
      'need',
      chosen('rinse', 'condensate'),
      'self-rinsing-foam',
      named('self-rinsing-foam', says('method.agent-self-rinsing')),
    ),
    rule('agent-biofilm', 'need', slimeOnCoil, 'antimicrobial-foam', (facts) => [
      ...named('antimicrobial-foam', says('method.agent-biofilm'))(facts),
      ...afterDegreasing('coil')(facts),
    ]),
    rule(
      'agent-grease-household',
      'need',
      all(greaseOnCoil, follows('agentSchool', 'household')),
      'mild-detergent',
      named('mild-detergent', says('method.agent-grease-household')),
      'agentSchool',
    ),
    rule('agent-grease', 'need', greaseOnCoil, 'rinse-off-foam', named('rinse-off-foam', says('method.agent-grease'))),
    rule('agent-grease-mild', 'need', greaseOnCoil, 'mild-detergent', named('mild-detergent', says('method.agent-grease-mild'))),
    rule('agent-salt-pollen', 'need', all(saltOrPollenAlone('coilFace', 'coilBack'), coilAtMost(2)), 'water', says('method.agent-salt-pollen')),
    rule(
      'agent-household',
      'school',
      follows('agentSchool', 'household'),
      'mild-detergent',
      named('mild-detergent', says('method.agent-household')),
      'agentSchool',
    ),
    rule('agent-heavy', 'usual', coilAtLeast(2), 'rinse-off-foam', named('rinse-off-foam', says('method.agent-heavy')), 'agentSchool'),
    rule('agent-mild', 'usual', otherwise, 'mild-detergent', named('mild-detergent', says('method.agent-mild'))),
    rule('agent-second-best', 'usual', otherwise, 'rinse-off-foam', named('rinse-off-foam', says('method.agent-second-best'))),
    rule('agent-water', 'usual', otherwise, 'water', says('method.agent-water')),
  ],
}

const onWheel = rulesOn('wheel-agent')
const wheelUsable = (kind: ProductClass) =>
  when(says('when.van-may-rinsed-off', { product: className(kind) }), ({ product }) => product(kind, 'rinsed').product !== undefined)
const namedOnWheel = (agent: Agent, why: Message) => (facts: Facts) => [
  why,
  ...[facts.product(agent, 'rinsed').product].flatMap((product) =>
    product ? [says('method.namedOnWheel.label-allows-place', { name: product.name })] : [],
  ),
]
const wheelWashed = chosen('wheel', 'wash-in-place', 'remove-and-wash')
export const wheelAgent: RuleSet = {
  bars: [
    onWheel.bar('wheel-agent-self-rinsing', 'self-rinsing-foam', wheelWashed, says('method.wheel-agent-self-rinsing')),
    ...(['mild-detergent', 'rinse-off-foam', 'antimicrobial-foam'] as const).map((agent) =>
      onWheel.bar(`wheel-agent-${agent}-label`, agent, not(wheelUsable(agent)), ({ product }) => product(agent, 'rinsed').because),
    ),
  ],
  rules: [
    onWheel.rule('wheel-agent-unwashed', 'safety', not(wheelWashed), 'none', says('method.wheel-agent-unwashed')),
    onWheel.rule('wheel-agent-slime', 'need', slimeOnWheel, 'antimicrobial-foam', (facts) => [
      ...namedOnWheel('antimicrobial-foam', says('method.wheel-agent-slime'))(facts),
      ...afterDegreasing('wheel')(facts),
    ]),
    onWheel.rule(
      'wheel-agent-grease-household',
      'need',
      all(greaseOnWheel, follows('agentSchool', 'household')),
      'mild-detergent',
      namedOnWheel('mild-detergent', says('method.wheel-agent-grease-household')),
      'agentSchool',
    ),
    onWheel.rule('wheel-agent-grease', 'need', greaseOnWheel, 'rinse-off-foam', namedOnWheel('rinse-off-foam', says('method.wheel-agent-grease'))),
    onWheel.rule(
      'wheel-agent-household',
      'school',
      follows('agentSchool', 'household'),
      'mild-detergent',
      namedOnWheel('mild-detergent', says('method.agent-household')),
      'agentSchool',
    ),
    onWheel.rule(
      'wheel-agent-heavy',
      'usual',
      atLeast('wheel', 3),
      'rinse-off-foam',
      namedOnWheel('rinse-off-foam', says('method.wheel-agent-heavy')),
    ),
    onWheel.rule('wheel-agent-mild', 'usual', otherwise, 'mild-detergent', namedOnWheel('mild-detergent', says('method.agent-mild'))),
    onWheel.rule('wheel-agent-second-best', 'usual', otherwise, 'rinse-off-foam', namedOnWheel('rinse-off-foam', says('method.agent-second-best'))),
    onWheel.rule('wheel-agent-water', 'usual', otherwise, 'water', says('method.wheel-agent-water')),
  ],
}

const condenser = rulesOn('condenser-agent')
type OutdoorAgent = 'mild-detergent' | 'outdoor-foam' | 'alkaline-degreaser'
const outdoorUsable = (kind: OutdoorAgent) =>
  when(says('when.whose-label-allows-condenser', { product: className(kind) }), ({ product }) => product(kind, 'outdoors').product !== undefined)
const onCondenser = (...kinds: Parameters<typeof soil>[0]) => soil(kinds, 'condenserFace', 'condenserInside')
const condenserAtLeast = (grade: number) => anyAtLeast(grade, 'condenserFace', 'condenserInside')
const namedOutdoors = (agent: OutdoorAgent, why: Message) => (facts: Facts) => [
  why,
  ...[facts.product(agent, 'outdoors').product].flatMap((product) =>
    product ? [says('method.namedOutdoors.label-allows-condenser', { name: product.name })] : [],
  ),
]
const washesTheCondenser = ['water', 'mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const
const condenserClear = clearOrUnseen(['condenserFace', 'condenserInside'], says('method.condenserClear.condenser-clear'))

export const condenserAgent: RuleSet = {
  bars: [
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-unreached`, agent, not(outdoorSideReached), says('method.condenser-unreached')),
    ),
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-needs-rinse`, agent, chosen('condenser-rinse', 'none'), says('method.condenser-needs-rinse')),
    ),
    ...(['mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const).map((agent) =>
      condenser.bar(`condenser-${agent}-label`, agent, not(outdoorUsable(agent)), ({ product }) => product(agent, 'outdoors').because),
    ),
  ],
  rules: [
    condenser.rule('condenser-elsewhere', 'safety', splitUnit, 'none', says('method.condenser-elsewhere')),
    condenser.rule('condenser-untouched', 'safety', untouched, 'none', says('method.condenser-untouched')),
    condenser.rule(
      'condenser-unreached',
      'safety',
      not(outdoorSideReached),
      'none',
      says('method.condenser-unreached.condenser-reached-outside-unit'),
    ),
    condenser.rule('condenser-clear', 'need', not(condenserAtLeast(1)), 'none', condenserClear),
    condenser.rule('condenser-dry', 'need', chosen('condenser-rinse', 'none'), 'none', says('method.condenser-dry')),
    condenser.rule(
      'condenser-grease',
      'need',
      onCondenser('grease'),
      'alkaline-degreaser',
      namedOutdoors('alkaline-degreaser', says('method.condenser-grease')),
    ),
    condenser.rule(
      'condenser-salt-pollen',
      'need',
      all(saltOrPollenAlone('condenserFace', 'condenserInside'), not(condenserAtLeast(3))),
      'water',
      says('method.condenser-salt-pollen'),
    ),
    condenser.rule('condenser-foam', 'usual', condenserAtLeast(2), 'outdoor-foam', namedOutdoors('outdoor-foam', says('method.condenser-foam'))),
    condenser.rule(
      'condenser-detergent',
      'usual',
      condenserAtLeast(2),
      'mild-detergent',
      namedOutdoors('mild-detergent', says('method.condenser-detergent')),
    ),
    condenser.rule('condenser-water', 'usual', otherwise, 'water', says('method.condenser-water')),
  ],
}

const washing = rulesOn('condenser-rinse')
const rinses = ['spray-bottle', 'pump-wand', 'hose'] as const
const sprayer = any(carries('spray-bottle'), carries('pump-sprayer'))
const rinsedBy = (how: ChoiceOf<'condenser-rinse'>) => says('method.rinsedBy.fan-side-out', { choice: choiceName(how) })
export const condenserRinse: RuleSet = {
  bars: [
    ...rinses.map((way) => washing.bar(`condenser-rinse-${way}-unreached`, way, not(outdoorSideReached), says('method.condenser-unreached'))),
    washing.bar('condenser-rinse-condensate', 'condensate', otherwise, says('method.condenser-rinse-condensate')),
    washing.bar('condenser-rinse-hose-place', 'hose', not(onTheBench), says('method.rinse-hose-in-place')),
    washing.bar('condenser-rinse-hose-none', 'hose', not(carries('hose')), says('method.rinse-hose-none')),
    washing.bar('condenser-rinse-hose-tap', 'hose', not(waterOnSite), says('method.rinse-hose-water')),
    washing.bar(
      'condenser-rinse-hose-drain',
      'hose',
      when(says('when.foul-drain-site'), ({ site }) => !site.foulDrainOnSite),
      says('method.rinse-hose-drain'),
    ),
    washing.bar('condenser-rinse-pump-place', 'pump-wand', not(outOfWall), says('method.condenser-rinse-pump-place')),
    washing.bar('condenser-rinse-pump-none', 'pump-wand', not(carries('pump-wand')), says('method.whatIsMissing.pump-wand-van')),
    washing.bar('condenser-rinse-pump-tap', 'pump-wand', not(waterOnSite), says('method.rinse-pump-water')),
    washing.bar('condenser-rinse-spray-none', 'spray-bottle', not(sprayer), says('method.whatIsMissing.neither-spray-bottle-nor')),
    washing.bar('condenser-rinse-spray-water', 'spray-bottle', not(waterToHand), says('method.rinse-spray-water')),
  ],
  rules: [
    washing.rule('condenser-rinse-elsewhere', 'safety', splitUnit, 'none', says('method.condenser-rinse-elsewhere')),
    washing.rule('condenser-rinse-untouched', 'safety', any(untouched, not(outdoorSideReached)), 'none', says('method.condenser-unreached')),
    washing.rule('condenser-rinse-clear', 'need', not(condenserAtLeast(1)), 'none', condenserClear),
    washing.rule('condenser-rinse-hose', 'need', onTheBench, 'hose', rinsedBy('hose')),
    washing.rule('condenser-rinse-pump', 'need', outOfWall, 'pump-wand', rinsedBy('pump-wand')),
    washing.rule('condenser-rinse-spray', 'need', otherwise, 'spray-bottle', ({ site }) => [
      rinsedBy('spray-bottle'),
      site.waterOnSite
        ? says('method.condenser-rinse-spray')
        : says('method.condenser-rinse-spray.water-come-along-van', { carriedWaterL: { L: site.carriedWaterL } }),
    ]),
    washing.rule('condenser-rinse-dry', 'usual', otherwise, 'none', says('method.condenser-rinse-dry')),
  ],
}

const dry = rulesOn('dry-pass')
export const dryPass: RuleSet = {
  bars: [
    dry.bar('dry-air-indoors', 'low-pressure-air', not(onTheBench), says('method.dry-air-indoors')),
    dry.bar('dry-air-powder', 'low-pressure-air', soil(['fine-powder']), says('method.dry-air-powder')),
    dry.bar('dry-no-air', 'low-pressure-air', not(carries('air-line')), says('method.dry-no-air')),
  ],
  rules: [
    dry.rule('dry-untouched', 'safety', chosen('scope', 'decline'), 'none', says('method.dry-untouched')),
    dry.rule('dry-powder', 'need', soil(['fine-powder']), 'vacuum-and-brush', says('method.dry-powder')),
    dry.rule('dry-air', 'usual', all(onTheBench, anyAtLeast(2, 'coilFace', 'coilBack', ...outdoorSide)), 'low-pressure-air', says('method.dry-air')),
    dry.rule(
      'dry-loose',
      'usual',
      any(
        anyAtLeast(1, 'filter', 'coilFace', 'coilBack', 'wheel', 'outlet', 'housing', ...outdoorSide),
        found('insect-nest', 'rodent-droppings', 'bent-fins'),
      ),
      'vacuum-and-brush',
      ({ has }) => [says('method.dry-loose'), ...(has('dry-vacuum') || has('wet-vacuum') ? [] : [says('method.dry-loose.vacuum-van-brushed-onto')])],
    ),
    dry.rule('dry-none', 'usual', otherwise, 'none', says('method.dry-none')),
  ],
}
