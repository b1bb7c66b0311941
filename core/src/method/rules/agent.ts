// What goes on the coil (and on a condenser), and what is taken off dry before?
import type { ProductClass } from '../../products/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { agentProduct, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  anyAtLeast,
  biofilm,
  carries,
  chosen,
  coilAtLeast,
  coilAtMost,
  found,
  follows,
  onTheBench,
  outdoorSide,
  outdoorSideReached,
  soil,
  splitUnit,
  untouched,
} from './conditions.ts'

const { rule, bar } = rulesOn('coil-agent')
type Agent = 'mild-detergent' | 'self-rinsing-foam' | 'rinse-off-foam' | 'antimicrobial-foam'

const usable = (kind: ProductClass) =>
  when(`a suitable ${kind.replaceAll('-', ' ')} in the van`, (facts) => agentProduct(facts, kind).product !== undefined)
const unsuitable = (agent: Agent) => bar(`agent-${agent}-label`, agent, not(usable(agent)), (facts) => agentProduct(facts, agent).because)
const named = (agent: Agent, why: string) => (facts: Facts) => [
  why,
  ...[agentProduct(facts, agent).product].flatMap((product) => (product ? [`${product.name}: its label allows this coil and this place`] : [])),
]

export const coilAgent: RuleSet = {
  bars: [
    unsuitable('mild-detergent'),
    unsuitable('self-rinsing-foam'),
    unsuitable('rinse-off-foam'),
    unsuitable('antimicrobial-foam'),
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
    bar(
      'agent-dry-detergent',
      'mild-detergent',
      all(chosen('rinse', 'none'), not(carries('wet-vacuum'))),
      'no wet vacuum in the van to draw it off again',
    ),
  ],
  rules: [
    rule('agent-untouched', 'safety', untouched, 'none', 'the coil is not cleaned today'),
    rule(
      'agent-dry',
      'need',
      chosen('rinse', 'none'),
      'mild-detergent',
      named('mild-detergent', 'a little mild detergent after the brush, drawn off with the wet vacuum'),
    ),
    rule(
      'agent-self-rinsing',
      'need',
      chosen('rinse', 'condensate'),
      'self-rinsing-foam',
      named('self-rinsing-foam', 'foam that the condensate carries off'),
    ),
    rule(
      'agent-biofilm',
      'need',
      all(biofilm, anyAtLeast(1, 'coilFace', 'coilBack', 'wheel', 'pan')),
      'antimicrobial-foam',
      named('antimicrobial-foam', 'slime and smell need an antimicrobial whose label allows coils'),
    ),
    rule('agent-clear', 'need', coilAtMost(0), 'none', 'the coil is clear'),
    rule(
      'agent-household',
      'school',
      follows('agentSchool', 'household'),
      'mild-detergent',
      named('mild-detergent', 'house rules: a mild detergent with a rinse is good enough'),
      'agentSchool',
    ),
    rule(
      'agent-grease',
      'need',
      soil(['grease', 'smoke'], 'coilFace', 'coilBack', 'wheel'),
      'rinse-off-foam',
      named('rinse-off-foam', 'grease needs a degreasing agent and warm water'),
    ),
    rule(
      'agent-salt-pollen',
      'need',
      all(soil(['pollen', 'salt'], 'coilFace', 'coilBack'), coilAtMost(2)),
      'water',
      'pollen and salt attack aluminium and come off with plenty of plain water',
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

const condenser = rulesOn('condenser-agent')
type OutdoorAgent = 'mild-detergent' | 'outdoor-foam' | 'alkaline-degreaser'
const outdoorUsable = (kind: OutdoorAgent) =>
  when(`a ${kind.replaceAll('-', ' ')} whose label allows this condenser`, ({ product }) => product(kind, 'outdoors').product !== undefined)
const onCondenser = (...kinds: Parameters<typeof soil>[0]) => soil(kinds, 'condenserFace', 'condenserInside')
const condenserAtLeast = (grade: number) => anyAtLeast(grade, 'condenserFace', 'condenserInside')
const namedOutdoors = (agent: OutdoorAgent, why: string) => (facts: Facts) => [
  why,
  ...[facts.product(agent, 'outdoors').product].flatMap((product) => (product ? [`${product.name}: its label allows this condenser`] : [])),
]
const washesTheCondenser = ['water', 'mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const

export const condenserAgent: RuleSet = {
  bars: [
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-unreached`, agent, not(outdoorSideReached), 'the condenser is not reached on this job'),
    ),
    ...washesTheCondenser.map((agent) =>
      condenser.bar(`condenser-${agent}-needs-rinse`, agent, chosen('rinse', 'none', 'condensate'), 'nothing is rinsed on this job'),
    ),
    ...(['mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const).map((agent) =>
      condenser.bar(`condenser-${agent}-label`, agent, not(outdoorUsable(agent)), ({ product }) => product(agent, 'outdoors').because),
    ),
  ],
  rules: [
    condenser.rule('condenser-elsewhere', 'safety', splitUnit, 'none', 'the condenser of a split is outdoors and not part of this job'),
    condenser.rule('condenser-untouched', 'safety', untouched, 'none', 'the unit is not opened that far'),
    condenser.rule(
      'condenser-unreached',
      'safety',
      not(outdoorSideReached),
      'none',
      'the condenser is reached from outside only, and the unit stays in above the ground',
    ),
    condenser.rule('condenser-clear', 'need', not(condenserAtLeast(1)), 'none', 'the condenser is clear'),
    condenser.rule(
      'condenser-dry',
      'need',
      chosen('rinse', 'none', 'condensate'),
      'none',
      'nothing is rinsed on this job: the condenser is vacuumed and brushed along its fins',
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
      all(onCondenser('salt', 'pollen'), not(condenserAtLeast(3))),
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

const dry = rulesOn('dry-pass')
export const dryPass: RuleSet = {
  bars: [
    dry.bar('dry-no-vacuum', 'vacuum-and-brush', not(any(carries('dry-vacuum'), carries('wet-vacuum'))), 'no vacuum in the van'),
    dry.bar('dry-air-indoors', 'low-pressure-air', not(onTheBench), 'where people live an air jet blows the dirt into the room, and it bends fins'),
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
      any(anyAtLeast(1, 'filter', 'coilFace', 'coilBack', 'wheel', 'outlet', 'housing', ...outdoorSide), found('insect-nest')),
      'vacuum-and-brush',
      'loose soil goes dry first, brushed only along the fins',
    ),
    dry.rule('dry-none', 'usual', otherwise, 'none', 'no loose soil'),
  ],
}
