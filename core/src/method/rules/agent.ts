// What goes on the coil (and on a condenser), and what is taken off dry before?
import type { ProductClass } from '../../products/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import type { Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import { anyAtLeast, biofilm, carries, chosen, coilAtLeast, coilAtMost, found, follows, soil, untouched } from './conditions.ts'

const { rule, bar } = rulesOn('coil-agent')
type Agent = 'mild-detergent' | 'self-rinsing-foam' | 'rinse-off-foam' | 'antimicrobial-foam'

const usable = (kind: ProductClass) =>
  when(`a suitable ${kind.replaceAll('-', ' ')} in the van`, ({ product }) => product(kind).product !== undefined)
const unsuitable = (agent: Agent) => bar(`agent-${agent}-label`, agent, not(usable(agent)), ({ product }) => product(agent).because)
const named = (agent: Agent, why: string) => (facts: Facts) => [
  why,
  ...(facts.product(agent).product ? [`${facts.product(agent).product?.name}: its label allows this coil and this place`] : []),
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
const noCondenser = when(
  'a split unit, its condenser outdoors',
  ({ lookOver }) => lookOver.family === 'wall-head' || lookOver.family === 'ceiling-cassette',
)
export const condenserAgent: RuleSet = {
  bars: (['water', 'mild-detergent', 'outdoor-foam', 'alkaline-degreaser'] as const).map((agent) =>
    condenser.bar(`condenser-${agent}-split`, agent, noCondenser, 'there is no condenser in this head'),
  ),
  rules: [condenser.rule('condenser-elsewhere', 'usual', otherwise, 'none', 'the condenser of a split is outdoors and not part of this job')],
}

const dry = rulesOn('dry-pass')
export const dryPass: RuleSet = {
  bars: [
    dry.bar('dry-no-vacuum', 'vacuum-and-brush', not(any(carries('dry-vacuum'), carries('wet-vacuum'))), 'no vacuum in the van'),
    dry.bar('dry-air-indoors', 'low-pressure-air', chosen('location', 'in-place'), 'an air jet blows the dirt into the room and bends fins'),
  ],
  rules: [
    dry.rule('dry-untouched', 'safety', chosen('scope', 'decline'), 'none', 'nothing is opened'),
    dry.rule('dry-powder', 'need', soil(['fine-powder']), 'vacuum-and-brush', 'fine powder is vacuumed completely dry first: wet, it turns to paste'),
    dry.rule(
      'dry-loose',
      'usual',
      any(anyAtLeast(1, 'filter', 'coilFace', 'coilBack', 'wheel', 'outlet', 'housing'), found('insect-nest')),
      'vacuum-and-brush',
      'loose soil goes dry first, brushed only along the fins',
    ),
    dry.rule('dry-none', 'usual', otherwise, 'none', 'no loose soil'),
  ],
}
