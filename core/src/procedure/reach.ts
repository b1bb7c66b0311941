// What has to come off for these decisions?
import type { Choice, Facts, Topic } from '../method/index.ts'
import { componentsOf, stripOrder, type Component, type Family } from '../units/index.ts'

/** What is taken off to open a unit, and what more to strip it down (on the bench, where it is a one-box unit). */
const reach: Record<Family, { open: readonly string[]; strip: readonly string[] }> = {
  'wall-head': { open: ['cover'], strip: ['coil-thermistor'] },
  'ceiling-cassette': { open: ['drain-plug', 'cover', 'bell-mouth'], strip: ['coil-thermistor'] },
  window: { open: ['front'], strip: ['chassis', 'cover'] },
  'through-wall': { open: ['front'], strip: ['chassis', 'cover'] },
  'rv-rooftop': { open: ['cover', 'ice-probe'], strip: [] },
}

/** Components that come off, in the order of stripping. */
export function whatComesOff({ lookOver, design }: Facts, decided: Partial<Record<Topic, Choice>>): Component[] {
  const { scope, wheel, electrics } = decided
  if (scope === 'decline') return []
  const { open, strip } = reach[lookOver.family]
  const apart = scope === 'strip-down' || scope === 'bench-clean'
  const wanted = [
    'filters',
    'fine-filter',
    ...(apart || scope === 'open-clean' ? open : []),
    ...(apart ? strip : []),
    ...(electrics === 'unplug-and-remove' ? ['board-box'] : []),
    ...(decided.pan === 'remove-and-wash' ? ['pan'] : []),
    ...(wheel === 'remove-and-wash' ? ['wheel'] : []),
    ...(apart && wheel === 'wash-in-place' ? ['air-guide'] : []),
    ...(wheel === 'brush-through-outlet' ? ['louvres'] : []),
  ]
  const staysOn = electrics === 'unplug-and-remove' ? [] : ['board-box']
  return stripOrder(componentsOf(lookOver.family, design), wanted, scope === 'clean-in-place' ? ['cover'] : staysOn)
}
