// All rules and bars, by topic.
import type { RuleSet } from '../rule.ts'
import type { Topic } from '../topics.ts'
import { coilAgent, condenserAgent, condenserRinse, dryPass, wheelAgent } from './agent.ts'
import { rinse } from './rinse.ts'
import { place, scope } from './scope.ts'
import { containment, drain, drying, electrics, pan, panTreatment } from './water.ts'
import { wheel } from './wheel.ts'

export const ruleBook: Record<Topic, RuleSet> = {
  scope,
  location: place,
  'dry-pass': dryPass,
  'coil-agent': coilAgent,
  'wheel-agent': wheelAgent,
  'condenser-agent': condenserAgent,
  rinse,
  'condenser-rinse': condenserRinse,
  containment,
  electrics,
  wheel,
  pan,
  drain,
  'pan-treatment': panTreatment,
  drying,
}
