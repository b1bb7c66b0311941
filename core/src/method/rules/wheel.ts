// What is done with the blower wheel?
import { gradeOf } from '../../lookover/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { handSprayerOf } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  atLeast,
  chosen,
  clearOrUnseen,
  cracked,
  equipmentRoom,
  follows,
  inItsWall,
  muchWashable,
  panComesOffHere,
  quickAccess,
  roofUnit,
  soil,
  trainedFor,
  untouched,
  waterToHand,
  wheelComesOut,
  wheelComesOutHere,
  wheelComplaint,
  wheelIsWired,
} from './conditions.ts'
import { whoIsMissing, whyWheelStays } from './scope.ts'
import { says } from '../../words/index.ts'

const { rule, bar } = rulesOn('wheel')
/** What washes the wheel where it sits: the pump, where there is a tap and something catches it; else by hand. */
const somethingSprays = when(says('when.something-van-sprays'), (facts) => facts.has('pump-wand') || handSprayerOf(facts) !== undefined)
/** Stripped down, and the wheel is all that comes out. */
const reachCalls = all(chosen('scope', 'strip-down'), not(panComesOffHere), wheelComesOutHere)
/** A film of loose dust: brushed where a brush gets to it, else left. */
const film = all(not(atLeast('wheel', 2)), not(soil(['biofilm', 'grease', 'smoke'], 'wheel')))

export const wheel: RuleSet = {
  bars: [
    bar('wheel-fixed', 'remove-and-wash', not(wheelComesOut), (facts) => whyWheelStays(facts) ?? says('method.wheel-fixed')),
    bar('wheel-untrained', 'remove-and-wash', not(trainedFor('wheel-removal')), (facts) =>
      whoIsMissing(facts, 'wheel-removal', says('method.whyWheelStays.crew-trained-take-wheel')),
    ),
    bar('wheel-no-meter', 'remove-and-wash', wheelIsWired, says('method.wheel-no-meter')),
    bar('wheel-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), says('method.wheel-not-stripped')),
    bar('wheel-in-wall', 'wash-in-place', inItsWall, says('method.wheel-in-wall')),
    bar('wheel-in-wall-brush', 'brush-through-outlet', inItsWall, says('method.wheel-in-wall')),
    bar(
      'wheel-out-of-reach',
      'wash-in-place',
      all(
        roofUnit,
        when(says('when.wheel-out-reach'), ({ design }) => !design.wheelReachable),
      ),
      ({ isNoted }) =>
        isNoted('wheelReachable') ? says('method.wheel-out-of-reach') : says('method.wheel-out-of-reach.noted-whether-wheel-reached'),
    ),
    bar('wheel-no-catch', 'wash-in-place', any(all(not(muchWashable), not(roofUnit)), equipmentRoom), ({ site }) =>
      site.setting === 'equipment-room' ? says('method.wheel-no-catch') : says('method.wheel-no-catch.neither-bag-nor-funnelled'),
    ),
    bar('wheel-no-water', 'wash-in-place', not(all(waterToHand, somethingSprays)), says('method.wheel-no-water')),
    bar('wheel-dry-job', 'wash-in-place', all(chosen('rinse', 'none'), follows('rinseSchool', 'dry')), says('method.wheel-dry-job')),
    bar('wheel-closed', 'wash-in-place', chosen('scope', 'clean-in-place'), says('method.wheel-closed')),
    bar('wheel-no-slot', 'brush-through-outlet', not(quickAccess), ({ isNoted }) =>
      isNoted('quickAccessOutlet') ? says('method.wheel-no-slot') : says('method.wheel-no-slot.noted-wheel-reached-through'),
    ),
    bar('wheel-cracked-wash', 'wash-in-place', cracked, says('method.wheel-cracked-wash')),
    bar('wheel-cracked-remove', 'remove-and-wash', cracked, says('method.wheel-cracked-remove')),
    bar('wheel-cracked-brush', 'brush-through-outlet', cracked, says('method.wheel-cracked-brush')),
    ...(['leave', 'brush-through-outlet', 'wash-in-place'] as const).map((choice) =>
      bar(`wheel-${choice}-stripped`, choice, reachCalls, says('method.wheel-stripped')),
    ),
  ],
  rules: [
    rule('wheel-untouched', 'safety', untouched, 'leave', says('method.condenser-untouched')),
    rule('wheel-cracked', 'safety', cracked, 'leave', says('method.wheel-cracked')),
    rule('wheel-in-the-way', 'need', reachCalls, 'remove-and-wash', says('method.wheel-in-the-way')),
    rule('wheel-clear', 'need', not(atLeast('wheel', 1)), 'leave', clearOrUnseen(['wheel'], says('method.wheel-clear'))),
    rule('wheel-brush', 'need', all(quickAccess, not(atLeast('wheel', 3))), 'brush-through-outlet', says('method.wheel-brush')),
    rule('wheel-film', 'need', film, 'leave', says('method.wheel-film')),
    rule('wheel-in-place-school', 'school', follows('wheelSchool', 'in-place'), 'wash-in-place', says('method.wheel-in-place-school'), 'wheelSchool'),
    rule(
      'wheel-remove',
      'need',
      all(any(atLeast('wheel', 3), wheelComplaint), follows('wheelSchool', 'remove')),
      'remove-and-wash',
      ({ lookOver }) => [
        ...(gradeOf(lookOver, 'wheel') >= 3 ? [says('method.wheel-remove')] : [says('method.wheel-remove.smell-thrown-dirt-comes')]),
        says('method.wheel-remove.comes-out-here-somebody'),
      ],
      'wheelSchool',
    ),
    rule('wheel-in-place', 'usual', otherwise, 'wash-in-place', says('method.wheel-in-place')),
    rule('wheel-dry-brush', 'usual', quickAccess, 'brush-through-outlet', says('method.wheel-dry-brush')),
    rule('wheel-out-instead', 'usual', all(atLeast('wheel', 2), wheelComesOutHere), 'remove-and-wash', says('method.wheel-out-instead')),
    rule('wheel-left', 'usual', otherwise, 'leave', says('method.wheel-left')),
  ],
}
