// What does the unit do by itself once people have left? It dries inside: nobody waits for a wet coil.
import { staysOff } from '../method/index.ts'
import { isSplit } from '../units/index.ts'
import type { Drafting } from './drafting.ts'
import { reckonedDryMin } from './drying.ts'
import { says, type Message } from '../words/index.ts'

export interface AfterRun {
  /** Minutes in its own draught until the film on its coil is gone, in steps of five: a timer is set to no less. */
  readonly minutes: number
  /** By its own drying programme, by its fan alone; or it is not left running, and stays wet. */
  readonly how: 'own-programme' | 'fan-alone' | 'none'
  readonly because: Message
}

const timerMin = 5

/** How a unit is left at the end of a visit; undefined where nothing in it is wet, or it must not run. */
export function afterRunOf(drafting: Pick<Drafting, 'decided' | 'facts' | 'room'>): AfterRun | undefined {
  const { decided, facts } = drafting
  if (decided.drying !== 'fan-run' || staysOff(facts)) return undefined
  const minutes = Math.ceil(reckonedDryMin('coilFace', 'unit-fan', drafting) / timerMin) * timerMin
  if (!facts.houseRules.leaveToDry) return { minutes, how: 'none', because: says('procedure.afterRun.not-left-running') }
  const how = isSplit(facts.lookOver.family) ? 'own-programme' : 'fan-alone'
  return { minutes, how, because: says('procedure.afterRun.dries-by-itself') }
}
