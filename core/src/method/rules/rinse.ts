// Rinse or no rinse: the main dispute. What carries the soil off the coil?
import { hasKind, isGraded, type SoilKind } from '../../lookover/index.ts'
import { round } from '../../quantities/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { handSprayerOf, isOutOfSeason, neededCondensateLM2, type Facts } from '../facts.ts'
import { rulesOn, type RuleSet } from '../rule.ts'
import {
  carries,
  chosen,
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
  roofUnit,
  sensitive,
  soil,
  untouched,
  washable,
  waterOnSite,
  waterToHand,
} from './conditions.ts'

const { rule, bar } = rulesOn('rinse')

const condensateFigure = ({ condensateLM2Day }: Facts) =>
  `within a day the unit makes ${round(condensateLM2Day, 1)} L of condensate per m² of coil; ${neededCondensateLM2.value} L are needed`
const enoughCondensate = when('enough condensate within 24 h', ({ condensateLM2Day }) => condensateLM2Day >= neededCondensateLM2.value)
const selfRinsingInVan = when(
  'a suitable self-rinsing foam in the van',
  ({ product }) => product('self-rinsing-foam').product?.label.rinse === 'self-rinsing',
)
const onlyHeats = when('a unit that only heats', ({ design }) => design.heatsOnly)
const outOfSeason = when('no cooling season', ({ site }) => isOutOfSeason(site))
const airUnknown = when('air neither noted nor measured', ({ airKnown }) => !airKnown)
/** Where a pump or hose would flood something: a room behind a window unit, a vehicle under a roof unit. */
const littleWater = any(roofUnit, inItsWall)

const mustRinse = any(coilAtLeast(3), soil(['grease', 'fine-powder', 'biofilm'], 'coilFace', 'coilBack'), sensitive)
/** Both faces clear, or not looked at: nothing on the coil is to be carried off. */
const nothingOnCoil = coilAtMost(0)
const somethingSprays = when('a spray bottle or a pump sprayer in the van', (facts) => handSprayerOf(facts) !== undefined)
const anythingRinses = any(all(carries('pump-wand'), waterOnSite, muchWashable), all(somethingSprays, waterToHand))
/** What the dry way can do at all. */
const dryIsEnough = all(coilAtMost(2), looseSoil, not(complains('smell')))

const onCoil = ({ lookOver }: Facts, kind: SoilKind) => hasKind(lookOver, kind, 'coilFace', 'coilBack')
const whyRinse = (facts: Facts): string[] => {
  const { coilGrade, site } = facts
  return [
    ...(coilGrade >= 3 ? [`the coil is at grade ${coilGrade}: foam alone does not carry that off`] : []),
    ...(onCoil(facts, 'grease') ? ['grease has to be washed off'] : []),
    ...(onCoil(facts, 'fine-powder') ? ['fine powder turns to paste unless it is rinsed away'] : []),
    ...(onCoil(facts, 'biofilm') ? ['slime needs an antimicrobial, and its label asks for a rinse'] : []),
    ...(site.sensitiveOccupants ? ['people here are sensitive: nothing is left on the coil'] : []),
  ]
}

const whatIsMissing = (facts: Facts): string[] => [
  ...(facts.has('pump-wand') ? [] : ['no pump and wand in the van']),
  ...(handSprayerOf(facts) ? [] : ['neither a spray bottle nor a pump sprayer in the van']),
  ...(facts.site.waterOnSite ? [] : [`no tap on site, ${facts.site.carriedWaterL} L in the van`]),
  ...(facts.has('bucket') ? [] : ['no bucket in the van']),
  'so nothing carries the soil off: only the dry way is left, and it does not reach back and upper faces',
]

