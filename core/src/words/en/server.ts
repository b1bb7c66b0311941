// What does the server say of itself, outside any screen?
import { text, type Joined, type Message, type Sentence } from '../message.ts'
import type { Quantity } from '../quantity.ts'

type Day = Extract<Quantity, { day: string }>

export const server = {
  'server.as-quoted': text<{ way: Sentence }>('as quoted: {way}'),
  'stored.byCode': 'by a code',
  'stored.own': 'their own',
  'stored.oneSession': 'one of their own',
  'stored.otherSessions': 'their own but one',
  'stored.wholeFirm': 'the whole firm',
  'stored.someProgram': 'Some program',
  'stored.fromBundle': 'read from a bundle',
  'stored.customerEnded': 'the customer had ended it',
  'stored.consentGone': 'the consent for this address is gone',
  'stored.waitedElsewhere': 'it waited in the instance that it came from',
  'server.erased-customer': text<{ id: string }>('Erased customer {id}'),
  'server.erased-unit': text<{ number: number }>('Unit {number}'),

  // Calendars that other programs read.
  'server.calendar.handed-over': 'Handed over.',
  'server.calendar.with': text<{ people: Joined }>('With {people}'),
  'server.calendar.ask-for': text<{ name: string }>('Ask for {name}'),
  'server.calendar.unit': text<{ unit: string; family: Message }>('{unit}: {family}'),
  'server.calendar.due': text<{ work: Message; unit: string; site: string }>('Due: {work}, {unit} ({site})'),
  'server.calendar.between': text<{ low: Day; high: Day }>('Between {low} and {high}, by forecast.'),
  'server.calendar.by-rule': 'By rule.',
  'server.calendar.cleaning': 'Cleaning',
  'server.calendar.deep-clean': 'Deep clean',
  'server.calendar.light-clean': 'Light clean',
  'server.calendar.pan-treatment': 'Pan treatment',
}
