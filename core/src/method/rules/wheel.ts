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
  trainedFor,
  untouched,
  waterToHand,
  wheelComesOut,
  wheelComesOutHere,
  wheelComplaint,
} from './conditions.ts'
import { whyWheelStays } from './scope.ts'

const { rule, bar } = rulesOn('wheel')
/** What washes the wheel where it sits: the pump, where there is a tap and something catches it; else by hand. */
const somethingSprays = when('something in the van that sprays', (facts) => facts.has('pump-wand') || handSprayerOf(facts) !== undefined)
/** Stripped down, and the wheel is all that comes out. */
const reachCalls = all(chosen('scope', 'strip-down'), not(panComesOffHere), wheelComesOutHere)

export const wheel: RuleSet = {
  bars: [
    bar('wheel-fixed', 'remove-and-wash', not(wheelComesOut), (facts) => whyWheelStays(facts) ?? 'the wheel stays in'),
    bar('wheel-untrained', 'remove-and-wash', not(trainedFor('wheel-removal')), 'nobody in the crew is trained to take a wheel out'),
    bar('wheel-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), 'the unit is not stripped down on this job'),
    bar('wheel-in-wall', 'wash-in-place', inItsWall, 'the wheel sits behind the cabinet, and that comes off only on the bench'),
    bar('wheel-in-wall-brush', 'brush-through-outlet', inItsWall, 'the wheel sits behind the cabinet, and that comes off only on the bench'),
    bar(
      'wheel-out-of-reach',
      'wash-in-place',
      all(
        roofUnit,
        when('a wheel that is out of reach', ({ design }) => !design.wheelReachable),
      ),
      ({ isNoted }) =>
        isNoted('wheelReachable')
          ? 'the wheel of this roof unit is reached only by pulling its motor'
          : 'it was not noted whether the wheel is reached without pulling the motor',
    ),
    bar('wheel-no-catch', 'wash-in-place', any(all(not(muchWashable), not(roofUnit)), equipmentRoom), ({ site }) =>
      site.setting === 'equipment-room'
        ? 'no wash water in an equipment room'
        : 'neither bag nor funnelled sheet in the van catches what the wheel throws',
    ),
    bar(
      'wheel-no-water',
      'wash-in-place',
      not(all(waterToHand, somethingSprays)),
      'neither tap nor carried water, or nothing in the van that sprays it',
    ),
    bar('wheel-dry-job', 'wash-in-place', all(chosen('rinse', 'none'), follows('rinseSchool', 'dry')), 'house rules keep this job dry'),
    bar(
      'wheel-closed',
      'wash-in-place',
      all(chosen('scope', 'clean-in-place'), atLeast('wheel', 2)),
      'the cover stays on: only a film is reached through the outlet',
    ),
    bar('wheel-no-slot', 'brush-through-outlet', not(quickAccess), ({ isNoted }) =>
      isNoted('quickAccessOutlet') ? 'the wheel is not reached through the outlet' : 'it was not noted that the wheel is reached through the outlet',
    ),
    bar('wheel-cracked-wash', 'wash-in-place', cracked, 'a cracked wheel is not washed and run again'),
    bar('wheel-cracked-remove', 'remove-and-wash', cracked, 'a cracked wheel is neither washed nor refitted'),
    bar('wheel-cracked-brush', 'brush-through-outlet', cracked, 'a cracked wheel is not cleaned and run again'),
    ...(['leave', 'brush-through-outlet', 'wash-in-place'] as const).map((choice) =>
      bar(`wheel-${choice}-stripped`, choice, reachCalls, 'the unit is stripped down for what is reached once the wheel is out: it comes out'),
    ),
  ],
  rules: [
    rule('wheel-untouched', 'safety', untouched, 'leave', 'the unit is not opened that far'),
    rule('wheel-cracked', 'safety', cracked, 'leave', 'the wheel is cracked: it is neither washed nor run again, a new one is ordered'),
    rule(
      'wheel-in-the-way',
      'need',
      reachCalls,
      'remove-and-wash',
      'it comes out so that the back of the coil is reached, and is washed while it is out',
    ),
    rule('wheel-clear', 'need', not(atLeast('wheel', 1)), 'leave', clearOrUnseen('wheel', 'the wheel is clear')),
    rule(
      'wheel-brush',
      'need',
      all(quickAccess, not(atLeast('wheel', 3))),
      'brush-through-outlet',
      'with the louvres off, the wheel is brushed through the outlet; up to grade 2 that is enough',
    ),
    rule(
      'wheel-in-place-school',
      'school',
      follows('wheelSchool', 'in-place'),
      'wash-in-place',
      'house rules: the wheel is washed where it sits, blade by blade',
      'wheelSchool',
    ),
    rule(
      'wheel-remove',
      'need',
      all(any(atLeast('wheel', 3), wheelComplaint), follows('wheelSchool', 'remove')),
      'remove-and-wash',
      ({ lookOver }) => [
        ...(gradeOf(lookOver, 'wheel') >= 3
          ? ['blades this full only come clean on both sides outside the unit']
          : ['smell or thrown dirt comes from the wheel']),
        'it comes out here, and somebody in the crew is trained for it',
      ],
      'wheelSchool',
    ),
    rule(
      'wheel-in-place',
      'usual',
      otherwise,
      'wash-in-place',
      'the wheel is held still with a soft stop, sprayed along its blades, turned, and again',
    ),
    rule('wheel-dry-brush', 'usual', quickAccess, 'brush-through-outlet', 'the wheel is brushed dry through the outlet'),
    rule(
      'wheel-out-instead',
      'usual',
      all(atLeast('wheel', 2), wheelComesOutHere),
      'remove-and-wash',
      'it cannot be cleaned where it sits on this job, and the unit is stripped down: it comes out and is washed outside',
    ),
    rule(
      'wheel-left',
      'usual',
      otherwise,
      'leave',
      'neither comes out nor can be washed where it sits on this job: it stays as it is, and the report says so',
    ),
  ],
}
