// What is done with the blower wheel?
import { all, any, not, otherwise, when } from '../condition.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  atLeast,
  chosen,
  equipmentRoom,
  follows,
  found,
  inItsWall,
  quickAccess,
  roofUnit,
  trainedFor,
  untouched,
  washable,
  wheelComesOut,
  wheelComplaint,
} from './conditions.ts'

const { rule, bar } = rulesOn('wheel')

export const wheel: RuleSet = {
  bars: [
    bar('wheel-fixed', 'remove-and-wash', not(wheelComesOut), ({ design }) =>
      design.wheelRemovable ? 'the coil may not be lifted, so the wheel does not come past it' : 'the wheel of this design does not come out',
    ),
    bar('wheel-untrained', 'remove-and-wash', not(trainedFor('wheel-removal')), 'nobody in the crew is trained to take a wheel out'),
    bar('wheel-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), 'the unit is not stripped down on this job'),
    bar('wheel-in-wall', 'wash-in-place', inItsWall, 'the wheel sits behind the cabinet, and that comes off only on the bench'),
    bar(
      'wheel-out-of-reach',
      'wash-in-place',
      all(
        roofUnit,
        when('a wheel that is out of reach', ({ design }) => !design.wheelReachable),
      ),
      'the wheel of this roof unit is reached only by pulling its motor',
    ),
    bar('wheel-no-catch', 'wash-in-place', any(not(washable), equipmentRoom), 'wash water from the wheel cannot be caught here'),
    bar('wheel-dry-job', 'wash-in-place', chosen('rinse', 'none'), 'no wash water on this job'),
    bar(
      'wheel-closed',
      'wash-in-place',
      all(chosen('scope', 'clean-in-place'), atLeast('wheel', 2)),
      'the cover stays on: only a film is reached through the outlet',
    ),
    bar('wheel-no-slot', 'brush-through-outlet', not(quickAccess), 'the wheel is not reached through the outlet'),
    bar('wheel-cracked-wash', 'wash-in-place', found('cracked-wheel'), 'a cracked wheel is not washed and run again'),
  ],
  rules: [
    rule('wheel-untouched', 'safety', untouched, 'leave', 'the unit is not opened that far'),
    rule(
      'wheel-cracked',
      'safety',
      all(found('cracked-wheel'), not(wheelComesOut)),
      'leave',
      'the wheel is cracked: it is not run again but replaced',
    ),
    rule('wheel-clear', 'need', not(atLeast('wheel', 1)), 'leave', 'the wheel is clear'),
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
        ...((lookOver.grades.wheel?.grade ?? 0) >= 3
          ? ['blades this full only come clean on both sides outside the unit']
          : ['smell or thrown dirt comes from the wheel']),
        'the design lets it come out, and somebody here is trained for it',
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
    rule('wheel-dry-brush', 'usual', otherwise, 'brush-through-outlet', 'the wheel is brushed dry through the outlet'),
    rule('wheel-left', 'usual', otherwise, 'leave', 'the wheel cannot be reached without wash water: it stays as it is, and the report says so'),
  ],
}
