// What can hurt somebody, said at the step where it matters.
export const caution = {
  electricity: 'Electricity kills: isolate, lock or tag, prove dead. Local codes and the maker’s manual come first; wiring is for an electrician.',
  storedCharge: 'Capacitors hold their charge: wait, and prove dead again.',
  ladder: 'Ladder on firm ground, three points of contact, nobody below.',
  roof: 'Roof: ladder tied or held, dry boots, no step on vents or edges, nobody alone; heat and sun count too.',
  battery: 'A battery arcs when it is shorted: rings off, insulated spanner, negative lead first off and last on.',
  lifting: 'Lift level and with the legs; two carry what one may not.',
  air: 'Compressed air: goggles, never towards a person, never a pencil jet, along the fins and a hand’s length off.',
  fins: 'Fins cut: gloves on.',
  dust: 'Mould and dust: respirator on, windows open, sensitive people out of the room.',
  chemicals: 'Gloves and goggles, windows open; never mix agents.',
  hotWater: 'Warm water is enough; hot water scalds and lifts coatings.',
  jet: 'Keep the nozzle 20 cm off, along the fins, never across; the first burst of a pump is the hardest: aim it into the containment.',
  wasteWater: 'Wash water goes to a foul drain, never to a storm drain or a flower bed.',
  wheel: 'A wheel that starts takes fingers: hands and tools out before power.',
  circuit: 'The refrigerant circuit stays closed: opening, charging and leak work is for licensed people.',
  flammable: 'Flammable refrigerant: no flame, no sparks, air the room; a smell of gas or oil stops the job.',
} as const
