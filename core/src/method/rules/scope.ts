// How far does one go into the unit, and where is it cleaned?
import { drainState, gradeOf, hasKind, inWords, isGraded, isMuch, type Finding } from '../../lookover/index.ts'
import { isCarried, partNames, partsOf, wheelComesOut as comesOut, type Part } from '../../units/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { iceC, isTrained, leastRain, liftsOf, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  anyAtLeast,
  atLeast,
  carriedUnit,
  carries,
  chosen,
  complains,
  drainIs,
  found,
  insideParts,
  panComesOffHere,
  panComplaint,
  quickAccess,
  roofUnit,
  soil,
  splitUnit,
  trainedFor,
  wheelComesOutHere,
  wheelComplaint,
} from './conditions.ts'

const { rule, bar } = rulesOn('scope')

/** Findings that end the work before it begins. */
const stops: readonly Finding[] = ['scorched-plug', 'wet-electronics', 'unsecured-unit', 'no-safe-access', 'suspect-asbestos-ceiling']
/** Findings that end it only alive or in quantity; where nobody noted which, it is asked first. */
const stopsInQuantity = ['rodent-droppings', 'insect-nest'] as const
const isStopped = ({ lookOver }: Facts, finding: (typeof stopsInQuantity)[number]) => isMuch(lookOver, finding) ?? true
const muchFound = when('a live nest, droppings in quantity, or either without a word on how much', (facts) =>
  stopsInQuantity.some((finding) => isStopped(facts, finding)),
)
const whatStops = (facts: Facts) => [
  ...facts.lookOver.findings
    .filter((finding) => stops.includes(finding))
    .map((finding) => `${inWords(finding)} was found: nothing is opened until that is put right`),
  ...stopsInQuantity
    .filter((finding) => isStopped(facts, finding))
    .map((finding) =>
      isMuch(facts.lookOver, finding) === undefined
        ? `${inWords(finding)} was found, and nobody noted whether it is alive or much: look and note which; old and few, it can be cleaned`
        : finding === 'insect-nest'
          ? 'a live nest was found: nobody reaches in until it is gone'
          : 'droppings in quantity were found: to be cleared by people equipped for it first',
    ),
]

/** Anything that would take somebody onto the roof. */
const roofWork = all(
  roofUnit,
  any(
    anyAtLeast(1, ...insideParts),
    complains('smell', 'spits-dirt', 'drips-indoors'),
    drainIs('slow', 'failed'),
    found('bent-fins', 'insect-nest', 'rodent-droppings'),
  ),
)
const roofWeather = ({ site, houseRules }: Facts): string[] => {
  const { windMs = 0, rainMmH = 0, dryBulbC = Infinity } = site.outdoorAir ?? {}
  return [
    ...(windMs > houseRules.roofWindLimitMs ? [`wind of ${windMs} m/s, and nobody goes on a roof above ${houseRules.roofWindLimitMs} m/s`] : []),
    ...(rainMmH >= leastRain.value ? [`rain of ${rainMmH} mm/h: the roof is wet, and the unit stands open to the sky`] : []),
    ...(dryBulbC <= iceC.value ? [`${dryBulbC} °C outdoors: at ${iceC.value} °C and below a roof may be iced`] : []),
  ]
}
const badForRoofs = when('wind above the roof limit, rain, or ice', (facts) => roofWeather(facts).length > 0)
const nobodyForRoofs = not(trainedFor('roof'))
const noRoofBecause = (facts: Facts): string[] => [
  ...roofWeather(facts),
  ...(isTrained(facts, 'roof') ? [] : ['nobody who is coming is trained for roofs, and nobody else goes up']),
]
/** A one-box unit is cleaned on the bench as soon as anything inside calls for more than a wipe. */
const benchCalls = all(carriedUnit, anyAtLeast(2, ...insideParts))
const canBeCarried = when('the unit can be carried out by this crew', ({ carriers }) => carriers !== undefined)
const wiredIn = when('wired in without a plug', ({ design }) => design.hardWired)

const wheelCalls = any(atLeast('wheel', 3), wheelComplaint)
const panCalls = any(atLeast('pan', 3), panComplaint)
/** Up to grade 2 a quick-access outlet spares the strip-down that the wheel would ask for. */
const brushIsEnough = all(quickAccess, not(atLeast('wheel', 3)))

