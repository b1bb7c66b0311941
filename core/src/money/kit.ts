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
    for (const { equipment, title, fasteners, takesOff } of steps) {
      for (const kind of equipment) add(kind.replaceAll('-', ' '), 1, 'piece', title, false)
      for (const { kind, count } of fasteners ?? [])
        if (takesOff && kind.endsWith('to renew')) add(kind.replace(' to renew', ''), count, 'piece', `renewed: ${takesOff}`, true)
      if (takesOff) add('spare screws, assorted', 1, 'set', 'a screw that does not hold any more', false)
    }
  }
  const cleaned = units.some(({ steps }) => steps.length > 2)
  return [...(cleaned ? always : []), ...kit.values()]
}
