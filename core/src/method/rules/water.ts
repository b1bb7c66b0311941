// Pan, drain, pan treatment, containment, electronics and drying: everything that water asks for.
import { estimate, round } from '../../quantities/index.ts'
import { holdsWater } from '../../units/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { troughLitres, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  atLeast,
  carries,
  chosen,
  clearOrUnseen,
  complains,
  cracked,
  drainIs,
  equipmentRoom,
  follows,
  found,
  inItsWall,
  liftPump,
  onStand,
  onTheBench,
  panReached,
  panComesOff,
  panComesOffHere,
  panComplaint,
  roofUnit,
  soil,
  splitUnit,
  touched,
  trainedFor,
  untouched,
  wallHead,
  washable,
  waterToHand,
} from './conditions.ts'
import { whyPanStays } from './scope.ts'
import { whoIsMissing } from './scope.ts'
import { says } from '../../words/index.ts'

const onPan = rulesOn('pan')
const dryWay = all(chosen('rinse', 'none'), any(follows('rinseSchool', 'dry'), not(waterToHand), not(washable), equipmentRoom))
/** Stripped down, and the pan is what comes out. */
const nothingElseOut = all(chosen('scope', 'strip-down'), panComesOffHere, not(chosen('wheel', 'remove-and-wash')))
export const pan: RuleSet = {
  bars: [
    onPan.bar('pan-fixed', 'remove-and-wash', not(panComesOff), (facts) => whyPanStays(facts) ?? says('method.pan-fixed')),
    onPan.bar('pan-box', 'remove-and-wash', all(panComesOff, not(panComesOffHere)), (facts) => whyPanStays(facts) ?? says('method.pan-fixed')),
    onPan.bar('pan-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), says('method.wheel-not-stripped')),
    ...(['wipe', 'flush-in-place'] as const).map((choice) =>
      onPan.bar(`pan-${choice}-closed`, choice, all(touched, not(panReached)), says('method.pan-closed')),
    ),
    onPan.bar('pan-dry-job', 'flush-in-place', dryWay, says('method.pan-dry-job')),
    ...(['leave', 'wipe', 'flush-in-place'] as const).map((choice) =>
      onPan.bar(`pan-${choice}-stripped`, choice, nothingElseOut, says('method.pan-stripped')),
    ),
  ],
  rules: [
    onPan.rule('pan-untouched', 'safety', untouched, 'leave', says('method.condenser-untouched')),
    onPan.rule('pan-closed', 'need', not(panReached), 'leave', says('method.pan-closed')),
    onPan.rule('pan-remove', 'need', any(atLeast('pan', 2), panComplaint), 'remove-and-wash', says('method.pan-remove')),
    onPan.rule(
      'pan-in-the-way',
      'need',
      all(chosen('scope', 'strip-down'), any(splitUnit, not(chosen('wheel', 'remove-and-wash')))),
      'remove-and-wash',
      says('method.pan-in-the-way'),
    ),
    onPan.rule('pan-flush', 'need', any(atLeast('pan', 2), chosen('rinse', 'pump-wand', 'hose')), 'flush-in-place', says('method.pan-flush')),
    onPan.rule(
      'pan-wipe',
      'usual',
      any(atLeast('pan', 1), chosen('rinse', 'spray-bottle', 'condensate'), chosen('wheel', 'wash-in-place')),
      'wipe',
      says('method.pan-wipe'),
    ),
    onPan.rule('pan-leave', 'usual', otherwise, 'leave', clearOrUnseen(['pan'], says('method.pan-leave'))),
  ],
}

const onDrain = rulesOn('drain')
/** One-box units drain through their base pan; a wall sleeve may have a drain of its own. */
const noDrainEnd = all(not(splitUnit), not(when(says('when.sleeve-own-drain'), ({ design }) => design.sleeveDrain)))
const holdsItsWater = when(says('when.holds-its-water'), ({ lookOver, design }) => holdsWater(lookOver.family, design))
export const drain: RuleSet = {
  bars: [
    onDrain.bar('drain-test-blocked', 'flow-test-only', all(drainIs('failed'), not(untouched)), says('method.drain-test-blocked')),
    onDrain.bar('drain-no-vacuum', 'vacuum-from-outside', not(carries('wet-vacuum')), says('method.drain-no-vacuum')),
    onDrain.bar('drain-no-end', 'vacuum-from-outside', noDrainEnd, says('method.drain-no-end')),
    onDrain.bar('drain-no-line', 'disconnect-and-flush', not(splitUnit), says('method.drain-no-line')),
    onDrain.bar('drain-flush-closed', 'flush', all(touched, not(panReached)), says('method.drain-closed')),
    onDrain.bar('drain-part-closed', 'disconnect-and-flush', all(splitUnit, touched, not(panReached)), says('method.drain-closed')),
    onDrain.bar('drain-flush-pump', 'flush', all(liftPump, touched), says('method.drain-pump')),
    onDrain.bar('drain-flush-blocked', 'flush', all(drainIs('failed'), splitUnit), says('method.drain-flush-blocked')),
  ],
  rules: [
    onDrain.rule('drain-untouched', 'safety', untouched, 'flow-test-only', says('method.drain-untouched')),
    onDrain.rule(
      'drain-flush-first',
      'school',
      all(drainIs('slow', 'failed'), follows('drainSchool', 'flush-first')),
      'flush',
      says('method.drain-flush-first'),
      'drainSchool',
    ),
    onDrain.rule('drain-vacuum', 'school', drainIs('failed'), 'vacuum-from-outside', says('method.drain-vacuum'), 'drainSchool'),
    onDrain.rule('drain-vacuum-slow', 'school', drainIs('slow'), 'vacuum-from-outside', says('method.drain-vacuum-slow'), 'drainSchool'),
    onDrain.rule('drain-part', 'usual', drainIs('failed'), 'disconnect-and-flush', says('method.drain-part')),
    onDrain.rule(
      'drain-flush',
      'usual',
      any(atLeast('drainLine', 1), atLeast('pan', 1), drainIs('slow', 'failed'), complains('drips-indoors')),
      'flush',
      says('method.drain-flush'),
    ),
    onDrain.rule('drain-part-slow', 'usual', drainIs('slow', 'failed'), 'disconnect-and-flush', says('method.drain-part-slow')),
    onDrain.rule('drain-draw', 'usual', atLeast('drainLine', 1), 'vacuum-from-outside', says('method.drain-draw')),
    onDrain.rule('drain-condensate', 'usual', not(panReached), 'flow-test-only', says('method.drain-condensate')),
    onDrain.rule('drain-pump-test', 'usual', liftPump, 'flow-test-only', says('method.drain-pump-test')),
    onDrain.rule('drain-holds', 'usual', holdsItsWater, 'flow-test-only', says('method.drain-holds')),
    onDrain.rule('drain-test', 'usual', otherwise, 'flow-test-only', says('method.drain-test')),
  ],
}

const onTreatment = rulesOn('pan-treatment')
const treatmentFits = when(says('when.suitable-pan-treatment-van'), ({ product }) => product('pan-treatment').product !== undefined)
/** Life of a treatment whose label does not say it. */
export const usualTreatmentWeeks = estimate(4, 'weeks')
export const treatmentWeeks = ({ product }: Pick<Facts, 'product'>): number =>
  product('pan-treatment').product?.label.lifeWeeks ?? usualTreatmentWeeks.value
export const panTreatment: RuleSet = {
  bars: [
    onTreatment.bar('treatment-unreached', 'slow-release', all(touched, not(panReached)), says('method.treatment-untouched')),
    onTreatment.bar('treatment-label', 'slow-release', not(treatmentFits), ({ product }) => product('pan-treatment').because),
  ],
  rules: [
    onTreatment.rule('treatment-untouched', 'safety', untouched, 'none', says('method.treatment-untouched')),
    onTreatment.rule('treatment-closed', 'need', not(panReached), 'none', says('method.treatment-untouched')),
    onTreatment.rule('treatment-biofilm', 'need', any(soil(['biofilm']), complains('drips-indoors')), 'slow-release', (facts) => [
      facts.lookOver.complaints.includes('drips-indoors') ? says('method.treatment-biofilm') : says('method.treatment-biofilm.slime-seen-comes-back'),
      says('method.treatment-biofilm.slow-release-treatment-holds', { time: { weeks: treatmentWeeks(facts) } }),
    ]),
    onTreatment.rule('treatment-none', 'usual', otherwise, 'none', says('method.treatment-none')),
  ],
}

const onContainment = rulesOn('containment')
/** Wash water that comes down where the unit hangs, L. */
const comesDownL = (facts: Facts): number => facts.caughtLitres(facts)
/** More than a trough takes at once, where something else takes it; with nothing but a trough no more is rinsed, and it is emptied in between. */
const litres = when(
  says('when.more-than-wash-water', { water: { L: troughLitres.value } }),
  (facts) => comesDownL(facts) > troughLitres.value && (facts.has('wash-bag') || facts.has('funnel-sheet')),
)
/** No water comes out of the unit: nothing is rinsed, and no wheel is washed where it sits. */
const dryJob = all(chosen('rinse', 'none'), not(chosen('wheel', 'wash-in-place')))
const dryOutside = chosen('condenser-rinse', 'none')
const comesDown = (facts: Facts) => ({ L: round(comesDownL(facts), 1) })
export const containment: RuleSet = {
  bars: [
    onContainment.bar('containment-no-bag', 'wash-bag-to-bucket', not(carries('wash-bag')), says('method.containment-no-bag')),
    onContainment.bar('containment-no-bucket', 'wash-bag-to-bucket', not(carries('bucket')), says('method.whatIsMissing.bucket-van')),
    onContainment.bar('containment-bag-family', 'wash-bag-to-bucket', not(wallHead), says('method.containment-bag-family')),
    onContainment.bar('containment-trough-family', 'trough-and-towel', not(wallHead), says('method.containment-trough-family')),
    onContainment.bar('containment-trough-bucket', 'trough-and-towel', not(carries('bucket')), says('method.whatIsMissing.bucket-van')),
    onContainment.bar('containment-trough-full', 'trough-and-towel', litres, (facts) =>
      says('method.containment-trough-full', { water: comesDown(facts), most: { L: troughLitres.value } }),
    ),
    onContainment.bar('containment-sheet-wet', 'floor-sheet', all(not(dryJob), not(inItsWall)), says('method.containment-sheet-wet')),
    onContainment.bar('containment-sheet-roof', 'floor-sheet', all(roofUnit, touched), says('method.containment-sheet-roof')),
    onContainment.bar('containment-funnel-family', 'funnel-sheet-to-bucket', not(any(splitUnit, onStand)), says('method.containment-funnel-family')),
    onContainment.bar('containment-no-funnel', 'funnel-sheet-to-bucket', not(carries('funnel-sheet')), says('method.containment-no-funnel')),
    onContainment.bar('containment-funnel-bucket', 'funnel-sheet-to-bucket', not(carries('bucket')), says('method.whatIsMissing.bucket-van')),
    onContainment.bar('containment-plug-family', 'opening-plug-and-rags', not(roofUnit), says('method.containment-plug-family')),
    onContainment.bar('containment-outdoors', 'outdoors', not(onTheBench), says('method.location-in-place')),
  ],
  rules: [
    onContainment.rule('containment-bench', 'need', onTheBench, 'outdoors', says('method.containment-bench')),
    onContainment.rule('containment-roof', 'need', all(roofUnit, touched), 'opening-plug-and-rags', says('method.containment-roof')),
    onContainment.rule('containment-dry', 'need', all(dryJob, dryOutside), 'floor-sheet', says('method.containment-dry')),
    onContainment.rule('containment-stand', 'need', onStand, 'funnel-sheet-to-bucket', (facts) =>
      says('method.containment-stand', { water: comesDown(facts) }),
    ),
    onContainment.rule('containment-wall', 'need', inItsWall, 'floor-sheet', says('method.containment-wall')),
    onContainment.rule(
      'containment-wheel-bag',
      'need',
      all(wallHead, chosen('wheel', 'wash-in-place')),
      'wash-bag-to-bucket',
      says('method.containment-wheel-bag'),
    ),
    onContainment.rule('containment-little', 'need', all(wallHead, not(litres), not(chosen('wheel', 'wash-in-place'))), 'trough-and-towel', (facts) =>
      says('method.containment-little', { water: comesDown(facts) }),
    ),
    onContainment.rule('containment-bag', 'need', wallHead, 'wash-bag-to-bucket', (facts) =>
      says('method.containment-bag', { water: comesDown(facts) }),
    ),
    onContainment.rule('containment-funnel', 'need', otherwise, 'funnel-sheet-to-bucket', (facts) =>
      says('method.containment-funnel', { water: comesDown(facts) }),
    ),
  ],
}

const onElectrics = rulesOn('electrics')
const waterNear = any(not(dryJob), not(dryOutside))
export const electrics: RuleSet = {
  bars: [
    onElectrics.bar(
      'electrics-fixed',
      'unplug-and-remove',
      when(says('when.electronics-box-stays'), ({ design }) => !design.boardRemovable),
      ({ isNoted }) => (isNoted('boardRemovable') ? says('method.electrics-fixed') : says('method.electrics-fixed.noted-whether-electronics-box')),
    ),
    onElectrics.bar(
      'electrics-closed',
      'unplug-and-remove',
      any(untouched, inItsWall, chosen('scope', 'clean-in-place')),
      says('method.electrics-closed'),
    ),
    onElectrics.bar('electrics-untrained', 'unplug-and-remove', not(trainedFor('electrics')), (facts) =>
      whoIsMissing(facts, 'electrics', says('method.electrics-untrained')),
    ),
    onElectrics.bar('electrics-no-meter', 'unplug-and-remove', not(carries('meter')), says('method.electrics-no-meter')),
    onElectrics.bar('electrics-wet-cover', 'cover', waterNear, says('method.electrics-wet-cover')),
  ],
  rules: [
    onElectrics.rule(
      'electrics-box-in-way',
      'need',
      all(
        chosen('pan', 'remove-and-wash'),
        when(says('when.electronics-box-blocks-pan'), ({ design }) => design.boardBlocksPan),
      ),
      'unplug-and-remove',
      says('method.electrics-box-in-way'),
    ),
    onElectrics.rule(
      'electrics-hose',
      'need',
      any(chosen('rinse', 'hose'), chosen('condenser-rinse', 'hose')),
      'unplug-and-remove',
      says('method.electrics-hose'),
    ),
    onElectrics.rule('electrics-dry', 'need', not(waterNear), 'cover', says('method.electrics-dry')),
    onElectrics.rule('electrics-bag', 'usual', otherwise, 'bag', says('method.electrics-bag')),
  ],
}

const onDrying = rulesOn('drying')
/** Opened, and washed with running water: what was misted and is closed again is never left open for a day. */
const flooded = all(chosen('scope', 'open-clean', 'strip-down', 'bench-clean'), chosen('rinse', 'pump-wand', 'hose'))
export const drying: RuleSet = {
  bars: [
    onDrying.bar('drying-wet-board', 'fan-run', found('wet-electronics'), says('method.drying-wet-board')),
    onDrying.bar('drying-not-flooded', 'long-air-dry', not(any(flooded, found('wet-electronics'))), says('method.drying-not-flooded')),
    onDrying.bar('drying-cracked', 'fan-run', found('cracked-wheel'), says('method.drying-cracked')),
  ],
  rules: [
    onDrying.rule('drying-wet-electronics', 'safety', found('wet-electronics'), 'long-air-dry', says('method.drying-wet-electronics')),
    onDrying.rule(
      'drying-dry-job',
      'need',
      any(untouched, all(chosen('rinse', 'none'), chosen('wheel', 'leave', 'brush-through-outlet'))),
      'short-air-dry',
      says('method.drying-dry-job'),
    ),
    onDrying.rule('drying-cracked-wheel', 'need', cracked, 'short-air-dry', says('method.drying-cracked-wheel')),
    onDrying.rule(
      'drying-long-school',
      'school',
      all(follows('dryingSchool', 'long-air-dry'), flooded),
      'long-air-dry',
      says('method.drying-long-school'),
      'dryingSchool',
    ),
    onDrying.rule('drying-fan', 'usual', otherwise, 'fan-run', says('method.drying-fan'), 'dryingSchool'),
  ],
}
