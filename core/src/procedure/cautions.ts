// What can hurt somebody, said at the step where it matters.
import { says } from '../words/index.ts'
export const caution = {
  electricity: says('procedure.caution.electricity-kills-isolate-lock'),
  storedCharge: says('procedure.caution.capacitors-hold-their-charge'),
  ladder: says('procedure.caution.ladder-firm-ground-three'),
  roof: says('procedure.caution.roof-ladder-tied-held'),
  battery: says('procedure.caution.battery-arcs-when-shorted'),
  lifting: says('procedure.caution.lift-level-legs-two'),
  air: says('procedure.caution.compressed-air-goggles-never'),
  fins: says('procedure.caution.fins-cut-gloves'),
  dust: says('procedure.caution.mould-dust-respirator-windows'),
  chemicals: says('procedure.caution.gloves-goggles-windows-open'),
  hotWater: says('procedure.caution.warm-water-enough-hot'),
  jet: says('procedure.caution.keep-nozzle-20-cm'),
  wasteWater: says('procedure.caution.wash-water-goes-foul'),
  wheel: says('procedure.caution.wheel-starts-takes-fingers'),
  circuit: says('procedure.caution.refrigerant-circuit-stays-closed'),
  flammable: says('procedure.caution.flammable-refrigerant-flame-sparks'),
} as const
