// What is a customer written? Letters go out in the customer's language; each line is a text of its own.
import type { letters as english } from '../en/letters.ts'

export const letters: Record<keyof typeof english, string> = {
  'letters.stop': 'Responda ALTO y no volveremos a escribirle.',

  'letters.reminder.head': '{firm}, sobre el aire acondicionado en {site}:',
  'letters.reminder.now': '{unit}: ya le toca {work}.',
  'letters.reminder.soon': '{unit}: hacia {month} le toca {work}.',
  'letters.reminder.between': '{unit}: hacia {month} (entre {low} y {high}) le toca {work}.',
  'letters.reminder.covers': 'Eso incluye {covers}, que también toca.',
  'letters.reminder.last': 'La última limpieza fue en {month}.',
  'letters.reminder.last-found':
    'La última limpieza fue en {month}; encontramos {grade, select, 2 {una capa de suciedad en el serpentín} 3 {mucha suciedad en el serpentín} other {el serpentín obstruido}}.',
  'letters.reminder.before': 'Lo mejor es hacerlo antes de que funcione todos los días, es decir, antes de {month}.',
  'letters.reminder.end': 'Calculamos estas fechas a partir de lo que encontramos en sus unidades. Escríbanos o llámenos y acordamos un día.',
  'letters.work.filter': 'el lavado de sus filtros',
  'letters.work.fine-filter': 'el cambio del filtro fino',
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
  'letters.quote.stand': 'Estos precios valen hasta el {day}. Si al abrir encontramos algo más, le preguntamos antes de seguir.',
  'letters.quote.stand-taxed':
    'Estos precios valen hasta el {day} e incluyen {tax} % de impuestos. Si al abrir encontramos algo más, le preguntamos antes de seguir.',
  'letters.quote.choose': 'Responda con una letra y acordamos un día.',
  'letters.quote.agree': 'Responda y acordamos un día.',
  'letters.late':
    '{firm}: la visita anterior a la suya se alarga. Llegaremos a {site} hacia las {expected} en vez de las {said}. Disculpe la espera; si no le viene bien, respóndanos.',
}
