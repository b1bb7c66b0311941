// What has to be in the van for this visit?
import type { Step } from '../procedure/index.ts'
import { equipmentName, type EquipmentKind } from '../products/index.ts'
import { round } from '../quantities/index.ts'
import { componentName } from '../units/index.ts'
import { nameOf, says, type Message, type Sentence } from '../words/index.ts'

export interface KitItem {
  item: Sentence
  quantity: number
  unit: Sentence
  why: Sentence
}

export interface KitUnit {
  readonly id: string
  readonly steps: readonly Step[]
  /** What it asks of its visit, where that is not listed by itself. */
  readonly visitSteps?: readonly Step[]
  readonly mixes: readonly { productId: string; productL: number }[]
}

const [set, piece, pair] = [says('plan.kit.set'), says('plan.kit.piece'), says('plan.kit.pair')]
/** What an item is known by: its name, as somebody gave it or as the catalogue has it. */
export const itemId = (item: Sentence): string => (typeof item === 'string' ? item : item.key)

const always: readonly KitItem[] = [
  { item: says('plan.always.gloves-goggles'), quantity: 1, unit: says('plan.always.set-person'), why: says('plan.always.fins-chemicals') },
  { item: says('plan.always.torch-screwdrivers'), quantity: 1, unit: set, why: says('plan.always.looking-over-cover-screws') },
  { item: says('plan.always.lock-tag'), quantity: 1, unit: set, why: says('plan.always.isolation') },
  { item: says('plan.always.soft-brushes-rags'), quantity: 1, unit: set, why: says('plan.always.dry-pass-wiping') },
]

/** What no step uses as equipment of the van, and is missed all the same. */
const besides: Readonly<Record<string, { item: Message; unit: Message; why: Message }>> = {
  'renew-filters': { item: says('plan.besides.renew-filters'), unit: set, why: says('plan.besides.renew-filters.filters-thrown-away-renewed') },
  'go-up': { item: says('plan.besides.go-up'), unit: set, why: says('plan.besides.go-up.edge-heel-punctures-roof') },
  'plug-opening': { item: says('plan.besides.plug-opening'), unit: set, why: says('plan.besides.plug-opening.opening-below-roof-unit') },
  'stand-upright': { item: says('plan.besides.battens'), unit: pair, why: says('plan.besides.stand-upright') },
  'secure-unit': { item: says('plan.besides.secure-unit'), unit: set, why: says('plan.besides.secure-unit.holds-unit-up-sash') },
  'cover-outlet': { item: says('plan.besides.cover-outlet'), unit: set, why: says('plan.besides.cover-outlet.sprayed-outside-comes-indoors') },
}

/** Kit of all units: products in mixed quantities, equipment by kind, renewed small parts, and what is always needed. */
export function kitFor(units: readonly KitUnit[], productName: (id: string) => string): KitItem[] {
  const kit = new Map<string, KitItem>()
  const add = (item: Sentence, quantity: number, unit: Sentence, why: Sentence, sum: boolean) => {
    const known = kit.get(itemId(item))
    kit.set(itemId(item), {
      item,
      quantity: round(known ? (sum ? known.quantity + quantity : Math.max(known.quantity, quantity)) : quantity, 3),
      unit,
      why: known?.why ?? why,
    })
  }
  for (const { steps, visitSteps = [], mixes } of units) {
    for (const { productId, productL } of mixes) add(productName(productId), productL, 'L', says('plan.kitFor.mixed-site'), true)
    for (const { id, equipment, title, fasteners, takesOff } of [...steps, ...visitSteps]) {
      if (id in besides) add(besides[id].item, 1, besides[id].unit, besides[id].why, false)
      for (const kind of equipment) add(equipmentName(kind as EquipmentKind), 1, piece, title, false)
      for (const { kind, count } of fasteners ?? [])
        if (takesOff && kind.endsWith('to renew'))
          add(nameOf('item', kind.replace(' to renew', '')), count, piece, says('plan.kitFor.renewed', { component: componentName(takesOff) }), true)
      if (takesOff) add(says('plan.kitFor.spare-screws-assorted'), 1, set, says('plan.kitFor.screw-does-hold-any'), false)
    }
  }
  const cleaned = units.some(({ steps }) => steps.length > 2)
  return [...(cleaned ? always : []), ...kit.values()]
}
