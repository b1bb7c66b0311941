// Which components come off to reach some, and in what order?
import type { Component } from './component.ts'
import type { KnownDesign } from './defaults.ts'
import type { Family } from './family.ts'
import { ceilingCassetteComponents } from './graphs/ceilingCassette.ts'
import { rvRooftopComponents } from './graphs/rvRooftop.ts'
import { throughWallComponents } from './graphs/throughWall.ts'
import { wallHeadComponents } from './graphs/wallHead.ts'
import { windowComponents } from './graphs/windowUnit.ts'

/** Everything that can come off a unit of each family, outermost first. */
export const graphs: Record<Family, readonly Component[]> = {
  'wall-head': wallHeadComponents,
  'ceiling-cassette': ceilingCassetteComponents,
  window: windowComponents,
  'through-wall': throughWallComponents,
  'rv-rooftop': rvRooftopComponents,
}

/** Components that a unit of this family and design has, outermost first. */
export const componentsOf = (family: Family, design: KnownDesign): Component[] => graphs[family].filter((component) => component.fitted(design))

/**
 * Everything that must come off so that `wanted` comes off, in a workable order: whatever sits in front first.
 * `staysOn` names components that never block here (they are in front only of what they cover, not of what is wanted).
 */
export function stripOrder(components: readonly Component[], wanted: readonly string[], staysOn: readonly string[] = []): Component[] {
  const byId = new Map(components.map((component) => [component.id, component]))
  const order: Component[] = []
  const visit = (id: string) => {
    const component = byId.get(id)
    if (!component || order.includes(component)) return
    for (const front of component.behind) if (!staysOn.includes(front)) visit(front)
    order.push(component)
  }
  for (const id of wanted) visit(id)
  return order
}
