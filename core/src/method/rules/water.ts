// Pan, drain, pan treatment, containment, electronics and drying: everything that water asks for.
import { estimate, round } from '../../quantities/index.ts'
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
  onTheBench,
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

const onPan = rulesOn('pan')
const dryWay = all(chosen('rinse', 'none'), any(follows('rinseSchool', 'dry'), not(waterToHand), not(washable), equipmentRoom))
/** Stripped down, and the pan is what comes out. */
const nothingElseOut = all(chosen('scope', 'strip-down'), panComesOffHere, not(chosen('wheel', 'remove-and-wash')))
export const pan: RuleSet = {
  bars: [
    onPan.bar('pan-fixed', 'remove-and-wash', not(panComesOff), (facts) => whyPanStays(facts) ?? 'the pan stays on'),
    onPan.bar('pan-box', 'remove-and-wash', all(panComesOff, not(panComesOffHere)), (facts) => whyPanStays(facts) ?? 'the pan stays on'),
    onPan.bar('pan-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), 'the unit is not stripped down on this job'),
    onPan.bar('pan-dry-job', 'flush-in-place', dryWay, 'no wash water on this job'),
    ...(['leave', 'wipe', 'flush-in-place'] as const).map((choice) =>
      onPan.bar(`pan-${choice}-stripped`, choice, nothingElseOut, 'the unit is stripped down for what sits behind the pan: it comes off'),
    ),
  ],
  rules: [
    onPan.rule('pan-untouched', 'safety', untouched, 'leave', 'the unit is not opened that far'),
    onPan.rule(
      'pan-remove',
      'need',
      any(atLeast('pan', 2), panComplaint),
      'remove-and-wash',
      'what holds on in its corners is scrubbed off once it is out',
    ),
    onPan.rule(
      'pan-in-the-way',
      'need',
      all(chosen('scope', 'strip-down'), any(splitUnit, not(chosen('wheel', 'remove-and-wash')))),
      'remove-and-wash',
      'it comes off anyway to reach what sits behind',
    ),
    onPan.rule(
      'pan-flush',
      'need',
      any(atLeast('pan', 2), chosen('rinse', 'pump-wand', 'hose')),
      'flush-in-place',
      'it is flushed where it sits, towards the drain',
    ),
    onPan.rule(
      'pan-wipe',
      'usual',
      any(atLeast('pan', 1), chosen('rinse', 'spray-bottle', 'condensate'), chosen('wheel', 'wash-in-place')),
      'wipe',
      'what drips into it is wiped out',
    ),
    onPan.rule('pan-leave', 'usual', otherwise, 'leave', clearOrUnseen('pan', 'the pan is clear')),
  ],
}

const onDrain = rulesOn('drain')
/** One-box units drain through their base pan; a wall sleeve may have a drain of its own. */
const noDrainEnd = all(not(splitUnit), not(when('a sleeve with its own drain', ({ design }) => design.sleeveDrain)))
export const drain: RuleSet = {
  bars: [
    onDrain.bar(
      'drain-test-blocked',
      'flow-test-only',
      all(drainIs('failed'), not(untouched)),
      'it does not run: a test alone does not clear it, and foam and water have nowhere to go',
    ),
    onDrain.bar('drain-no-vacuum', 'vacuum-from-outside', not(carries('wet-vacuum')), 'no wet vacuum in the van'),
    onDrain.bar('drain-no-end', 'vacuum-from-outside', noDrainEnd, 'its water leaves through the base pan: there is no outside end to draw at'),
    onDrain.bar('drain-no-line', 'disconnect-and-flush', not(splitUnit), 'its water leaves through the base pan: there is no line to part'),
    onDrain.bar(
      'drain-flush-blocked',
      'flush',
      all(drainIs('failed'), splitUnit),
      'it does not run: what is poured in from the pan would stand there, so it is cleared from its end or parted first',
    ),
  ],
  rules: [
    onDrain.rule('drain-untouched', 'safety', untouched, 'flow-test-only', 'nothing is opened that far, and no water goes in'),
    onDrain.rule(
      'drain-flush-first',
      'school',
      all(drainIs('slow', 'failed'), follows('drainSchool', 'flush-first')),
      'flush',
      'house rules: flushed from the pan first, a cup at a time, and drawn from outside if that fails',
      'drainSchool',
    ),
    onDrain.rule(
      'drain-vacuum',
      'school',
      drainIs('failed'),
      'vacuum-from-outside',
      'it does not run: drawn from its outside end before anything goes in, then flushed, then tested again',
      'drainSchool',
    ),
    onDrain.rule(
      'drain-vacuum-slow',
      'school',
      drainIs('slow'),
      'vacuum-from-outside',
      'it runs slowly: drawn from its outside end before anything is flushed into it',
      'drainSchool',
    ),
    onDrain.rule(
      'drain-part',
      'usual',
      drainIs('failed'),
      'disconnect-and-flush',
      'it does not run, and cannot be drawn from outside: parted at the pan and flushed before anything else goes in',
    ),
    onDrain.rule(
      'drain-flush',
      'usual',
      any(atLeast('drainLine', 1), atLeast('pan', 1), drainIs('slow', 'failed'), complains('drips-indoors')),
      'flush',
      'flushed, so that what was loosened does not settle on the way out',
    ),
    onDrain.rule('drain-test', 'usual', otherwise, 'flow-test-only', 'nothing speaks against the drain: a timed pour proves it'),
  ],
}

const onTreatment = rulesOn('pan-treatment')
const treatmentFits = when('a suitable pan treatment in the van', ({ product }) => product('pan-treatment').product !== undefined)
/** Life of a treatment whose label does not say it. */
export const usualTreatmentWeeks = estimate(4, 'weeks')
export const treatmentWeeks = ({ product }: Pick<Facts, 'product'>): number =>
  product('pan-treatment').product?.label.lifeWeeks ?? usualTreatmentWeeks.value
export const panTreatment: RuleSet = {
  bars: [onTreatment.bar('treatment-label', 'slow-release', not(treatmentFits), ({ product }) => product('pan-treatment').because)],
  rules: [
    onTreatment.rule('treatment-untouched', 'safety', untouched, 'none', 'the pan is not reached'),
    onTreatment.rule('treatment-biofilm', 'need', any(soil(['biofilm']), complains('drips-indoors')), 'slow-release', (facts) => [
      facts.lookOver.complaints.includes('drips-indoors')
        ? 'it drips indoors: what grows in the pan must not block it again'
        : 'slime was seen, and it comes back',
      `a slow-release treatment holds it off for ${treatmentWeeks(facts)} weeks`,
    ]),
    onTreatment.rule('treatment-none', 'usual', otherwise, 'none', 'no slime was seen, and it does not drip'),
  ],
}

const onContainment = rulesOn('containment')
/** Wash water that comes down where the unit hangs, L. */
const comesDownL = ({ washLitres, decided }: Facts): number => washLitres(rinseOf(decided.rinse), decided.wheel === 'wash-in-place')
const litres = when(`more than ${troughLitres.value} L of wash water`, (facts) => comesDownL(facts) > troughLitres.value)
const rinseOf = (choice: string | undefined) =>
  choice === 'pump-wand' || choice === 'spray-bottle' || choice === 'hose' || choice === 'condensate' ? choice : 'none'
/** No water comes out of the unit: nothing is rinsed, and no wheel is washed where it sits. */
const dryJob = all(chosen('rinse', 'none'), not(chosen('wheel', 'wash-in-place')))
const dryOutside = chosen('condenser-rinse', 'none')
const about = (facts: Facts) => `about ${round(comesDownL(facts), 1)} L of wash water`
export const containment: RuleSet = {
  bars: [
    onContainment.bar('containment-no-bag', 'wash-bag-to-bucket', not(carries('wash-bag')), 'no wash bag in the van'),
    onContainment.bar('containment-no-bucket', 'wash-bag-to-bucket', not(carries('bucket')), 'no bucket in the van'),
    onContainment.bar('containment-bag-family', 'wash-bag-to-bucket', not(wallHead), 'a wash bag is made for wall heads'),
    onContainment.bar('containment-trough-family', 'trough-and-towel', not(wallHead), 'a trough hangs below a wall head'),
    onContainment.bar('containment-trough-bucket', 'trough-and-towel', not(carries('bucket')), 'no bucket in the van'),
    onContainment.bar(
      'containment-trough-full',
      'trough-and-towel',
      litres,
      (facts) => `${round(comesDownL(facts), 1)} L of wash water; a trough and towels take ${troughLitres.value} L`,
    ),
    onContainment.bar('containment-sheet-wet', 'floor-sheet', all(not(dryJob), not(inItsWall)), 'a sheet that lies catches drips, not wash water'),
    onContainment.bar(
      'containment-sheet-roof',
      'floor-sheet',
      all(roofUnit, touched),
      'a sheet indoors does not keep the opening below the evaporator shut',
    ),
    onContainment.bar('containment-funnel-family', 'funnel-sheet-to-bucket', not(splitUnit), 'a funnelled sheet hangs below what hangs'),
    onContainment.bar('containment-no-funnel', 'funnel-sheet-to-bucket', not(carries('funnel-sheet')), 'no funnel sheet in the van'),
    onContainment.bar('containment-funnel-bucket', 'funnel-sheet-to-bucket', not(carries('bucket')), 'no bucket in the van'),
    onContainment.bar('containment-plug-family', 'opening-plug-and-rags', not(roofUnit), 'there is no opening below to plug'),
    onContainment.bar('containment-outdoors', 'outdoors', not(onTheBench), 'it is cleaned where it is'),
  ],
  rules: [
    onContainment.rule('containment-bench', 'need', onTheBench, 'outdoors', 'it is washed outdoors on battens, its run-off led to a foul drain'),
    onContainment.rule(
      'containment-roof',
      'need',
      all(roofUnit, touched),
      'opening-plug-and-rags',
      'an opening below the evaporator leads into the living space: it is plugged and covered before anything is brushed or sprayed, with rags below the drain side',
    ),
    onContainment.rule('containment-dry', 'need', all(dryJob, dryOutside), 'floor-sheet', 'no wash water comes down: a sheet catches drips and dust'),
    onContainment.rule(
      'containment-wall',
      'need',
      inItsWall,
      'floor-sheet',
      'only little water: a floor sheet drawn up below the unit, and the outlet covered before anything is sprayed',
    ),
    onContainment.rule(
      'containment-wheel-bag',
      'need',
      all(wallHead, chosen('wheel', 'wash-in-place')),
      'wash-bag-to-bucket',
      'a wheel washed in place throws water at its first spin: the bag stays on for that',
    ),
    onContainment.rule(
      'containment-little',
      'need',
      all(wallHead, not(litres), not(chosen('wheel', 'wash-in-place'))),
      'trough-and-towel',
      (facts) => `only ${round(comesDownL(facts), 1)} L of wash water: a trough and towels take that`,
    ),
    onContainment.rule(
      'containment-bag',
      'need',
      wallHead,
      'wash-bag-to-bucket',
      (facts) => `${about(facts)}: a bag round the unit leads it to a bucket`,
    ),
    onContainment.rule(
      'containment-funnel',
      'need',
      otherwise,
      'funnel-sheet-to-bucket',
      (facts) => `${about(facts)}: a sheet hung below the unit and funnelled leads it to a bucket`,
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
      when('the electronics box stays on', ({ design }) => !design.boardRemovable),
      ({ isNoted }) =>
        isNoted('boardRemovable') ? 'it is noted that the electronics box stays on' : 'it was not noted whether the electronics box comes off',
    ),
    onElectrics.bar(
      'electrics-closed',
      'unplug-and-remove',
      any(untouched, inItsWall, chosen('scope', 'clean-in-place')),
      'the unit is not opened that far: its electronics box is not reached',
    ),
    onElectrics.bar('electrics-untrained', 'unplug-and-remove', not(trainedFor('electrics')), 'nobody in the crew is trained for it'),
    onElectrics.bar(
      'electrics-no-meter',
      'unplug-and-remove',
      not(carries('meter')),
      'no meter in the van: nobody proves it dead, so no electrics are opened',
    ),
    onElectrics.bar('electrics-wet-cover', 'cover', waterNear, 'a cover keeps dust off, not wash water'),
  ],
  rules: [
    onElectrics.rule(
      'electrics-box-in-way',
      'need',
      all(
        chosen('pan', 'remove-and-wash'),
        when('the electronics box blocks the pan', ({ design }) => design.boardBlocksPan),
      ),
      'unplug-and-remove',
      'the electronics box is in the way of the pan: it comes off, plugs labelled',
    ),
    onElectrics.rule(
      'electrics-hose',
      'need',
      any(chosen('rinse', 'hose'), chosen('condenser-rinse', 'hose')),
      'unplug-and-remove',
      'a hose works close by: the electronics box comes off, plugs labelled, and stays dry',
    ),
    onElectrics.rule('electrics-dry', 'need', not(waterNear), 'cover', 'no wash water comes near: a cover against dust is enough'),
    onElectrics.rule('electrics-bag', 'usual', otherwise, 'bag', 'wash water comes near the electronics: they are bagged, opening down'),
  ],
}

const onDrying = rulesOn('drying')
export const drying: RuleSet = {
  bars: [
    onDrying.bar('drying-wet-board', 'fan-run', found('wet-electronics'), 'no power while any electrical part was wet: 24 h first'),
    onDrying.bar('drying-cracked', 'fan-run', found('cracked-wheel'), 'a cracked wheel is not run'),
  ],
  rules: [
    onDrying.rule(
      'drying-wet-electronics',
      'safety',
      found('wet-electronics'),
      'long-air-dry',
      'an electrical part was wet: it dries for 24 h before any power',
    ),
    onDrying.rule(
      'drying-dry-job',
      'need',
      any(untouched, all(chosen('rinse', 'none'), chosen('wheel', 'leave', 'brush-through-outlet'))),
      'short-air-dry',
      'next to nothing got wet',
    ),
    onDrying.rule('drying-cracked-wheel', 'need', cracked, 'short-air-dry', 'it is handed back switched off: what is wet dries where it hangs'),
    onDrying.rule(
      'drying-long-school',
      'school',
      follows('dryingSchool', 'long-air-dry'),
      'long-air-dry',
      'house rules: it stands open to dry before it is closed and runs',
      'dryingSchool',
    ),
    onDrying.rule(
      'drying-fan',
      'usual',
      otherwise,
      'fan-run',
      'filters and wheel dry to the touch go back first; then its own fan dries the coil',
      'dryingSchool',
    ),
  ],
}
