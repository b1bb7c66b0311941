// Rinse or no rinse: the main dispute. What carries the soil off the coil?
import { hasKind, type SoilKind } from '../../lookover/index.ts'
import { round } from '../../quantities/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { handSprayerOf, isOutOfSeason, neededCondensateLM2, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  carries,
  chosen,
  clearOrUnseen,
  coilAtLeast,
  coilAtMost,
  complains,
  drainIs,
  equipmentRoom,
  follows,
  inItsWall,
  looseSoil,
  muchWashable,
  onTheBench,
  outOfWall,
  roofUnit,
  sensitive,
  soil,
  untouched,
  washable,
  waterOnSite,
  waterToHand,
} from './conditions.ts'
import { says, type Message } from '../../words/index.ts'

const { rule, bar } = rulesOn('rinse')

const condensateFigure = ({ condensateLM2Day }: Facts) =>
  says('method.condensateFigure.within-day-unit-makes', { made: { L: round(condensateLM2Day, 1) }, needed: { L: neededCondensateLM2.value } })
const enoughCondensate = when(says('when.enough-condensate-within-24'), ({ condensateLM2Day }) => condensateLM2Day >= neededCondensateLM2.value)
const selfRinsingInVan = when(
  says('when.suitable-self-rinsing-foam'),
  ({ product }) => product('self-rinsing-foam').product?.label.rinse === 'self-rinsing',
)
const onlyHeats = when(says('when.unit-heats'), ({ design }) => design.heatsOnly)
const outOfSeason = when(says('when.cooling-season'), ({ site }) => isOutOfSeason(site))
const airUnknown = when(says('when.air-neither-noted-nor'), ({ airKnown }) => !airKnown)
/** Where a pump or hose would flood something: a room behind a window unit, a vehicle under a roof unit. */
const littleWater = any(roofUnit, inItsWall)

const mustRinse = any(coilAtLeast(3), soil(['grease', 'fine-powder', 'biofilm'], 'coilFace', 'coilBack'), sensitive)
/** Both faces clear, or not looked at: nothing on the coil is to be carried off. */
const nothingOnCoil = coilAtMost(0)
const somethingSprays = when(says('when.spray-bottle-pump-sprayer'), (facts) => handSprayerOf(facts) !== undefined)
const anythingRinses = any(all(carries('pump-wand'), waterOnSite, muchWashable), all(somethingSprays, waterToHand))
/** What the dry way can do at all. */
const dryIsEnough = all(coilAtMost(2), looseSoil, not(complains('smell')))

const onCoil = ({ lookOver }: Facts, kind: SoilKind) => hasKind(lookOver, kind, 'coilFace', 'coilBack')
const whyRinse = (facts: Facts): Message[] => {
  const { coilGrade, site } = facts
  return [
    ...(coilGrade >= 3 ? [says('method.whyRinse.coil-grade-foam-alone', { coilGrade })] : []),
    ...(onCoil(facts, 'grease') ? [says('method.whyRinse.grease-washed-off')] : []),
    ...(onCoil(facts, 'fine-powder') ? [says('method.whyRinse.fine-powder-turns-paste')] : []),
    ...(onCoil(facts, 'biofilm') ? [says('method.whyRinse.slime-needs-antimicrobial-label')] : []),
    ...(site.sensitiveOccupants ? [says('method.whyRinse.people-here-sensitive-left')] : []),
  ]
}

const whatIsMissing = (facts: Facts): Message[] => [
  ...(facts.has('pump-wand') ? [] : [says('method.whatIsMissing.pump-wand-van')]),
  ...(handSprayerOf(facts) ? [] : [says('method.whatIsMissing.neither-spray-bottle-nor')]),
  ...(facts.site.waterOnSite ? [] : [says('method.whatIsMissing.tap-site-van', { carriedWaterL: { L: facts.site.carriedWaterL } })]),
  ...(facts.has('bucket') ? [] : [says('method.whatIsMissing.bucket-van')]),
  says('method.whatIsMissing.carries-soil-off-dry'),
]

