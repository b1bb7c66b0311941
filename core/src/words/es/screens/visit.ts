import type { visitScreens as english } from '../../en/screens/visit.ts'

export const visitScreens: Readonly<Record<keyof typeof english, string>> = {
  'screen.visit.title': 'La visita',
  'screen.visit.nothing-agreed': 'Aún no se ha acordado ningún método, así que la visita no tiene pasos.',
  'screen.visit.power': 'Corriente',
  'screen.visit.isolated': 'Aislado desde las {atMs}, {by}',
  'screen.visit.live': 'Con corriente',
  'screen.visit.still-open': 'Sin corriente hasta que estén contados: {units}',
  'screen.visit.with': 'junto con {units}',
  'screen.visit.steps': 'Una vez para todos los equipos',
  'screen.visit.step': 'Paso',
  'screen.visit.for': 'Para',
  'screen.visit.state': 'Estado',
  'screen.visit.done': 'hecho {atMs}, {by}',
  'screen.visit.left-out': 'saltado: {because}',
  'screen.visit.can-begin': 'se puede empezar',
  'screen.visit.who': 'Quién está aquí',
  'screen.visit.came': 'Llegó',
  'screen.visit.went': 'Se fue',
  'screen.visit.note': 'Nota de la visita',
  'screen.visit.log': 'Qué pasó en la visita',
}
