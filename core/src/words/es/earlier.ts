// Texts that nothing says any more, and that logs of earlier versions hold: they read as before.

export const earlier = {
  'method.rinse-clear-coil.coil-looked-rinsed-off': 'el serpentín no se revisó: en este plan no se enjuaga nada de él',
  'procedure.apply-coil.title': 'Rocíe el producto en capa fina sobre el serpentín, cara por cara',
  'procedure.apply-coil.title.put-agent-coil-bottom': 'Aplique el producto al serpentín de abajo hacia arriba, cada cara que se alcance',
  'procedure.apply-condenser.title': 'Aplique el producto al condensador de abajo hacia arriba, con el serpentín interior cubierto',
  'procedure.apply-degreaser.title': 'Aplique el desengrasante al serpentín de abajo hacia arriba, cada cara que se alcance',
  'procedure.caution.capacitors-hold-their-charge': 'Los capacitores guardan carga: espere, y compruebe otra vez la ausencia de tensión.',
  'procedure.caution.fins-cut-gloves': 'Las aletas cortan: guantes puestos.',
  'procedure.combSteps.comb-fins-soil-had': 'Peine las aletas que la suciedad escondía',
  'procedure.pour.flow-test-pour-one-2': 'Prueba de flujo: vierta un litro en la línea de drenaje detrás de la bomba y tome el tiempo',
  'units.cover.cautions': 'La corriente está cortada y se comprobó la ausencia de tensión antes de separar un conector.',
  'units.cover.cautions.power-off-proved-dead': 'La corriente está cortada y se comprobó la ausencia de tensión antes de mover la cubierta.',
  'units.sheetMetal.sheet-metal-edges-cut': 'Los bordes de lámina cortan: guantes puestos.',
  'units.edges.edge-shroud-cuts-roof':
    'El borde de la cubierta exterior corta una membrana de techo: póngala plana sobre un tapete, atada, y nunca la arrastre.',
  'units.wind.wind-takes-loose-shroud': 'El viento se lleva una cubierta suelta: átela antes de sacar el último tornillo.',
  'units.shroud.cautions': 'Busque insectos y nidos antes de meter la mano.',
  'procedure.dry-parts.wait': 'que sequen las piezas ante un ventilador',
  'procedure.run-fan.title': 'Haga funcionar solo el ventilador hasta que el serpentín esté seco',
  'procedure.run-fan.wait': 'que el serpentín seque con su propio aire',
  'method.whyNot.possible-but-comes-before': 'posible, pero antes está: {choice}',
  'plan.customerText.reached-clean': 'Sin acceso, o todavía sin limpiar: {parts}.',
  'plan.customerText.next': 'Próxima cita: {due}.',
}
