// How far does one go into the unit, and where is it cleaned?
import { inWords, type Finding } from '../../lookover/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { leastRain, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  anyAtLeast,
  atLeast,
  carriedUnit,
  chosen,
  complains,
  drainIs,
  follows,
  found,
  insideParts,
  panComesOff,
  panComplaint,
  quickAccess,
  roofUnit,
  splitUnit,
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

/** Anything that would take somebody onto the roof. */
const roofWork = all(roofUnit, any(anyAtLeast(1, ...insideParts), complains('smell', 'spits-dirt')))
const roofWeather = ({ site, houseRules }: Facts): string[] => {
  const { windMs = 0, rainMmH = 0 } = site.outdoorAir ?? {}
  return [
    ...(windMs > houseRules.roofWindLimitMs ? [`wind of ${windMs} m/s, and nobody goes on a roof above ${houseRules.roofWindLimitMs} m/s`] : []),
    ...(rainMmH >= leastRain.value ? [`rain of ${rainMmH} mm/h: the roof is wet, and the unit stands open to the sky`] : []),
  ]
}
const badForRoofs = when('wind above the roof limit, or rain', (facts) => roofWeather(facts).length > 0)
/** A one-box unit is cleaned on the bench as soon as anything inside calls for more than a wipe. */
const benchCalls = all(carriedUnit, anyAtLeast(2, ...insideParts))
const canBeCarried = when('the unit can be carried out by this crew', ({ carriers }) => carriers !== undefined)
const wiredIn = when('wired in without a plug', ({ design }) => design.hardWired)

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
    bar('scope-strip-in-wall', 'strip-down', carriedUnit, 'a one-box unit is taken apart on the bench, once it is out'),
    bar('scope-bench-hung', 'bench-clean', splitUnit, 'it hangs on refrigerant pipes and cannot be carried out'),
    bar('scope-bench-roof', 'bench-clean', roofUnit, 'it is bolted to the roof over its opening'),
    bar('scope-bench-carried', 'bench-clean', all(carriedUnit, not(canBeCarried)), ({ design, liftKg, houseRules }) =>
      design.removable
        ? `${design.weightKg} kg: more than ${liftKg.length > 1 ? 'two of this crew carry' : 'one person carries'} at ${houseRules.liftLimitKg} kg each`
        : 'it cannot be taken out safely',
    ),
    bar(
      'scope-bench-wired',
      'bench-clean',
      all(carriedUnit, wiredIn, not(trainedFor('electrics'))),
      'it is wired in without a plug, and nobody in the crew is trained to part it: an electrician first',
    ),
    bar('scope-closed-roof', 'clean-in-place', roofUnit, 'nothing of it is reached without lifting shroud and lid'),
  ],
  rules: [
    rule('scope-decline', 'safety', found(...stops), 'decline', whatStops),
    rule('scope-weather', 'safety', all(roofWork, badForRoofs), 'decline', (facts) => [...roofWeather(facts), 'another day for the roof']),
    rule('scope-bench', 'need', benchCalls, 'bench-clean', 'what sits inside is reached on the bench: both coils, the wheel and the base pan'),
    rule(
      'scope-bench-stays',
      'need',
      benchCalls,
      'open-clean',
      'it calls for the bench but stays where it is: opened and cleaned in place, as far as one reaches',
    ),
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
    rule('scope-roof', 'need', roofWork, 'open-clean', 'on a roof even a film is reached only with shroud and lid off'),
    rule(
      'scope-closed',
      'need',
      anyAtLeast(1, ...insideParts),
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
    location.bar('location-hung', 'outdoors', splitUnit, 'it hangs on refrigerant pipes'),
    location.bar('location-stays', 'outdoors', not(chosen('scope', 'bench-clean')), 'it is not taken out on this job'),
    location.bar('location-bench-only', 'in-place', chosen('scope', 'bench-clean'), 'on the bench means outdoors, where water may run'),
  ],
  rules: [
    location.rule(
      'location-bench',
      'need',
      chosen('scope', 'bench-clean'),
      'outdoors',
      'carried out, it is washed where water may run and dirt may fly',
    ),
    location.rule('location-in-place', 'usual', otherwise, 'in-place', 'it is cleaned where it is'),
  ],
}
