// What has to come off for these decisions?
import type { Choice, Facts, Topic } from '../method/index.ts'
import { componentsOf, openings, stripOrder, type Component } from '../units/index.ts'

/** Whether hands go to the pan: in a closed head they go through its outlet, where the design lets them. */
const seesToPan = (decided: Partial<Record<Topic, Choice>>): boolean =>
  decided.pan === 'wipe' ||
  decided.pan === 'flush-in-place' ||
  decided.drain === 'flush' ||
  decided.drain === 'disconnect-and-flush' ||
  decided['pan-treatment'] === 'slow-release'

/** Components that come off, in the order of stripping. */
export function whatComesOff({ lookOver, design, has }: Facts, decided: Partial<Record<Topic, Choice>>): Component[] {
  const { scope, wheel, electrics } = decided
  if (scope === 'decline') return []
  const { open, strip } = openings[lookOver.family]
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
    ...(wheel === 'brush-through-outlet' || seesToPan(decided) ? ['louvres'] : []),
  ]
  const staysOn = electrics === 'unplug-and-remove' ? [] : ['board-box']
  // A filter that is missing is not taken out; whoever left it out left the way to the coil open.
  const missing = lookOver.findings.includes('missing-filter')
  const off = stripOrder(componentsOf(lookOver.family, design), wanted, scope === 'clean-in-place' ? ['cover'] : staysOn).filter(
    ({ id }) => !(missing && id === 'filters'),
  )
  return has('meter') ? off : off.map((component) => ({ ...component, ...component.onItsLeads }))
}
