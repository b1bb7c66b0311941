// What is a customer written? Letters go out in the customer's language; each line is a text of its own.
import { text, type Joined, type Message, type Sentence } from '../message.ts'
import type { Of, Quantity } from '../quantity.ts'

type Day = Extract<Quantity, { day: string }>
type Month = Extract<Quantity, { month: string }>
type MonthAlone = Extract<Quantity, { monthAlone: string }>

export const letters = {
  'letters.stop': 'Answer STOP and we will not write again.',

  'letters.reminder.head': text<{ firm: string; site: string }>('{firm} about the air conditioning at {site}:'),
  'letters.reminder.now': text<{ unit: string; work: Message }>('{unit} is due now: {work}.'),
  'letters.reminder.soon': text<{ unit: string; work: Message; month: Month }>('{unit} is due in about {month}: {work}.'),
  'letters.reminder.between': text<{ unit: string; work: Message; month: Month; low: Month | MonthAlone; high: Month }>(
    '{unit} is due in about {month} (between {low} and {high}): {work}.',
  ),
  'letters.reminder.covers': text<{ covers: Joined }>('That includes {covers}, also due.'),
  'letters.reminder.last': text<{ month: Month }>('We last cleaned it in {month}.'),
  'letters.reminder.last-found': text<{ month: Month; grade: string }>(
    'We last cleaned it in {month} and found {grade, select, 2 {a layer of dirt on its coil} 3 {thick dirt on its coil} other {its coil blocked}}.',
  ),
  'letters.reminder.before': text<{ month: Month | MonthAlone }>('It is best done before the unit runs every day, so before {month}.'),
  'letters.reminder.end': 'We work these dates out from what we found at your units. Write or call, and we will arrange a day.',
  'letters.work.filter': 'its filters washed',
  'letters.work.fine-filter': 'its fine filter changed',
  'letters.work.pan-treatment': 'a new pan treatment',
  'letters.work.light-clean': 'a light clean',
  'letters.work.deep-clean': 'a deep clean',
  'letters.covers.filter': 'its filters',
  'letters.covers.fine-filter': 'the fine filter',
  'letters.covers.pan-treatment': 'a new pan treatment',
  'letters.covers.light-clean': 'the light clean',
  'letters.covers.deep-clean': 'the deep clean',

  'letters.quote.head': text<{ firm: string; site: string; units: Joined }>('{firm} about the air conditioning at {site}, {units}:'),
  'letters.quote.way': text<{ letter: string; way: Sentence; price: Of<'money'> }>('{letter}: {way}, {price}.'),
  'letters.quote.way-lasts': text<{ letter: string; way: Sentence; price: Of<'money'>; month: Month }>(
    '{letter}: {way}, {price}; due again in about {month}.',
  ),
  'letters.quote.stand': text<{ day: Day }>('These prices are valid until {day}. If we find more when we open the unit, we ask you before we go on.'),
  'letters.quote.stand-taxed': text<{ day: Day; tax: Of<'n'> }>(
    'These prices are valid until {day} and include {tax} % tax. If we find more when we open the unit, we ask you before we go on.',
  ),
  'letters.quote.choose': 'Answer with a letter, and we will arrange a day.',
  'letters.quote.agree': 'Answer, and we will arrange a day.',
  'letters.late': text<{ firm: string; site: string; expected: string; said: string }>(
    '{firm}: the visit before yours is taking longer. We expect to reach {site} at about {expected} instead of {said}. Sorry for the wait; if that does not suit you, please answer.',
  ),
}