export const rinse: RuleSet = {
  bars: [
    bar('rinse-condensate-grade', 'condensate', coilAtLeast(3), ({ coilGrade }) => says('method.rinse-condensate-grade', { coilGrade })),
    bar('rinse-condensate-drain', 'condensate', drainIs('slow', 'failed'), says('method.rinse-condensate-drain')),
    bar('rinse-condensate-heats', 'condensate', onlyHeats, says('method.rinse-condensate-heats')),
    bar('rinse-condensate-season', 'condensate', outOfSeason, ({ site }) =>
      says('method.rinse-condensate-season', { dryBulbC: { C: site.outdoorAir?.dryBulbC ?? 0 } }),
    ),
    bar('rinse-condensate-unknown', 'condensate', airUnknown, says('method.rinse-condensate-unknown')),
    bar('rinse-condensate-bench', 'condensate', outOfWall, says('method.rinse-condensate-bench')),
    bar('rinse-condensate-dry-air', 'condensate', not(enoughCondensate), condensateFigure),
    bar('rinse-condensate-product', 'condensate', not(selfRinsingInVan), ({ product }) =>
      product('self-rinsing-foam').because.concat(says('method.rinse-condensate-product')),
    ),
    bar('rinse-condensate-soil', 'condensate', mustRinse, whyRinse),
    bar('rinse-pump-none', 'pump-wand', not(carries('pump-wand')), says('method.whatIsMissing.pump-wand-van')),
    bar('rinse-pump-water', 'pump-wand', not(waterOnSite), says('method.rinse-pump-water')),
    bar('rinse-pump-containment', 'pump-wand', not(muchWashable), says('method.rinse-pump-containment')),
    bar('rinse-pump-roof', 'pump-wand', roofUnit, says('method.rinse-pump-roof')),
    bar('rinse-pump-wall', 'pump-wand', inItsWall, says('method.rinse-pump-wall')),
    bar('rinse-hose-in-place', 'hose', not(onTheBench), says('method.rinse-hose-in-place')),
    bar('rinse-hose-none', 'hose', not(carries('hose')), says('method.rinse-hose-none')),
    bar('rinse-hose-water', 'hose', not(waterOnSite), says('method.rinse-hose-water')),
    bar(
      'rinse-hose-drain',
      'hose',
      when(says('when.foul-drain-site'), ({ site }) => !site.foulDrainOnSite),
      says('method.rinse-hose-drain'),
    ),
    bar('rinse-spray-none', 'spray-bottle', not(somethingSprays), says('method.whatIsMissing.neither-spray-bottle-nor')),
    bar('rinse-spray-water', 'spray-bottle', not(waterToHand), says('method.rinse-spray-water')),
    bar('rinse-spray-containment', 'spray-bottle', not(washable), says('method.rinse-spray-containment')),
    bar(
      'rinse-none-soil',
      'none',
      all(not(untouched), not(nothingOnCoil), not(dryIsEnough), not(equipmentRoom), washable, anythingRinses),
      says('method.rinse-none-soil'),
    ),
  ],
  rules: [
    rule('rinse-untouched', 'safety', untouched, 'none', says('method.rinse-untouched')),
    rule('rinse-no-containment', 'safety', not(washable), 'none', says('method.rinse-no-containment')),
    rule('rinse-equipment-room', 'safety', equipmentRoom, 'none', says('method.rinse-equipment-room')),
    rule('rinse-clear-coil', 'need', nothingOnCoil, 'none', clearOrUnseen(['coilFace', 'coilBack'], says('method.rinse-clear-coil'))),
    rule(
      'rinse-dry-school',
      'school',
      all(follows('rinseSchool', 'dry'), dryIsEnough),
      'none',
      [says('method.rinse-dry-school'), says('method.rinse-dry-school.does-reach-back-upper')],
      'rinseSchool',
    ),
    rule(
      'rinse-self-school',
      'school',
      follows('rinseSchool', 'self-rinsing'),
      'condensate',
      (facts) => [says('method.rinse-self-school'), condensateFigure(facts)],
      'rinseSchool',
    ),
    rule('rinse-light', 'usual', all(chosen('scope', 'clean-in-place'), coilAtMost(1)), 'spray-bottle', says('method.rinse-light')),
    rule('rinse-light-needed', 'need', all(chosen('scope', 'clean-in-place'), coilAtMost(1), mustRinse), 'spray-bottle', (facts) => [
      ...whyRinse(facts),
      says('method.rinse-light'),
    ]),
    rule('rinse-needed-bench', 'need', all(mustRinse, onTheBench), 'hose', (facts) => [...whyRinse(facts), says('method.rinse-needed-bench')]),
    rule('rinse-needed-little', 'need', all(mustRinse, littleWater), 'spray-bottle', (facts) => [
      ...whyRinse(facts),
      says('method.rinse-needed-little'),
    ]),
    rule('rinse-needed', 'need', mustRinse, 'pump-wand', whyRinse),
    rule('rinse-no-water-dry', 'usual', all(not(waterOnSite), dryIsEnough), 'none', says('method.rinse-no-water-dry')),
    rule('rinse-bench', 'usual', onTheBench, 'hose', says('method.rinse-bench'), 'rinseSchool'),
    rule('rinse-little', 'usual', littleWater, 'spray-bottle', says('method.rinse-needed-little'), 'rinseSchool'),
    rule('rinse-clear-water', 'usual', otherwise, 'pump-wand', says('method.rinse-clear-water'), 'rinseSchool'),
    rule('rinse-carried-water', 'usual', otherwise, 'spray-bottle', ({ site }) =>
      site.waterOnSite
        ? says('method.rinse-carried-water')
        : says('method.rinse-carried-water.tap-site-van-sprayed', { carriedWaterL: { L: site.carriedWaterL } }),
    ),
    rule('rinse-nothing', 'usual', otherwise, 'none', whatIsMissing),
  ],
}
