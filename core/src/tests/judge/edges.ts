// What is left over at the edges? Sixteen kinds of slips, each read off finished plans by a sentence of the brief.
import type { Part } from '../../units/index.ts'
import { airOf, deliveredCooling, pressureAt } from '../../air/index.ts'
import { checkJob } from '../../plan/index.ts'
import { planInEnglish } from '../inEnglish.ts'
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'

const [safety, judgement, adds, said] = [holds('safety'), holds('judgement'), holds('arithmetic'), holds('words')]
const breathedInside: readonly Part[] = ['coilFace', 'coilBack', 'wheel', 'pan', 'drainLine']
const outdoorParts: readonly Part[] = ['condenserFace', 'condenserInside', 'rearFan', 'basePan']
const insideOf = (one: Case): readonly Part[] =>
  one.split ? breathedInside : [...breathedInside.filter((part) => part !== 'drainLine' || one.noted('sleeveDrain') === true), ...outdoorParts]
const reasons = (one: Case): string[] =>
  one.own.decisions.flatMap(({ because, turnedDown }) => [...because, ...turnedDown.map((other) => other.because)])

/** A cause, and the parts that it blames. */
const blamed: Readonly<Record<string, readonly Part[]>> = {
  'dirty filter': ['filter'],
  'fouled coil face': ['coilFace'],
  'fouled coil back': ['coilBack'],
  'fouled wheel': ['wheel'],
  'biofilm in pan': ['pan', 'wheel', 'coilFace', 'coilBack', 'drainLine', 'outlet', 'housing'],
  'blocked condenser': ['condenserFace', 'condenserInside'],
}

/** Which readings of air cannot be, as the brief has it: a share of rated airflow, of rated cooling, or the wrong way round. */
function impossible(one: Case): string | undefined {
  const { readings } = one.unit
  if (!readings) return undefined
  const [inside, supply] = [readings.returnC, readings.supplyC]
  const [ratedAir, ratedKw] = [one.noted('ratedAirflowM3h'), one.noted('ratedCoolingKw')]
  if (readings.airflowM3h !== undefined && ratedAir !== undefined && readings.airflowM3h > 1.4 * ratedAir) return 'airflow'
  if (one.noted('heatsOnly') === true) return undefined
  // It heats in winter.
  if (supply > inside && (one.job.site.outdoorAir?.dryBulbC ?? Infinity) < 20) return undefined
  if (supply > inside) return 'warmer'
  const pressurePa = pressureAt(one.job.site.altitudeM ?? 0)
  const air = airOf(inside, readings.returnRh, pressurePa)
  const flow = readings.airflowM3h
  if (flow === undefined || readings.supplyRh === undefined) return undefined
  const { totalKw } = deliveredCooling(air, airOf(supply, readings.supplyRh, pressurePa), flow)
  return totalKw < 0 || (ratedKw !== undefined && totalKw > 1.5 * ratedKw) ? 'cooling' : undefined
}