export const rinse: RuleSet = {
  bars: [
    bar(
      'rinse-condensate-grade',
      'condensate',
      coilAtLeast(3),
      ({ coilGrade }) => `the coil is at grade ${coilGrade}; self-rinsing foam is for grade 2 and below`,
    ),
    bar('rinse-condensate-drain', 'condensate', drainIs('slow', 'failed'), 'the drain does not pass its flow test: foam must not go into it'),
    bar('rinse-condensate-heats', 'condensate', onlyHeats, 'it only heats: it makes no condensate'),
    bar(
      'rinse-condensate-season',
      'condensate',
      outOfSeason,
      ({ site }) => `${site.outdoorAir?.dryBulbC} °C outdoors: nobody cools, so there is no condensate`,
    ),
    bar(
      'rinse-condensate-unknown',
      'condensate',
      airUnknown,
      'the air was neither noted nor measured: nobody can say how much condensate there will be',
    ),
    bar('rinse-condensate-bench', 'condensate', onTheBench, 'on the bench water is at hand, and foam is not carried back into the room'),
    bar('rinse-condensate-dry-air', 'condensate', not(enoughCondensate), condensateFigure),
    bar('rinse-condensate-product', 'condensate', not(selfRinsingInVan), ({ product }) =>
      product('self-rinsing-foam').because.concat('without a foam labelled self-rinsing the coil is rinsed'),
    ),
    bar('rinse-condensate-soil', 'condensate', mustRinse, whyRinse),
    bar('rinse-pump-none', 'pump-wand', not(carries('pump-wand')), 'no pump and wand in the van'),
    bar('rinse-pump-water', 'pump-wand', not(waterOnSite), 'no tap on site to fill the pump tank'),
    bar('rinse-pump-containment', 'pump-wand', not(muchWashable), 'nothing in the van catches that much water'),
    bar(
      'rinse-pump-roof',
      'pump-wand',
      roofUnit,
      'on a roof there is little water, and what a pump throws runs through the opening and down the side wall',
    ),
    bar('rinse-pump-wall', 'pump-wand', inItsWall, 'what a pump throws would run into the room and the wall'),
    bar('rinse-hose-in-place', 'hose', not(onTheBench), 'a hose makes more water than can be caught where the unit is'),
    bar('rinse-hose-none', 'hose', not(carries('hose')), 'no hose in the van'),
    bar('rinse-hose-water', 'hose', not(waterOnSite), 'no tap on site for a hose'),
    bar(
      'rinse-hose-drain',
      'hose',
      when('no foul drain on site', ({ site }) => !site.foulDrainOnSite),
      'no foul drain on site takes that much wash water',
    ),
    bar('rinse-spray-none', 'spray-bottle', not(somethingSprays), 'neither a spray bottle nor a pump sprayer in the van'),
    bar('rinse-spray-water', 'spray-bottle', not(waterToHand), 'no tap on site, and no water in the van'),
    bar('rinse-spray-containment', 'spray-bottle', not(washable), 'nothing in the van catches wash water'),
    bar(
      'rinse-none-soil',
      'none',
      all(not(untouched), not(nothingOnCoil), not(dryIsEnough), not(equipmentRoom), washable, anythingRinses),
      'dry cleaning is for loose dust up to grade 2',
    ),
  ],
  rules: [
    rule('rinse-untouched', 'safety', untouched, 'none', 'no water goes into the unit'),
    rule(
      'rinse-no-containment',
      'safety',
      not(washable),
      'none',
      'nothing in the van catches wash water: only the dry way is left, and it does not reach back and upper faces',
    ),
    rule('rinse-equipment-room', 'safety', equipmentRoom, 'none', 'no wash water in an equipment room: vacuum, brush and a wet vacuum only'),
    rule('rinse-clear-coil', 'need', nothingOnCoil, 'none', ({ lookOver }) =>
      isGraded(lookOver, 'coilFace') || isGraded(lookOver, 'coilBack')
        ? 'the coil is clear: nothing is carried off it, and only what drips goes through it'
        : 'the coil was not looked at: nothing is rinsed off it on this plan',
    ),
    rule(
      'rinse-dry-school',
      'school',
      all(follows('rinseSchool', 'dry'), dryIsEnough),
      'none',
      ['house rules keep loose dust dry: vacuum and brush, a little mild detergent, wet vacuum', 'it does not reach back and upper faces'],
      'rinseSchool',
    ),
    rule(
      'rinse-self-school',
      'school',
      follows('rinseSchool', 'self-rinsing'),
      'condensate',
      (facts) => ['house rules let condensate rinse where it can', condensateFigure(facts)],
      'rinseSchool',
    ),
    rule(
      'rinse-light',
      'usual',
      all(chosen('scope', 'clean-in-place'), coilAtMost(1)),
      'spray-bottle',
      'a film comes off with a hand sprayer; the cover stays on',
    ),
    rule('rinse-light-needed', 'need', all(chosen('scope', 'clean-in-place'), coilAtMost(1), mustRinse), 'spray-bottle', (facts) => [
      ...whyRinse(facts),
      'a film comes off with a hand sprayer; the cover stays on',
    ]),
    rule('rinse-needed-bench', 'need', all(mustRinse, onTheBench), 'hose', (facts) => [...whyRinse(facts), 'on the bench a hose carries it off']),
    rule('rinse-needed-little', 'need', all(mustRinse, littleWater), 'spray-bottle', (facts) => [
      ...whyRinse(facts),
      'only little water can be caught here: sprayed by hand, face by face, with rags below',
    ]),
    rule('rinse-needed', 'need', mustRinse, 'pump-wand', whyRinse),
    rule('rinse-no-water-dry', 'usual', all(not(waterOnSite), dryIsEnough), 'none', 'no tap on site, and the soil is loose: vacuum and brush'),
    rule('rinse-bench', 'usual', onTheBench, 'hose', 'on the bench a hose at low pressure carries everything off, along the fins', 'rinseSchool'),
    rule(
      'rinse-little',
      'usual',
      littleWater,
      'spray-bottle',
      'only little water can be caught here: sprayed by hand, face by face, with rags below',
      'rinseSchool',
    ),
    rule('rinse-clear-water', 'usual', otherwise, 'pump-wand', 'soil is carried off with clear water until the run-off is clear', 'rinseSchool'),
    rule('rinse-carried-water', 'usual', otherwise, 'spray-bottle', ({ site }) =>
      site.waterOnSite
        ? 'water is carried to the unit and sprayed by hand, face by face'
        : `no tap on site: of the ${site.carriedWaterL} L in the van, sprayed by hand, face by face`,
    ),
    rule('rinse-nothing', 'usual', otherwise, 'none', whatIsMissing),
  ],
}
