// What makes a unit due so soon?
import { text, type Joined } from '../message.ts'
import type { Of } from '../quantity.ts'

export const upkeep = {
  'upkeep.notCleanYet.clean-yet-come-back': 'not clean: come back',
  'upkeep.notCleanYet.because': text<{ left: Joined }>('not clean: come back ({left})'),
  'upkeep.notCleanYet.overdue': text<{ since: Of<'weeks'> }>('not clean: come back (not looked at; last cleaned {since} ago)'),
  'upkeep.whyFast.soils-about-times-fast': text<{ around: Joined; times: Of<'n'> }>(
    '{around}: it gets dirty about {times} times as fast as in a clean home',
  ),
  'upkeep.whyFast.hours-day': text<{ hours: Of<'h'> }>('{hours} a day'),
}