const drivers = ({ lookOver }: Facts): string[] => {
  const graded = (part: 'coilBack' | 'wheel' | 'pan') => gradeOf(lookOver, part)
  const complaint = (word: 'smell' | 'spits-dirt') => lookOver.complaints.includes(word)
  return [
    ...(graded('coilBack') >= 3 ? [`the back of the coil is at grade ${graded('coilBack')}, and only with pan or wheel out does one reach it`] : []),
    ...(graded('wheel') >= 3 ? [`the wheel is at grade ${graded('wheel')}: its blades are filling up`] : []),
    ...(graded('pan') >= 3 ? [`the pan is at grade ${graded('pan')}`] : []),
    ...(complaint('smell') && (graded('wheel') >= 2 || graded('pan') >= 2)
      ? ['the smell comes from what sits on wheel or pan; a clean coil front does not cure it']
      : []),
    ...(complaint('spits-dirt') && graded('wheel') >= 2 ? ['the wheel throws what it has collected'] : []),
    ...(complaint('spits-dirt') && graded('pan') >= 2 ? ['what lies in the pan is carried out with the air'] : []),
  ]
}

/** What keeps the wheel in on this job, as far as anybody noted it. */
export function whyWheelStays(facts: Facts): string | undefined {
  const { lookOver, design, houseRules, isNoted } = facts
  if (lookOver.findings.includes('cracked-wheel')) return 'the wheel is cracked: it is neither washed nor refitted, but replaced'
  if (!design.wheelRemovable)
    return isNoted('wheelRemovable') ? 'it is noted that the wheel stays in' : 'it was not noted whether the wheel comes out'
  if (!comesOut(lookOver.family, design)) return 'the coil may not be lifted, so the wheel does not come past it'
  if (!isTrained(facts, 'wheel-removal')) return 'nobody in the crew is trained to take a wheel out'
  return houseRules.wheelSchool === 'in-place' ? 'house rules wash the wheel where it sits' : undefined
}

/** What keeps the pan on on this job, as far as anybody noted it. */
export function whyPanStays(facts: Facts): string | undefined {
  const { design, isNoted, has } = facts
  if (!design.panRemovable) return isNoted('panRemovable') ? 'it is noted that the pan stays on' : 'it was not noted whether the pan comes off'
  if (!design.boardBlocksPan) return undefined
  if (!design.boardRemovable)
    return `the electronics box is in front of the pan, and ${isNoted('boardRemovable') ? 'it is noted that it stays on' : 'it was not noted whether it comes off'}`
  if (!isTrained(facts, 'electrics')) return 'the electronics box is in front of the pan, and nobody in the crew is trained to take it off'
  return has('meter') ? undefined : 'the electronics box is in front of the pan, and without a meter nobody opens electrics'
}
const whatStays = (facts: Facts): string[] => [whyWheelStays(facts), whyPanStays(facts)].flatMap((because) => because ?? [])

/** Why nobody carries the unit out, with the figures. */
export function whyNotCarried(facts: Facts): string {
  const { design, isNoted } = facts
  if (!design.removable)
    return isNoted('removable') ? 'it is noted that it cannot be taken out safely' : 'it was not noted whether it comes out safely'
  const lifts = liftsOf(facts).slice(0, 2)
  return lifts.length === 1
    ? `${design.weightKg} kg: more than the ${lifts[0]} kg that one person may lift here`
    : `${design.weightKg} kg: two carry it only where each may lift ${design.weightKg / 2} kg; here it is ${lifts.join(' and ')} kg`
}

/** Behind the cover: what calls for opening it although the coil's front does not. */
const behindCover = ({ lookOver }: Facts): string[] => {
  const parts = (['coilBack', 'pan', 'drainLine'] as const).filter((part) => gradeOf(lookOver, part) >= 2)
  const slime = partsOf[lookOver.family].filter((part) => hasKind(lookOver, 'biofilm', part) && !parts.some((other) => other === part))
  const drain = drainState(lookOver)
  return [
    ...parts.map((part) => `${partNames[part]} at grade ${gradeOf(lookOver, part)} sits behind the cover`),
    ...(slime.length > 0 ? [`slime on ${slime.map((part) => partNames[part]).join(', ')}: it is opened to reach where water stands`] : []),
    ...(drain === 'good'
      ? []
      : [
          drain === 'failed' ? 'the drain does not run: it is reached with the cover off' : 'the drain runs slowly: it is reached with the cover off',
        ]),
    ...(lookOver.complaints.includes('drips-indoors') ? ['it drips indoors: pan and drain are looked at with the cover off'] : []),
    ...(lookOver.findings.includes('bent-fins') ? ['bent fins are combed with the cover off'] : []),
  ]
}

const seen = (...parts: readonly Part[]) => when('something was looked at', ({ lookOver }) => parts.some((part) => isGraded(lookOver, part)))

