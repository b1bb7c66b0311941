// Texts that nothing says any more, and that logs of earlier versions hold: they read as before.

export const earlier = {
  'method.rinse-clear-coil.coil-looked-rinsed-off': 'the coil was not looked at: nothing is rinsed off it on this plan',
  'procedure.apply-coil.title': 'Mist the agent thinly on the coil, face by face',
  'procedure.apply-coil.title.put-agent-coil-bottom': 'Put the agent on the coil from the bottom up, every face that is reached',
  'procedure.apply-condenser.title': 'Put the agent on the condenser from the bottom up, the indoor coil covered',
  'procedure.apply-degreaser.title': 'Put the degreasing agent on the coil from the bottom up, every face that is reached',
  'procedure.caution.capacitors-hold-their-charge': 'Capacitors hold their charge: wait, and prove dead again.',
  'procedure.caution.fins-cut-gloves': 'Fins cut: gloves on.',
  'procedure.combSteps.comb-fins-soil-had': 'Comb the fins that the soil had hidden',
  'procedure.pour.flow-test-pour-one-2': 'Flow test: pour one litre into the drain line behind the lift pump and time it',
  'units.cover.cautions': 'Power is off and proved dead before a plug is parted.',
  'units.cover.cautions.power-off-proved-dead': 'Power is off and proved dead before the cover moves.',
  'units.sheetMetal.sheet-metal-edges-cut': 'Sheet metal edges cut: gloves on.',
  'units.edges.edge-shroud-cuts-roof': 'The edge of the shroud cuts a roof membrane: lay it flat on a mat, tied, and never drag it.',
  'units.wind.wind-takes-loose-shroud': 'Wind takes a loose shroud: tie it before the last screw is out.',
  'units.shroud.cautions': 'Look for insects and nests before reaching in.',
  'procedure.dry-parts.wait': 'parts to dry before a fan',
  'procedure.run-fan.title': 'Run the fan alone until the coil is dry',
  'procedure.run-fan.wait': 'the coil to dry in its own draught',
  'method.whyNot.possible-but-comes-before': 'possible, but {choice} comes before it',
}
