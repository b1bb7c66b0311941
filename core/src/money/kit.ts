// What has to be in the van for this visit?
import type { Step } from '../procedure/index.ts'
import { round } from '../quantities/index.ts'

export interface KitItem {
  item: string
  quantity: number
  unit: string
  why: string
}

export interface KitUnit {
  readonly id: string
  readonly steps: readonly Step[]
  readonly mixes: readonly { productId: string; productL: number }[]
}

const always: readonly KitItem[] = [
  { item: 'gloves and goggles', quantity: 1, unit: 'set a person', why: 'fins and chemicals' },
  { item: 'torch and screwdrivers', quantity: 1, unit: 'set', why: 'looking over, cover screws' },
  { item: 'lock and tag', quantity: 1, unit: 'set', why: 'isolation' },
  { item: 'soft brushes and rags', quantity: 1, unit: 'set', why: 'dry pass, wiping' },
]

/** What no step uses as equipment of the van, and is missed all the same. */
const besides: Readonly<Record<string, { item: string; unit: string; why: string }>> = {
  'renew-filters': { item: 'new filters', unit: 'set', why: 'filters that are thrown away are renewed, not washed' },
  'go-up': { item: 'roof mats and ties', unit: 'set', why: 'an edge or a heel punctures a roof' },
  'plug-opening': { item: 'opening plug, counted rags', unit: 'set', why: 'the opening below a roof unit' },
  'stand-upright': { item: 'battens', unit: 'pair', why: 'the unit stands on them while it is washed' },
  'secure-unit': { item: 'sash lock and strap', unit: 'set', why: 'what holds the unit up, and the sash' },
  'cover-outlet': { item: 'sheet and tape for the outlet', unit: 'set', why: 'nothing sprayed from outside comes indoors' },
}

/** Kit of all units: products in mixed quantities, equipment by kind, renewed small parts, and what is always needed. */
export function kitFor(units: readonly KitUnit[], productName: (id: string) => string): KitItem[] {
  const kit = new Map<string, KitItem>()
  const add = (item: string, quantity: number, unit: string, why: string, sum: boolean) => {
    const known = kit.get(item)
    kit.set(item, {
      item,
      quantity: round(known ? (sum ? known.quantity + quantity : Math.max(known.quantity, quantity)) : quantity, 3),
      unit,
      why: known?.why ?? why,
    })
  }
  for (const { steps, mixes } of units) {
    for (const { productId, productL } of mixes) add(productName(productId), productL, 'L', 'mixed on site', true)
    for (const { id, equipment, title, fasteners, takesOff } of steps) {
      if (id in besides) add(besides[id].item, 1, besides[id].unit, besides[id].why, false)
      for (const kind of equipment) add(kind.replaceAll('-', ' '), 1, 'piece', title, false)
      for (const { kind, count } of fasteners ?? [])
        if (takesOff && kind.endsWith('to renew')) add(kind.replace(' to renew', ''), count, 'piece', `renewed: ${takesOff}`, true)
      if (takesOff) add('spare screws, assorted', 1, 'set', 'a screw that does not hold any more', false)
    }
  }
  const cleaned = units.some(({ steps }) => steps.length > 2)
  return [...(cleaned ? always : []), ...kit.values()]
}