export const scope: RuleSet = {
  bars: [
    bar('scope-strip-fixed', 'strip-down', not(any(wheelComesOutHere, panComesOffHere)), whatStays),
    bar('scope-strip-in-wall', 'strip-down', carriedUnit, 'a one-box unit is taken apart on the bench, once it is out'),
    bar('scope-bench-hung', 'bench-clean', splitUnit, 'it hangs on refrigerant pipes and cannot be carried out'),
    bar('scope-bench-roof', 'bench-clean', roofUnit, 'it is bolted to the roof over its opening'),
    bar('scope-bench-carried', 'bench-clean', all(carriedUnit, not(canBeCarried)), whyNotCarried),
    bar('scope-bench-wired', 'bench-clean', all(carriedUnit, wiredIn, not(all(trainedFor('electrics'), carries('meter')))), ({ has }) =>
      has('meter')
        ? 'it is wired in without a plug, and nobody in the crew is trained to part it: an electrician first'
        : 'it is wired in without a plug, and without a meter nobody proves it dead: an electrician first',
    ),
    bar('scope-closed-roof', 'clean-in-place', roofUnit, 'nothing of it is reached without lifting shroud and lid'),
    bar('scope-open-no-roof', 'open-clean', all(roofUnit, any(badForRoofs, nobodyForRoofs)), noRoofBecause),
    bar('scope-strip-no-roof', 'strip-down', all(roofUnit, any(badForRoofs, nobodyForRoofs)), noRoofBecause),
  ],
  rules: [
    rule('scope-decline', 'safety', any(found(...stops), muchFound), 'decline', whatStops),
    rule('scope-weather', 'safety', all(roofWork, badForRoofs), 'filter-service', (facts) => [
      ...noRoofBecause(facts),
      'nobody goes up today: the filter in the ceiling grille is done, the rest waits for another day',
    ]),
    rule('scope-untrained-roof', 'safety', all(roofWork, nobodyForRoofs), 'filter-service', (facts) => [
      ...noRoofBecause(facts),
      'the filter in the ceiling grille is done, the rest waits for another day or another crew',
    ]),
    rule('scope-bench', 'need', benchCalls, 'bench-clean', 'what sits inside is reached on the bench: both coils, the wheel and the base pan'),
    rule('scope-bench-stays', 'need', benchCalls, 'open-clean', (facts) => [
      `it calls for the bench, but ${facts.carriers === undefined ? whyNotCarried(facts) : 'it is wired in without a plug'}`,
      'opened and cleaned in place, as far as one reaches',
    ]),
    rule(
      'scope-strip',
      'need',
      any(
        all(wheelCalls, wheelComesOutHere, not(brushIsEnough)),
        all(panCalls, panComesOffHere),
        all(atLeast('coilBack', 3), any(panComesOffHere, wheelComesOutHere)),
      ),
      'strip-down',
      drivers,
    ),
    rule('scope-open-instead', 'need', any(wheelCalls, panCalls, atLeast('coilBack', 3)), 'open-clean', (facts) => [
      ...drivers(facts),
      ...whatStays(facts).map((because) => `not taken apart: ${because}`),
    ]),
    rule('scope-open', 'need', any(atLeast('coilFace', 2), atLeast('wheel', 2)), 'open-clean', ({ lookOver }) => [
      ...(gradeOf(lookOver, 'coilFace') >= 2 ? ['behind the cover the coil is coated: it is opened to reach it'] : []),
      ...(gradeOf(lookOver, 'wheel') >= 2 ? ['the wheel carries a ridge of dirt: the unit is opened to reach it'] : []),
    ]),
    rule(
      'scope-open-drain',
      'need',
      any(
        anyAtLeast(2, 'coilBack', 'pan', 'drainLine'),
        drainIs('slow', 'failed'),
        complains('drips-indoors'),
        soil(['biofilm']),
        found('bent-fins'),
      ),
      'open-clean',
      behindCover,
    ),
    rule('scope-roof', 'need', roofWork, 'open-clean', 'on a roof even a film is reached only with shroud and lid off'),
    rule(
      'scope-closed',
      'need',
      anyAtLeast(1, ...insideParts),
      'clean-in-place',
      'there is only a film: it is reached with filter and front panel open',
    ),
    rule('scope-closed-smell', 'need', complains('smell', 'spits-dirt'), 'clean-in-place', ({ lookOver }) =>
      insideParts.some((part) => isGraded(lookOver, part))
        ? 'there is a complaint, and no soil was seen that explains it: cleaned lightly, and looked at further (drain trap, outside air, room)'
        : 'there is a complaint, and nothing inside was looked at yet: looked at first, cleaned lightly',
    ),
    rule('scope-filter', 'usual', all(seen(...insideParts)), 'filter-service', 'nothing inside calls for more: filters, housing and outlet'),
    rule('scope-unseen', 'usual', otherwise, 'filter-service', 'behind the filter nothing was looked at: no more than the filters is planned yet'),
  ],
}

const location = rulesOn('location')
export const place: RuleSet = {
  bars: [
    location.bar('location-hung', 'outdoors', splitUnit, 'it hangs on refrigerant pipes'),
    location.bar('location-stays', 'outdoors', not(chosen('scope', 'bench-clean')), ({ lookOver }) =>
      isCarried(lookOver.family) ? 'it is not taken out on this job' : 'it stays where it is fixed',
    ),
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
