import { text } from '../../message.ts'

export const visitScreens = {
  'screen.visit.title': 'The visit',
  'screen.visit.nothing-agreed': 'No method is agreed yet, so there are no shared steps.',
  'screen.visit.power': 'Power',
  'screen.visit.isolated': text<{ atMs: string; by: string }>('Isolated since {atMs}, {by}'),
  'screen.visit.live': 'Power on',
  'screen.visit.still-open': text<{ units: string }>('No power until every part is back: {units}'),
  'screen.visit.with': text<{ units: string }>('together with {units}'),
  'screen.visit.steps': 'Once for all units',
  'screen.visit.step': 'Step',
  'screen.visit.for': 'For',
  'screen.visit.state': 'State',
  'screen.visit.done': text<{ atMs: string; by: string }>('done {atMs}, {by}'),
  'screen.visit.left-out': text<{ because: string }>('skipped: {because}'),
  'screen.visit.can-begin': 'can start',
  'screen.visit.who': 'Who is here',
  'screen.visit.came': 'Arrived',
  'screen.visit.went': 'Left',
  'screen.visit.note': 'Note on the visit',
  'screen.visit.log': 'Record of the visit',
}
