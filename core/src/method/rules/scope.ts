// How far does one go into the unit, and where is it cleaned?
import { inWords, type Finding } from '../../lookover/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import type { Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  anyAtLeast,
  atLeast,
  complains,
  drainIs,
  follows,
  found,
  panComesOff,
  panComplaint,
  quickAccess,
  trainedFor,
  wheelComesOut,
  wheelComplaint,
} from './conditions.ts'

const { rule, bar } = rulesOn('scope')

const stops: readonly Finding[] = [
  'scorched-plug',
  'wet-electronics',
  'unsecured-unit',
  'no-safe-access',
  'suspect-asbestos-ceiling',
  'rodent-droppings',
  'insect-nest',
]
const whatStops = ({ lookOver }: Facts) =>
  lookOver.findings
    .filter((finding) => stops.includes(finding))
    .map((finding) => `${inWords(finding)} was found: nothing is opened until that is put right`)

const wheelCalls = any(atLeast('wheel', 3), wheelComplaint)
const panCalls = any(atLeast('pan', 3), panComplaint)
const wheelMayComeOut = all(wheelComesOut, trainedFor('wheel-removal'), follows('wheelSchool', 'remove'))
/** Up to grade 2 a quick-access outlet spares the strip-down that the wheel would ask for. */
const brushIsEnough = all(quickAccess, not(atLeast('wheel', 3)))

const drivers = ({ lookOver }: Facts): string[] => {
  const graded = (part: 'coilBack' | 'wheel' | 'pan') => lookOver.grades[part]?.grade ?? 0
  return [
    ...(graded('coilBack') >= 3 ? [`the back of the coil is at grade ${graded('coilBack')}, and only with pan or wheel out does one reach it`] : []),
    ...(graded('wheel') >= 3 ? [`the wheel is at grade ${graded('wheel')}: its blades are filling up`] : []),
    ...(graded('pan') >= 3 ? [`the pan is at grade ${graded('pan')}`] : []),
    ...(lookOver.complaints.includes('smell') && (graded('wheel') >= 2 || graded('pan') >= 2)
      ? ['the smell comes from what sits on wheel or pan; a clean coil front does not cure it']
      : []),
    ...(lookOver.complaints.includes('spits-dirt') && graded('wheel') >= 2 ? ['the wheel throws what it has collected'] : []),
  ]
}

export const scope: RuleSet = {
  bars: [
    bar('scope-strip-fixed', 'strip-down', not(any(wheelMayComeOut, panComesOff)), ({ design }) => [
      ...(design.panRemovable ? ['the electronics box blocks the pan and does not come off'] : ['the pan of this design does not come off']),
      ...(design.wheelRemovable
        ? ['the wheel stays in: nobody here is trained to take it out, the coil may not be lifted, or house rules wash it in place']
        : ['the wheel of this design does not come out']),
    ]),
    bar(
      'scope-bench-hung',
      'bench-clean',
      when('a split unit', ({ lookOver }) => lookOver.family === 'wall-head' || lookOver.family === 'ceiling-cassette'),
      'it hangs on refrigerant pipes and cannot be carried out',
    ),
  ],
  rules: [
    rule('scope-decline', 'safety', found(...stops), 'decline', whatStops),
    rule(
      'scope-strip',
      'need',
      any(
        all(wheelCalls, wheelMayComeOut, not(brushIsEnough)),
        all(panCalls, panComesOff),
        all(atLeast('coilBack', 3), any(panComesOff, wheelMayComeOut)),
      ),
      'strip-down',
      drivers,
    ),
    rule('scope-open-instead', 'need', any(wheelCalls, panCalls, atLeast('coilBack', 3)), 'open-clean', (facts) => [
      ...drivers(facts),
      'the part that calls for it stays in on this job, so it is washed where it sits',
    ]),
    rule(
      'scope-open',
      'need',
      any(atLeast('coilFace', 2), atLeast('wheel', 2)),
      'open-clean',
      ({ lookOver }) =>
        `behind the cover the ${(lookOver.grades.coilFace?.grade ?? 0) >= 2 ? 'coil is coated' : 'wheel carries a ridge of dirt'}: it is opened to reach it`,
    ),
    rule(
      'scope-open-drain',
      'need',
      any(anyAtLeast(2, 'coilBack', 'pan', 'drainLine'), drainIs('slow', 'failed'), complains('drips-indoors')),
      'open-clean',
      'water, slime or soil sits behind the cover: it comes off to reach it',
    ),
    rule(
      'scope-closed',
      'need',
      anyAtLeast(1, 'coilFace', 'coilBack', 'wheel', 'pan', 'drainLine'),
      'clean-in-place',
      'there is only a film: it is reached with filter and front panel open',
    ),
    rule(
      'scope-closed-smell',
      'need',
      complains('smell', 'spits-dirt'),
      'clean-in-place',
      'there is a complaint, but next to no soil was seen: clean lightly and look again',
    ),
    rule('scope-filter', 'usual', otherwise, 'filter-service', 'only filter, housing or outlet carry soil'),
  ],
}

const location = rulesOn('location')
export const place: RuleSet = {
  bars: [
    location.bar(
      'location-hung',
      'outdoors',
      when('a split unit', ({ lookOver }) => lookOver.family === 'wall-head' || lookOver.family === 'ceiling-cassette'),
      'it hangs on refrigerant pipes',
    ),
  ],
  rules: [location.rule('location-in-place', 'usual', otherwise, 'in-place', 'it is cleaned where it hangs')],
}
