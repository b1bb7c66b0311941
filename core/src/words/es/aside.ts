// What is told beside the plan: how to shorten a day, how long things dry, whether fins stand a jet.
import type { aside as english } from '../en/aside.ts'

export const aside: Record<keyof typeof english, string> = {
  'crew.one-more-person': 'una persona más',
  'crew.one-more-trained': 'una persona más, capacitada para {skills}',
  'crew.one-more': 'uno más: {equipment}',
  'wash.drying.nothing': 'No hay nada que secar.',
  'wash.drying.wait': 'Seco en unos {minutes}: espere, y luego conecte. Si se mojó algo eléctrico, sin corriente durante {hours}.',
  'wash.drying.fan':
    'Unos {minutes}: un ventilador encima mientras trabaja en otra parte, y luego conecte. Si se mojó algo eléctrico, sin corriente durante {hours}.',
  'wash.drying.second-visit':
    'Unos {minutes} incluso con ventilador: déjelo abierto y conéctelo en una segunda visita. Si se mojó algo eléctrico, sin corriente durante {hours}.',
  'wash.jet.pencil': 'un chorro de lápiz tumba las aletas por donde pasa: use una boquilla de abanico',
  'wash.jet.near': 'a menos de {least}',
  'wash.jet.hard': '{lands} kPa donde cae; las aletas aguantan unos {stand}',
}
