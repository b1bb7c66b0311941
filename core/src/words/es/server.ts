// What does the server say of itself, outside any screen?
import type { server as english } from '../en/server.ts'

export const server: Record<keyof typeof english, string> = {
  'server.as-quoted': 'como se cotizó: {way}',
  'stored.byCode': 'con un código',
  'stored.own': 'la propia',
  'stored.oneSession': 'una de las propias',
  'stored.otherSessions': 'las propias menos una',
  'stored.wholeFirm': 'toda la empresa',
  'stored.someProgram': 'Algún programa',
  'stored.fromBundle': 'leído de un paquete',
  'stored.customerEnded': 'el cliente lo había terminado',
  'stored.consentGone': 'ya no hay consentimiento para esta dirección',
  'stored.waitedElsewhere': 'esperaba en la instalación de la que vino',
  'server.erased-customer': 'Cliente borrado {id}',
  'server.erased-unit': 'Unidad {number}',

  'server.calendar.handed-over': 'Entregada.',
  'server.calendar.with': 'Con {people}',
  'server.calendar.ask-for': 'Preguntar por {name}',
  'server.calendar.unit': '{unit}: {family}',
  'server.calendar.due': 'Toca: {work}, {unit} ({site})',
  'server.calendar.between': 'Entre el {low} y el {high}, según pronóstico.',
  'server.calendar.by-rule': 'Por regla.',
  'server.calendar.cleaning': 'Limpieza',
  'server.calendar.deep-clean': 'Limpieza profunda',
  'server.calendar.light-clean': 'Limpieza ligera',
  'server.calendar.pan-treatment': 'Tratamiento de la bandeja',
}
