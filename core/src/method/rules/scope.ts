// How far does one go into the unit, and where is it cleaned?
import { drainState, gradeOf, hasKind, isGraded, isMuch, named, type Finding } from '../../lookover/index.ts'
import { isCarried, isOnRoof, isSplit, partName, partsOf, wheelComesOut as comesOut, type Part } from '../../units/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { iceC, isTrained, leastRain, liftsOf, whyNotSlid, type Facts } from '../facts.ts'
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
import { says, type Message } from '../../words/index.ts'

const { rule, bar } = rulesOn('scope')

/** Findings that end the work before it begins. */
const stops: readonly Finding[] = ['scorched-plug', 'wet-electronics', 'unsecured-unit', 'no-safe-access', 'suspect-asbestos-ceiling']
/** Findings that end it only alive or in quantity; where nobody noted which, it is asked first. */
const stopsInQuantity = ['rodent-droppings', 'insect-nest'] as const
const isStopped = ({ lookOver }: Facts, finding: (typeof stopsInQuantity)[number]) => isMuch(lookOver, finding) ?? true
const muchFound = when(says('when.live-nest-droppings-quantity'), (facts) => stopsInQuantity.some((finding) => isStopped(facts, finding)))
const whatStops = (facts: Facts) => [
  ...facts.lookOver.findings
    .filter((finding) => stops.includes(finding))
    .map((finding) => says('method.whatStops.found-opened-until-put', { finding: named(finding) })),
  ...stopsInQuantity
    .filter((finding) => isStopped(facts, finding))
    .map((finding) =>
      isMuch(facts.lookOver, finding) === undefined
        ? says('method.whatStops.found-noted-whether-alive', { finding: named(finding) })
        : finding === 'insect-nest'
          ? says('method.whatStops.live-nest-found-reaches')
          : says('method.whatStops.droppings-quantity-found-cleared'),
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
/** What of the weather keeps everybody off a roof. */
export const roofWeather = ({ site, houseRules }: Facts): Message[] => {
  const { windMs = 0, rainMmH = 0, dryBulbC = Infinity } = site.outdoorAir ?? {}
  return [
    ...(windMs > houseRules.roofWindLimitMs
      ? [says('method.roofWeather.wind-goes-roof-above', { windMs: { Ms: windMs }, roofWindLimitMs: { Ms: houseRules.roofWindLimitMs } })]
      : []),
    ...(rainMmH >= leastRain.value ? [says('method.roofWeather.rain-roof-wet-unit', { rainMmH: { MmH: rainMmH } })] : []),
    ...(dryBulbC <= iceC.value ? [says('method.roofWeather.outdoors-below-roof-may', { dryBulbC: { C: dryBulbC }, iceC: { C: iceC.value } })] : []),
  ]
}
const badForRoofs = when(says('when.wind-above-roof-limit'), (facts) => roofWeather(facts).length > 0)
const nobodyForRoofs = not(trainedFor('roof'))
const noRoofBecause = (facts: Facts): Message[] => [
  ...roofWeather(facts),
  ...(isTrained(facts, 'roof') ? [] : [says('method.noRoofBecause.coming-trained-roofs-else')]),
]
/** A film, at least, on something inside; a film in the way out of a one-box unit without a drain of its own is none. */
const somethingInside = any(
  anyAtLeast(1, ...insideParts.filter((part) => part !== 'drainLine')),
  all(splitUnit, atLeast('drainLine', 1)),
  atLeast('drainLine', 2),
)
/** A one-box unit is cleaned on the bench as soon as anything inside calls for more than a wipe. */
const benchCalls = all(carriedUnit, anyAtLeast(2, ...insideParts))
const canBeCarried = when(says('when.unit-can-carried-out'), ({ carriers }) => carriers !== undefined)
const canBeSlid = when(says('when.unit-can-slid-out'), ({ sliders }) => sliders !== undefined)
const canBeTakenOut = any(canBeCarried, canBeSlid)
const wiredIn = when(says('when.wired-without-plug'), ({ design }) => design.hardWired)

const wheelCalls = any(atLeast('wheel', 3), wheelComplaint)
const panCalls = any(atLeast('pan', 3), panComplaint)
/** Up to grade 2 a quick-access outlet spares the strip-down that the wheel would ask for. */
const brushIsEnough = all(quickAccess, not(atLeast('wheel', 3)))

const drivers = ({ lookOver }: Facts): Message[] => {
  const graded = (part: 'coilBack' | 'wheel' | 'pan') => gradeOf(lookOver, part)
  const complaint = (word: 'smell' | 'spits-dirt') => lookOver.complaints.includes(word)
  return [
    ...(graded('coilBack') >= 3 ? [says('method.drivers.back-coil-grade-pan', { grade: graded('coilBack') })] : []),
    ...(graded('wheel') >= 3 ? [says('method.drivers.wheel-grade-blades-filling', { grade: graded('wheel') })] : []),
    ...(graded('pan') >= 3 ? [says('method.drivers.pan-grade', { grade: graded('pan') })] : []),
    ...(complaint('smell') && (graded('wheel') >= 2 || graded('pan') >= 2) ? [says('method.drivers.smell-comes-sits-wheel')] : []),
    ...(complaint('spits-dirt') && graded('wheel') >= 2 ? [says('method.drivers.wheel-throws-collected')] : []),
    ...(complaint('spits-dirt') && graded('pan') >= 2 ? [says('method.drivers.lies-pan-carried-out')] : []),
  ]
}

/** What training is missing for a piece of work: on a roof it is one person's together with that for roofs. @param nobody said where nobody has it */
export function whoIsMissing({ lookOver, trained }: Facts, skill: 'wheel-removal' | 'electrics', nobody: Message): Message {
  if (!isOnRoof(lookOver.family)) return nobody
  const roof = says('method.whoIsMissing.roof')
  if (!trained.has(skill)) return trained.has('roof') ? nobody : says('method.whoIsMissing.both', { nobody, roof })
  return trained.has('roof') ? says('method.whoIsMissing.not-one-person', { skill: says(`names.skill.${skill}`) }) : roof
}

/** What keeps the wheel in on this job, as far as anybody noted it. */
export function whyWheelStays(facts: Facts): Message | undefined {
  const { lookOver, design, houseRules, isNoted } = facts
  if (lookOver.findings.includes('cracked-wheel')) return says('method.whyWheelStays.wheel-cracked-neither-washed')
  if (!design.wheelRemovable)
    return isNoted('wheelRemovable') ? says('method.whyWheelStays.noted-wheel-stays') : says('method.whyWheelStays.noted-whether-wheel-comes')
  if (!comesOut(lookOver.family, design)) return says('method.whyWheelStays.coil-may-lifted-wheel')
  if (!isTrained(facts, 'wheel-removal')) return whoIsMissing(facts, 'wheel-removal', says('method.whyWheelStays.crew-trained-take-wheel'))
  if (isOnRoof(lookOver.family) && !facts.has('meter')) return says('method.wheel-no-meter')
  return houseRules.wheelSchool === 'in-place' ? says('method.whyWheelStays.house-rules-wash-wheel') : undefined
}

/** What keeps the pan on on this job, as far as anybody noted it. */
export function whyPanStays(facts: Facts): Message | undefined {
  const { design, isNoted, has } = facts
  if (!design.panRemovable)
    return isNoted('panRemovable') ? says('method.whyPanStays.noted-pan-stays') : says('method.whyPanStays.noted-whether-pan-comes')
  if (!design.boardBlocksPan) return undefined
  if (!design.boardRemovable)
    return says('method.whyPanStays.electronics-box-front-pan', {
      noted: says(isNoted('boardRemovable') ? 'method.whyPanStays.noted-stays' : 'method.whyPanStays.noted-whether-comes'),
    })
  if (!isTrained(facts, 'electrics')) return whoIsMissing(facts, 'electrics', says('method.whyPanStays.electronics-box-front-pan-2'))
  return has('meter') ? undefined : says('method.whyPanStays.electronics-box-front-pan-3')
}
const whatStays = (facts: Facts): Message[] => [whyWheelStays(facts), whyPanStays(facts)].flatMap((because) => because ?? [])

/** Why nobody carries the unit out, with the figures. */
export function whyNotCarried(facts: Facts): Message {
  const { design, isNoted } = facts
  if (!design.removable)
    return isNoted('removable') ? says('method.whyNotCarried.noted-cannot-taken-out') : says('method.whyNotCarried.noted-whether-comes-out')
  const lifts = liftsOf(facts).slice(0, 2)
  return lifts.length === 1
    ? says('method.whyNotCarried.more-than-one-person', { weightKg: { kg: design.weightKg }, mostKg: { kg: lifts[0] } })
    : says('method.whyNotCarried.two-carry-each-may', {
        weightKg: { kg: design.weightKg },
        halfKg: { kg: design.weightKg / 2 },
        lifts: { and: lifts.map((kg) => says('names.kg', { mass: { kg } })) },
      })
}

/** Why a unit that is taken out is not washed on a stand before its wall. */
function whyNotOnStand(facts: Facts): Message {
  if (isSplit(facts.lookOver.family)) return says('method.location-hung')
  if (facts.decided.scope !== 'bench-clean')
    return isCarried(facts.lookOver.family) ? says('method.location-stays') : says('method.location-stays.stays-fixed')
  const weight = { kg: facts.design.weightKg }
  switch (whyNotSlid(facts)) {
    case 'no-stand':
      return says('method.whyNotOnStand.no-stand')
    case 'stand-too-weak':
      return says('method.whyNotOnStand.stand-too-weak', { weight })
    case 'nothing-catches':
      return says('method.whyNotOnStand.nothing-catches')
    case 'equipment-room':
      return says('method.whyNotOnStand.equipment-room')
    case 'heavy':
      return says('method.whyNotOnStand.heavy', { weight })
    default:
      return says('method.whyNotOnStand.fixed')
  }
}

/** Behind the cover: what calls for opening it although the coil's front does not. */
const behindCover = ({ lookOver }: Facts): Message[] => {
  const parts = (['coilBack', 'pan', 'drainLine'] as const).filter((part) => gradeOf(lookOver, part) >= 2)
  const slime = partsOf[lookOver.family].filter((part) => hasKind(lookOver, 'biofilm', part) && !parts.some((other) => other === part))
  const drain = drainState(lookOver)
  return [
    ...parts.map((part) => says('method.behindCover.grade-sits-behind-cover', { part: partName(part), grade: gradeOf(lookOver, part) })),
    ...(slime.length > 0 ? [says('method.behindCover.slime-opened-reach-water', { parts: { comma: slime.map(partName) } })] : []),
    ...(drain === 'good'
      ? []
      : [drain === 'failed' ? says('method.behindCover.drain-does-run-reached') : says('method.behindCover.drain-runs-slowly-reached')]),
    ...(lookOver.complaints.includes('drips-indoors') ? [says('method.behindCover.drips-indoors-pan-drain')] : []),
    ...(lookOver.findings.includes('bent-fins') ? [says('method.behindCover.bent-fins-combed-cover')] : []),
  ]
}

const seen = (...parts: readonly Part[]) => when(says('when.something-looked'), ({ lookOver }) => parts.some((part) => isGraded(lookOver, part)))

export const scope: RuleSet = {
  bars: [
    bar('scope-strip-fixed', 'strip-down', not(any(wheelComesOutHere, panComesOffHere)), whatStays),
    bar('scope-strip-in-wall', 'strip-down', carriedUnit, says('method.scope-strip-in-wall')),
    bar('scope-bench-hung', 'bench-clean', splitUnit, says('method.scope-bench-hung')),
    bar('scope-bench-roof', 'bench-clean', roofUnit, says('method.scope-bench-roof')),
    bar('scope-bench-carried', 'bench-clean', all(carriedUnit, not(canBeTakenOut)), whyNotCarried),
    bar('scope-bench-wired', 'bench-clean', all(carriedUnit, wiredIn, not(all(trainedFor('electrics'), carries('meter')))), ({ has }) =>
      has('meter') ? says('method.scope-bench-wired') : says('method.scope-bench-wired.wired-without-plug-without'),
    ),
    bar('scope-closed-drain', 'clean-in-place', drainIs('failed'), says('method.scope-closed-drain')),
    bar('scope-closed-roof', 'clean-in-place', roofUnit, says('method.scope-closed-roof')),
    bar('scope-open-no-roof', 'open-clean', all(roofUnit, any(badForRoofs, nobodyForRoofs)), noRoofBecause),
    bar('scope-strip-no-roof', 'strip-down', all(roofUnit, any(badForRoofs, nobodyForRoofs)), noRoofBecause),
  ],
  rules: [
    rule('scope-decline', 'safety', any(found(...stops), muchFound), 'decline', whatStops),
    rule('scope-weather', 'safety', all(roofWork, badForRoofs), 'filter-service', (facts) => [...noRoofBecause(facts), says('method.scope-weather')]),
    rule('scope-untrained-roof', 'safety', all(roofWork, nobodyForRoofs), 'filter-service', (facts) => [
      ...noRoofBecause(facts),
      says('method.scope-untrained-roof'),
    ]),
    rule('scope-bench', 'need', benchCalls, 'bench-clean', says('method.scope-bench')),
    rule('scope-bench-stays', 'need', benchCalls, 'open-clean', (facts) => [
      says('method.scope-bench-stays', {
        because: facts.carriers === undefined && facts.sliders === undefined ? whyNotCarried(facts) : says('method.scope-bench-stays.wired'),
      }),
      says('method.scope-bench-stays.opened-cleaned-place-far'),
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
      ...whatStays(facts).map((because) => says('method.scope-open-instead', { because })),
    ]),
    rule('scope-open', 'need', any(atLeast('coilFace', 2), atLeast('wheel', 2)), 'open-clean', ({ lookOver }) => [
      ...(gradeOf(lookOver, 'coilFace') >= 2 ? [says('method.scope-open')] : []),
      ...(gradeOf(lookOver, 'wheel') >= 2 ? [says('method.scope-open.wheel-carries-ridge-dirt')] : []),
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
    rule('scope-roof', 'need', roofWork, 'open-clean', says('method.scope-roof')),
    rule('scope-closed', 'need', somethingInside, 'clean-in-place', says('method.scope-closed')),
    rule('scope-closed-smell', 'need', complains('smell', 'spits-dirt'), 'clean-in-place', ({ lookOver }) =>
      insideParts.some((part) => isGraded(lookOver, part))
        ? says('method.scope-closed-smell')
        : says('method.scope-closed-smell.complaint-inside-looked-yet'),
    ),
    rule('scope-filter', 'usual', all(seen(...insideParts)), 'filter-service', says('method.scope-filter')),
    rule('scope-unseen', 'usual', otherwise, 'filter-service', says('method.scope-unseen')),
  ],
}

const location = rulesOn('location')
export const place: RuleSet = {
  bars: [
    location.bar('location-hung', 'outdoors', splitUnit, says('method.location-hung')),
    location.bar('location-stays', 'outdoors', not(chosen('scope', 'bench-clean')), ({ lookOver }) =>
      isCarried(lookOver.family) ? says('method.location-stays') : says('method.location-stays.stays-fixed'),
    ),
    location.bar('location-heavy', 'outdoors', all(chosen('scope', 'bench-clean'), not(canBeCarried)), whyNotCarried),
    location.bar('location-no-stand', 'on-stand', not(all(chosen('scope', 'bench-clean'), canBeSlid)), whyNotOnStand),
    location.bar('location-bench-only', 'in-place', chosen('scope', 'bench-clean'), says('method.location-bench-only')),
  ],
  rules: [
    location.rule('location-stand', 'need', all(chosen('scope', 'bench-clean'), canBeSlid), 'on-stand', says('method.location-stand')),
    location.rule('location-bench', 'need', chosen('scope', 'bench-clean'), 'outdoors', (facts) => [
      says('method.location-bench'),
      ...(facts.design.slideOut ? [whyNotOnStand(facts)] : []),
    ]),
    location.rule('location-in-place', 'usual', otherwise, 'in-place', says('method.location-in-place')),
  ],
}
