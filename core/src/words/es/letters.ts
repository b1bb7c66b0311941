// What is a customer written? Letters go out in the customer's language; each line is a text of its own.
import type { letters as english } from '../en/letters.ts'

export const letters: Record<keyof typeof english, string> = {
  'letters.stop': 'Responda ALTO y no volveremos a escribirle.',

  'letters.reminder.head': '{firm}, sobre el aire acondicionado en {site}:',
  'letters.reminder.now': '{unit}: ya le toca {work}.',
  'letters.reminder.soon': '{unit}: hacia {month} le toca {work}.',
  'letters.reminder.between': '{unit}: hacia {month} le toca {work} (entre {low} y {high}).',
  'letters.reminder.covers': 'Con eso quedan hechos también {covers}, que ya tocan.',
  'letters.reminder.last': 'La última limpieza fue en {month}.',
  'letters.reminder.last-found':
    'La última limpieza fue en {month}; encontramos {grade, select, 2 {una capa de suciedad en su serpentín} 3 {una costra en su serpentín} other {su serpentín obstruido}}.',
  'letters.reminder.before': 'Lo mejor es antes de que funcione todos los días, es decir, antes de {month}.',
  'letters.reminder.end': 'Las fechas salen de lo que encontramos en sus unidades, no del calendario. Escríbanos o llámenos, y buscamos un día.',
  'letters.work.filter': 'el lavado de sus filtros',
  'letters.work.fine-filter': 'el filtro fino',
  'letters.work.pan-treatment': 'un nuevo tratamiento de la bandeja',
  'letters.work.light-clean': 'una limpieza ligera',
  'letters.work.deep-clean': 'una limpieza profunda',
  'letters.covers.filter': 'los filtros',
  'letters.covers.fine-filter': 'el filtro fino',
  'letters.covers.pan-treatment': 'el tratamiento de la bandeja',
  'letters.covers.light-clean': 'la limpieza ligera',
  'letters.covers.deep-clean': 'la limpieza profunda',

  'letters.quote.head': '{firm}, sobre el aire acondicionado en {site}, {units}:',
  'letters.quote.way': '{letter}: {way}, {price}.',
  'letters.quote.way-lasts': '{letter}: {way}, {price}; vuelve a tocar hacia {month}.',
  'letters.quote.stand': 'Estos precios valen hasta el {day}. Si al abrir encontramos algo más, lo decimos antes de seguir.',
  'letters.quote.stand-taxed':
    'Estos precios valen hasta el {day}, con {tax} % de impuestos incluidos. Si al abrir encontramos algo más, lo decimos antes de seguir.',
  'letters.quote.choose': 'Responda con una letra, y buscamos un día.',
  'letters.quote.agree': 'Responda, y buscamos un día.',

  'letters.late':
    '{firm}: la visita anterior a la suya se alarga. Esperamos llegar a {site} hacia las {expected} en vez de las {said}. Sentimos la espera; si no le viene bien, respóndanos.',
}