export const edgePredicates: readonly Predicate[] = [
  safety('no-meter-plugs', 'No meter in the van: nothing electrical is opened; the panel hangs on its leads, or stays up', (one) => {
    if (one.has('meter')) return undefined
    const parted = one.steps.find(
      ({ title, phase, fasteners = [] }) =>
        (phase === 'strip' && /\b(part|disconnect|unplug)\b.*\b(plugs?|wires?)\b/i.test(title)) ||
        fasteners.some(({ kind }) => /labelled plug/.test(kind)),
    )
    return parted && `${parted.id}: ${parted.title}`
  }),
  adds('all-that-is-caught', 'Capacity of what catches counts everything that is caught: buckets, changes and overflow follow', (one) => {
    const water = one.own.washWater
    const catcher = one.choice('containment') === 'wash-bag-to-bucket' || one.choice('containment') === 'funnel-sheet-to-bucket'
    if (!water || !catcher || water.caughtL === undefined) return undefined
    const bucket = (one.job.equipment ?? []).find(({ kind, count }) => kind === 'bucket' && count > 0)?.litres ?? 15
    const sprayed = one.own.mixes
      .filter(
        ({ part }) =>
          (part === 'coilFace' && !['none', 'condensate'].includes(one.choice('rinse'))) ||
          (part === 'wheel' && one.choice('wheel') === 'wash-in-place'),
      )
      .reduce((sum, { productL, waterL }) => sum + productL + waterL, 0)
    const all = water.caughtL
    return firstOf(
      all + 0.051 < sprayed && `${all} L caught, ${sprayed} L sprayed on`,
      (water.bucketChanges + 1) * bucket * 0.8 + 0.1 < all && `${water.bucketChanges} changes of ${bucket} L for ${all} L`,
    )
  }),
  safety('battery-back', 'A battery that was disconnected is reconnected, or the plan and the hand-over say that it is off and why', (one) => {
    if (!one.step('part-battery') || one.step('join-battery')) return undefined
    const told =
      /battery/.test(one.own.customerText) &&
      one.steps.some(({ gate = '', title }) => /battery/.test(`${title} ${gate}`) && /hand|leave/i.test(title))
    return told ? undefined : 'the battery stays off, and nobody says so'
  }),
  said('nothing-more', 'A sentence that nothing more was needed stands only where everything was looked at and clear', (one) => {
    if (!/needed nothing more|nothing more was needed/i.test(one.own.customerText)) return undefined
    const not = insideOf(one).find((part) => !one.isGraded(part) || one.grade(part) > 0)
    return not && `${not} is ${one.isGraded(not) ? `grade ${one.grade(not)}` : 'not looked at'}`
  }),
  judgement('kept-off-by-both', 'Kept off by weather and by training: the offer names both', (one) => {
    if (!one.roof || one.declined || one.unit.choices) return undefined
    const words = [...reasons(one), ...one.own.offers.map(({ what, because }) => `${what} ${because}`)].join('\n')
    const offers = one.own.offers.map(({ what, because }) => `${what} ${because}`).join('\n')
    const weather = /weather keeps|rain|wind|ice/.test(one.because('scope'))
    const untrained = !one.trained('roof')
    if (!/rest waits for another day/.test(one.because('scope')) || !untrained) return undefined
    const wet = badWeather(one)
    return firstOf(
      wet && !/roof is dry|dry and calm/.test(offers) && 'the offer does not name the weather',
      wet && !/trained for roofs/.test(offers) && 'the offer does not name the training',
      weather && !/roof/.test(words) && 'nothing of the roof',
    )
  }),
  judgement('soon-says-why', 'A date of one or two weeks always says "not clean: come back", what was left and why', (one) => {
    const soon = one.own.due.find(({ what, weeks }) => (what === 'deep-clean' || what === 'light-clean') && weeks <= 2)
    if (!soon) return undefined
    return firstOf(
      !/not clean: come back/.test(soon.because ?? '') && `${soon.weeks} weeks because “${soon.because ?? ''}”`,
      !/:.*:/.test(soon.because ?? '') && !/\(/.test(soon.because ?? '') && `what was left is not said: “${soon.because ?? ''}”`,
    )
  }),
  judgement('doubted', 'Readings that cannot be are doubted aloud, asked again, and decide nothing', (one) => {
    const what = impossible(one)
    if (!what) return undefined
    const { flowTest, levelMmPerM } = one.unit.readings ?? {}
    const isDoubted = one.plan.warnings.some((words) => /cannot be|measure again|read again/i.test(words))
    // What else was measured decides on its own.
    const others = flowTest !== undefined || levelMmPerM !== undefined
    const unread = one.job.units.map(({ readings, ...unit }) => (unit.id === one.unit.id || !readings ? unit : { ...unit, readings }))
    const without = others ? undefined : planInEnglish(checkJob({ ...one.job, units: unread })).units.find(({ id }) => id === one.unit.id)
    const choices = (own: { decisions: readonly { choice: string }[] }) => own.decisions.map(({ choice }) => choice).join()
    return firstOf(
      !isDoubted && `${what}: nobody doubts it`,
      without && choices(without) !== choices(one.own) && `${what}: it decides`,
      one.own.expected.basedOn === 'readings' && `${what}: cooling is told from it`,
    )
  }),
  judgement('clear-not-blamed', 'A part that was graded clear is not blamed', (one) => {
    const wrong = one.own.diagnosis.find(({ cause }) => {
      const parts = blamed[cause]
      return (
        parts !== undefined &&
        parts.filter((part) => one.isGraded(part)).length > 0 &&
        parts.every((part) => (one.isGraded(part) ? one.grade(part) === 0 : !ofUnit(one, part)))
      )
    })
    return wrong && `${wrong.cause} ${wrong.weight} on what is clear`
  }),
  said('who-is-missing', 'A reason names what is really missing: trained for wheels but not for roofs is two sentences', (one) => {
    if (!one.roof || one.trained('wheel-removal', 'roof')) return undefined
    const some = one.job.crew.some(({ trained = [] }) => trained.includes('wheel-removal'))
    const wrong = reasons(one).find(
      (words) => /trained to take|take the wheel out|trained .*wheel/.test(words) && /nobody/i.test(words) && !/roof/.test(words),
    )
    return some && wrong ? wrong : undefined
  }),
  said('one-face-clear', 'What was never graded is never called clear, on one face either', (one) => {
    const words = reasons(one).join('\n')
    const both = /both faces (are |of the coil are )?clear|coil is clear|the coil is clean/.exec(words)
    const not = (['coilFace', 'coilBack'] as const).find((part) => !one.isGraded(part))
    return both && not && one.grade('coilFace') + one.grade('coilBack') === 0 ? `${not} was not looked at: “${both[0]}”` : undefined
  }),
  said('warmth-and-product', 'What a decision says about warmth, product or water, its step says too', (one) => {
    for (const [topic, part, steps] of [
      ['coil-agent', 'coilFace', /apply-coil|apply-degreaser|mix-agent|mix-degreaser|rinse-degreaser|bring-warm/],
      ['wheel-agent', 'wheel', /wash-wheel|mix-wheel|bring-warm/],
      ['condenser-agent', 'condenserFace', /condenser|bring-warm/],
    ] as const) {
      const because = one.because(topic)
      const done = one.steps.filter(({ id }) => steps.test(id))
      if (done.length === 0 || !one.own.mixes.some((mix) => mix.part === part)) continue
      const words = done.map(({ title, how = '', gate = '' }) => `${title} ${how} ${gate}`).join('\n')
      if (/\bwarm\b/.test(because) && !/\bwarm\b/i.test(words)) return `${topic} is warm, no step says so`
      const product = one.own.mixes.find((mix) => mix.part === part)?.productId
      const name = one.products.find(({ id }) => id === product)?.name ?? ''
      if (because.includes(name) && name && !words.includes(name)) return `${topic} is ${name}, no step says so`
    }
    return undefined
  }),
  adds('litres-of-reason', 'The litres of a reason are the litres of the plan', (one) => {
    const water = one.own.washWater
    for (const topic of ['containment', 'rinse'] as const) {
      const named = /(\d+(?:\.\d+)?) (L|mL) (?:of )?(?:wash )?water/.exec(one.because(topic))
      if (!named) continue
      const litres = Number(named[1]) * (named[2] === 'mL' ? 0.001 : 1)
      const plan = [water?.litres ?? 0, water?.caughtL ?? 0]
      if (plan.every((value) => Math.abs(value - litres) > Math.max(0.06, 0.06 * litres)) && !isOfVan(one, litres))
        return `${named[0]} in the reason, ${plan.join(' or ')} L in the plan`
    }
    return undefined
  }),
  judgement('dry-said', 'Dry work on heavy soil is said, whatever else is said about reach', (one) => {
    if (!one.opened || one.choice('rinse') !== 'none') return undefined
    const heavy = (['coilFace', 'coilBack'] as const).filter(
      (part) => one.grade(part) >= 3 || one.kinds(part).some((kind) => ['biofilm', 'grease', 'smoke'].includes(kind)),
    )
    const silent = heavy.find((part) => !one.own.notReached.some((entry) => entry.part === part && /dry/.test(entry.because)))
    return silent && `${silent}: ${one.own.notReached.find(({ part }) => part === silent)?.because ?? 'called reached'}`
  }),
  judgement('filter-opens-nothing', 'Soil on the filter alone opens nothing', (one) => {
    const only = one.grade('filter') > 0 && insideOf(one).every((part) => one.isGraded(part) && one.grade(part) === 0)
    if (!only || (one.unit.findings ?? []).length > 0 || one.unit.choices || one.grade('outlet') + one.grade('housing') > 0) return undefined
    if (one.unit.complaints.some((complaint) => complaint !== 'none' && complaint !== 'weak-airflow')) return undefined
    return ['filter-service', 'decline'].includes(one.choice('scope')) ? undefined : `${one.choice('scope')} for a filter`
  }),
  said('says-against', 'A choice that was turned down says what speaks against it here, never only that another one comes first', (one) => {
    for (const { topic, turnedDown } of one.own.decisions)
      for (const { choice, because } of turnedDown)
        if (/comes before it|^(it )?would be right|^not a way/.test(because) || because.trim() === '') return `${topic} ${choice}: ${because}`
    return undefined
  }),
  judgement('failed-flow-found', 'A measured flow that failed is a finding, wherever nobody gets to it today', (one) => {
    const test = one.unit.readings?.flowTest
    if (!test || test.litres / (test.seconds / 60) >= 0.3) return undefined
    return one.own.findings.some(({ finding }) => /^drain/.test(finding)) ? undefined : 'the flow failed, and nobody writes it down'
  }),
]

const ofUnit = (one: Case, part: Part): boolean =>
  one.split ? !outdoorParts.includes(part) : part !== 'drainLine' || one.noted('sleeveDrain') === true
const isOfVan = (one: Case, litres: number): boolean => litres === (one.job.site.carriedWaterL ?? 10)
function badWeather(one: Case): boolean {
  const air = one.job.site.outdoorAir
  const limit = one.job.houseRules?.roofWindLimitMs ?? 8
  return air !== undefined && ((air.windMs ?? 0) > limit || (air.rainMmH ?? 0) >= 0.1 || air.dryBulbC <= 2)
}
