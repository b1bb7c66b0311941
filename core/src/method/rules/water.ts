// Pan, drain, pan treatment, containment, electronics and drying: everything that water asks for.
import { estimate, round } from '../../quantities/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  atLeast,
  biofilm,
  carries,
  chosen,
  complains,
  drainIs,
  follows,
  cassette,
  found,
  inItsWall,
  onTheBench,
  panComesOff,
  panComplaint,
  roofUnit,
  splitUnit,
  touched,
  trainedFor,
  untouched,
  wallHead,
} from './conditions.ts'

/** Most wash water that a trough and towels take. */
const troughLitres = estimate(2, 'L')

const onPan = rulesOn('pan')
export const pan: RuleSet = {
  bars: [
    onPan.bar('pan-fixed', 'remove-and-wash', not(panComesOff), ({ design }) =>
      design.panRemovable ? 'the electronics box is in the way and does not come off' : 'the pan of this design does not come off',
    ),
    onPan.bar(
      'pan-box-untrained',
      'remove-and-wash',
      all(
        when('the electronics box blocks the pan', ({ design }) => design.boardBlocksPan),
        not(trainedFor('electrics')),
      ),
      'the electronics box must come off first, and nobody in the crew is trained for that',
    ),
    onPan.bar('pan-not-stripped', 'remove-and-wash', not(chosen('scope', 'strip-down', 'bench-clean')), 'the unit is not stripped down on this job'),
    onPan.bar('pan-dry-job', 'flush-in-place', chosen('rinse', 'none'), 'no wash water on this job'),
  ],
  rules: [
    onPan.rule('pan-untouched', 'safety', untouched, 'leave', 'the unit is not opened that far'),
    onPan.rule(
      'pan-remove',
      'need',
      any(atLeast('pan', 2), panComplaint),
      'remove-and-wash',
      'slime holds on in its corners: off, it is scrubbed clean',
    ),
    onPan.rule(
      'pan-in-the-way',
      'need',
      all(chosen('scope', 'strip-down'), splitUnit),
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
    onPan.rule('pan-wipe', 'usual', any(atLeast('pan', 1), chosen('rinse', 'spray-bottle', 'condensate')), 'wipe', 'what drips into it is wiped out'),
    onPan.rule('pan-leave', 'usual', otherwise, 'leave', 'the pan is clear'),
  ],
}

const onDrain = rulesOn('drain')
/** One-box units drain through their base pan; a wall sleeve may have a drain of its own. */
const noDrainEnd = all(not(splitUnit), not(when('a sleeve with its own drain', ({ design }) => design.sleeveDrain)))
export const drain: RuleSet = {
  bars: [
    onDrain.bar('drain-no-vacuum', 'vacuum-from-outside', not(carries('wet-vacuum')), 'no wet vacuum in the van'),
    onDrain.bar('drain-no-end', 'vacuum-from-outside', noDrainEnd, 'its water leaves through the base pan: there is no outside end to draw at'),
    onDrain.bar('drain-no-line', 'disconnect-and-flush', not(splitUnit), 'its water leaves through the base pan: there is no line to part'),
  ],
  rules: [
    onDrain.rule('drain-untouched', 'safety', chosen('scope', 'decline'), 'flow-test-only', 'nothing is opened'),
    onDrain.rule(
      'drain-flush-first',
      'school',
      all(drainIs('slow', 'failed'), follows('drainSchool', 'flush-first')),
      'flush',
      'house rules: flushed from the pan first, and drawn from outside if that fails',
      'drainSchool',
    ),
    onDrain.rule(
      'drain-vacuum',
      'school',
      drainIs('failed'),
      'vacuum-from-outside',
      'it does not run: drawn from its outside end, then flushed, then tested again',
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
      'it does not run, and cannot be drawn from outside: parted at the pan and flushed',
    ),
    onDrain.rule(
      'drain-flush',
      'usual',
      any(atLeast('drainLine', 1), atLeast('pan', 1), drainIs('slow', 'failed'), complains('drips-indoors')),
      'flush',
      'flushed, so that what was loosened does not settle in the line',
    ),
    onDrain.rule('drain-test', 'usual', otherwise, 'flow-test-only', 'the drain shows no fault: a timed pour proves it'),
  ],
}

const onTreatment = rulesOn('pan-treatment')
const treatmentFits = when('a suitable pan treatment in the van', ({ product }) => product('pan-treatment').product !== undefined)
export const panTreatment: RuleSet = {
  bars: [onTreatment.bar('treatment-label', 'slow-release', not(treatmentFits), ({ product }) => product('pan-treatment').because)],
  rules: [
    onTreatment.rule('treatment-untouched', 'safety', untouched, 'none', 'the pan is not reached'),
    onTreatment.rule(
      'treatment-biofilm',
      'need',
      any(biofilm, complains('drips-indoors'), found('standing-water')),
      'slow-release',
      ({ product }) => `slime comes back: a slow-release treatment holds it off for ${product('pan-treatment').product?.label.lifeWeeks ?? 4} weeks`,
    ),
    onTreatment.rule('treatment-none', 'usual', otherwise, 'none', 'no slime and no drip complaint'),
  ],
}

const onContainment = rulesOn('containment')
const litres = when(
  `more than ${troughLitres.value} L of wash water`,
  ({ washLitres, decided }) => washLitres(rinseOf(decided.rinse)) > troughLitres.value,
)
const rinseOf = (choice: string | undefined) =>
  choice === 'pump-wand' || choice === 'spray-bottle' || choice === 'hose' || choice === 'condensate' ? choice : 'none'
const dryJob = all(chosen('rinse', 'none'), not(chosen('wheel', 'wash-in-place')))
export const containment: RuleSet = {
  bars: [
    onContainment.bar('containment-no-bag', 'wash-bag-to-bucket', not(carries('wash-bag')), 'no wash bag in the van'),
    onContainment.bar('containment-no-bucket', 'wash-bag-to-bucket', not(carries('bucket')), 'no bucket in the van'),
    onContainment.bar('containment-bag-family', 'wash-bag-to-bucket', not(wallHead), 'a wash bag is made for wall heads'),
    onContainment.bar('containment-trough-family', 'trough-and-towel', not(wallHead), 'a trough hangs below a wall head'),
    onContainment.bar(
      'containment-trough-full',
      'trough-and-towel',
      litres,
      ({ washLitres, decided }) =>
        `${round(washLitres(rinseOf(decided.rinse)), 1)} L of wash water; a trough and towels take ${troughLitres.value} L`,
    ),
    onContainment.bar('containment-sheet-wet', 'floor-sheet', all(not(dryJob), not(inItsWall)), 'a sheet catches drips, not wash water'),
    onContainment.bar(
      'containment-sheet-roof',
      'floor-sheet',
      all(roofUnit, touched),
      'a sheet indoors does not keep the opening below the evaporator shut',
    ),
    onContainment.bar('containment-funnel-family', 'funnel-sheet-to-bucket', not(cassette), 'a funnel sheet is made for cassettes'),
    onContainment.bar('containment-no-funnel', 'funnel-sheet-to-bucket', not(carries('funnel-sheet')), 'no funnel sheet in the van'),
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
    onContainment.rule('containment-dry', 'need', dryJob, 'floor-sheet', 'no wash water: a sheet catches drips and dust'),
    onContainment.rule(
      'containment-wall',
      'need',
      inItsWall,
      'floor-sheet',
      'only a spray bottle of water: a floor sheet in front, and the outlet covered before anything is sprayed from outside',
    ),
    onContainment.rule(
      'containment-funnel',
      'need',
      cassette,
      'funnel-sheet-to-bucket',
      ({ washLitres, decided }) =>
        `about ${round(washLitres(rinseOf(decided.rinse)), 1)} L come down: a funnel sheet hung from the body leads them to a bucket`,
    ),
    onContainment.rule(
      'containment-wheel-bag',
      'need',
      chosen('wheel', 'wash-in-place'),
      'wash-bag-to-bucket',
      'a wheel washed in place throws water at its first spin: the bag stays on for that',
    ),
    onContainment.rule(
      'containment-little',
      'need',
      not(litres),
      'trough-and-towel',
      ({ washLitres, decided }) => `only ${round(washLitres(rinseOf(decided.rinse)), 1)} L of wash water: a trough and towels take that`,
    ),
    onContainment.rule(
      'containment-bag',
      'need',
      otherwise,
      'wash-bag-to-bucket',
      ({ washLitres, decided }) => `about ${round(washLitres(rinseOf(decided.rinse)), 1)} L of wash water: a bag round the unit leads it to a bucket`,
    ),
  ],
}

const onElectrics = rulesOn('electrics')
export const electrics: RuleSet = {
  bars: [
    onElectrics.bar(
      'electrics-fixed',
      'unplug-and-remove',
      when('the electronics box stays on', ({ design }) => !design.boardRemovable),
      'the electronics box of this design does not come off',
    ),
    onElectrics.bar('electrics-untrained', 'unplug-and-remove', not(trainedFor('electrics')), 'nobody in the crew is trained for it'),
    onElectrics.bar('electrics-wet-cover', 'cover', not(dryJob), 'a cover keeps dust off, not wash water'),
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
      chosen('rinse', 'hose'),
      'unplug-and-remove',
      'a hose works close by: the electronics box comes off, plugs labelled, and stays dry',
    ),
    onElectrics.rule('electrics-dry', 'need', dryJob, 'cover', 'no wash water: a cover against dust is enough'),
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
    onDrying.rule(
      'drying-long-school',
      'school',
      follows('dryingSchool', 'long-air-dry'),
      'long-air-dry',
      'house rules: it stands open to dry before it runs',
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
    onDrying.rule('drying-open', 'usual', otherwise, 'long-air-dry', 'it is left open to dry'),
  ],
}
