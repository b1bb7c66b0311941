// Rinse or no rinse: the main dispute. What carries the soil off the coil?
import { hasKind, type SoilKind } from '../../lookover/index.ts'
import { round } from '../../quantities/index.ts'
import { all, any, not, otherwise, when } from '../condition.ts'
import { neededCondensateLM2, type Facts } from '../facts.ts'
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
  looseSoil,
  sensitive,
  soil,
  untouched,
  washable,
  waterOnSite,
} from './conditions.ts'

const { rule, bar } = rulesOn('rinse')

const condensateFigure = ({ condensateLM2Day }: Facts) =>
  `within a day the unit makes ${round(condensateLM2Day, 1)} L of condensate per m² of coil; ${neededCondensateLM2.value} L are needed`
const enoughCondensate = when('enough condensate within 24 h', ({ condensateLM2Day }) => condensateLM2Day >= neededCondensateLM2.value)
const selfRinsingInVan = when(
  'a suitable self-rinsing foam in the van',
  ({ product }) => product('self-rinsing-foam').product?.label.rinse === 'self-rinsing',
)
const mustRinse = any(coilAtLeast(3), soil(['grease', 'fine-powder', 'biofilm'], 'coilFace', 'coilBack'), sensitive)
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

export const rinse: RuleSet = {
  bars: [
    bar(
      'rinse-condensate-grade',
      'condensate',
      coilAtLeast(3),
      ({ coilGrade }) => `the coil is at grade ${coilGrade}; self-rinsing foam is for grade 2 and below`,
    ),
    bar('rinse-condensate-drain', 'condensate', drainIs('slow', 'failed'), 'the drain does not pass its flow test: foam must not go into it'),
    bar('rinse-condensate-dry-air', 'condensate', not(enoughCondensate), condensateFigure),
    bar('rinse-condensate-product', 'condensate', not(selfRinsingInVan), ({ product }) =>
      product('self-rinsing-foam').because.concat('without a foam labelled self-rinsing the coil is rinsed'),
    ),
    bar('rinse-condensate-soil', 'condensate', mustRinse, whyRinse),
    bar('rinse-pump-none', 'pump-wand', not(carries('pump-wand')), 'no pump and wand in the van'),
    bar('rinse-pump-water', 'pump-wand', not(waterOnSite), 'no tap on site to fill the pump tank'),
    bar('rinse-pump-containment', 'pump-wand', not(washable), 'nothing in the van catches that much water'),
    bar('rinse-hose-indoors', 'hose', chosen('location', 'in-place'), 'a hose makes more water than can be caught indoors'),
    bar(
      'rinse-none-soil',
      'none',
      all(not(untouched), not(dryIsEnough), not(equipmentRoom), washable),
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
      'a film comes off with a spray bottle; the cover stays on',
    ),
    rule('rinse-light-needed', 'need', all(chosen('scope', 'clean-in-place'), coilAtMost(1), mustRinse), 'spray-bottle', (facts) => [
      ...whyRinse(facts),
      'a film comes off with a spray bottle; the cover stays on',
    ]),
    rule('rinse-needed', 'need', mustRinse, 'pump-wand', whyRinse),
    rule('rinse-no-water-dry', 'usual', all(not(waterOnSite), dryIsEnough), 'none', 'no water on site, and the soil is loose: vacuum and brush'),
    rule('rinse-clear-water', 'usual', otherwise, 'pump-wand', 'soil is carried off with clear water until the run-off is clear', 'rinseSchool'),
    rule('rinse-carried-water', 'usual', otherwise, 'spray-bottle', 'water is carried to the unit and sprayed by hand, face by face'),
  ],
}
