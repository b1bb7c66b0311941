// What is told beside the plan: how to shorten a day, how long things dry, whether fins stand a jet.
import type { aside as english } from '../en/aside.ts'

export const aside: Record<keyof typeof english, string> = {
  'crew.one-more-person': 'una persona más',
  'crew.one-more-trained': 'una persona más, capacitada para {skills}',
  'crew.one-more': 'uno más: {equipment}',
  'wash.jet.pencil': 'un chorro de lápiz tumba las aletas por donde pasa: use una boquilla de abanico',
  'wash.jet.near': 'a menos de {least}',
  'wash.jet.hard': '{lands} kPa donde cae; las aletas aguantan unos {stand}',
}
