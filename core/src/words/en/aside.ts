// What is told beside the plan: how to shorten a day, how long things dry, whether fins stand a jet.
import { text, type Joined, type Message } from '../message.ts'
import type { Of } from '../quantity.ts'

type Drying = { minutes: Of<'min'>; hours: Of<'h'> }

export const aside = {
  'crew.one-more-person': 'one more person',
  'crew.one-more-trained': text<{ skills: Joined }>('one more person, trained for {skills}'),
  'crew.one-more': text<{ equipment: Message }>('one more {equipment}'),
  'wash.drying.nothing': 'Nothing has to dry.',
  'wash.drying.wait': text<Drying>('Dry in about {minutes}: wait for it, then power. Where anything electrical got wet, no power for {hours}.'),
  'wash.drying.fan': text<Drying>(
    'About {minutes}: a fan on it while you work elsewhere, then power. Where anything electrical got wet, no power for {hours}.',
  ),
  'wash.drying.second-visit': text<Drying>(
    'About {minutes} even with a fan: leave it open and power it on a second visit. Where anything electrical got wet, no power for {hours}.',
  ),
  'wash.jet.pencil': 'a pencil jet lays fins down wherever it goes: take a fan tip',
  'wash.jet.near': text<{ least: Of<'cm'> }>('nearer than {least}'),
  'wash.jet.hard': text<{ lands: Of<'n'>; stand: Of<'n'> }>('{lands} kPa where it lands, fins stand about {stand}'),
}
