// What is a customer written? Letters go out in the customer's language; each line is a text of its own.
import { text, type Joined, type Message, type Sentence } from '../message.ts'
import type { Of, Quantity } from '../quantity.ts'

type Day = Extract<Quantity, { day: string }>
type Month = Extract<Quantity, { month: string }>
type MonthAlone = Extract<Quantity, { monthAlone: string }>

export const letters = {
  'letters.stop': 'Answer STOP and we will not write again.',

  'letters.reminder.head': text<{ firm: string; site: string }>('{firm} about the air conditioning at {site}:'),
  'letters.reminder.now': text<{ unit: string; work: Message }>('{unit} is due now for {work}.'),
  'letters.reminder.soon': text<{ unit: string; work: Message; month: Month }>('{unit} will be due about {month} for {work}.'),
  'letters.reminder.between': text<{ unit: string; work: Message; month: Month; low: Month | MonthAlone; high: Month }>(
    '{unit} will be due about {month} for {work} (between {low} and {high}).',
  ),
  'letters.reminder.covers': text<{ covers: Joined }>('It covers {covers}, due as well.'),
  'letters.reminder.last': text<{ month: Month }>('We cleaned it last in {month}.'),
  'letters.reminder.last-found': text<{ month: Month; grade: string }>(
    'We cleaned it last in {month}, when we found {grade, select, 2 {a coat on its coil} 3 {a mat on its coil} other {its coil choked}}.',
  ),
  'letters.reminder.before': text<{ month: Month | MonthAlone }>('Best before it runs every day, that is before {month}.'),
  'letters.reminder.end': 'The days come from what we found at your units, not from the calendar. Write or call, and we will find a day.',
  'letters.work.filter': 'washing its filters',
  'letters.work.fine-filter': 'its fine filter',
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
    '{letter}: {way}, {price}; it is due again about {month}.',
  ),
  'letters.quote.stand': text<{ day: Day }>('These prices stand until {day}. Where we find more on opening, we say so before we go on.'),
  'letters.quote.stand-taxed': text<{ day: Day; tax: Of<'n'> }>(
    'These prices stand until {day}, {tax} % tax included. Where we find more on opening, we say so before we go on.',
  ),
  'letters.quote.choose': 'Answer with a letter, and we will find a day.',
  'letters.quote.agree': 'Answer, and we will find a day.',

  'letters.late': text<{ firm: string; site: string; expected: string; said: string }>(
    '{firm}: the visit before yours takes longer. We expect to be at {site} at about {expected} instead of {said}. We are sorry that you have to wait; if that does not suit you, please answer.',
  ),
}
