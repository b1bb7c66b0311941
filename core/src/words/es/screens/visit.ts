import type { visitScreens as english } from '../../en/screens/visit.ts'

export const visitScreens: Readonly<Record<keyof typeof english, string>> = {
  'screen.visit.title': 'La visita',
  'screen.visit.nothing-agreed': 'Aún no hay método acordado, así que no hay pasos compartidos.',
  'screen.visit.power': 'Corriente',
  'screen.visit.isolated': 'Cortada desde las {atMs}, {by}',
  'screen.visit.live': 'Con corriente',
  'screen.visit.still-open': 'Sin corriente hasta que estén todas las piezas: {units}',
  'screen.visit.with': 'junto con {units}',
  'screen.visit.steps': 'Una vez para todas las unidades',
  'screen.visit.step': 'Paso',
  'screen.visit.for': 'Para',
  'screen.visit.state': 'Estado',
  'screen.visit.done': 'hecho {atMs}, {by}',
  'screen.visit.left-out': 'omitido: {because}',
  'screen.visit.can-begin': 'se puede empezar',
  'screen.visit.who': 'Quién está aquí',
  'screen.visit.came': 'Llegó',
  'screen.visit.went': 'Se fue',
  'screen.visit.note': 'Nota de la visita',
  'screen.visit.log': 'Registro de la visita',
}
