// What is told beside the plan: how to shorten a day, how long things dry, whether fins stand a jet.
import { text, type Joined, type Message } from '../message.ts'
import type { Of } from '../quantity.ts'

export const aside = {
  'crew.one-more-person': 'one more person',
  'crew.one-more-trained': text<{ skills: Joined }>('one more person, trained for {skills}'),
  'crew.one-more': text<{ equipment: Message }>('one more {equipment}'),
  'wash.jet.pencil': 'a pencil jet lays fins down wherever it goes: take a fan tip',
  'wash.jet.near': text<{ least: Of<'cm'> }>('nearer than {least}'),
  'wash.jet.hard': text<{ lands: Of<'n'>; stand: Of<'n'> }>('{lands} kPa where it lands, fins stand about {stand}'),
}
