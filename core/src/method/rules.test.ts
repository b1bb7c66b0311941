// One job per rule in which that rule decides, and one per bar in which it rules its choice out: change an outcome, and a line here fails.
import { contextOf, planUnit, type UnitJob } from '../plan/index.ts'
import { builtInProducts, builtInVan, type Product } from '../products/index.ts'
import { jobWith } from '../tests/jobs.ts'
import { ruleBook, topics, type Choice } from './index.ts'
import { told, inEnglish } from '../tests/inEnglish.ts'

type Unit = Partial<UnitJob>
type Rest = NonNullable<Parameters<typeof jobWith>[1]>
type Grade = 0 | 1 | 2 | 3 | 4
type Case = [id: string, choice: Choice, unit?: Unit, rest?: Rest]

const graded = (part: string, grade: Grade, ...kinds: string[]): Unit => ({ grades: { [part]: { grade, kinds } } }) as Unit
const both = (...units: Unit[]): Unit =>
  units.reduce((sum, unit) => ({ ...sum, ...unit, design: { ...sum.design, ...unit.design }, grades: { ...sum.grades, ...unit.grades } }), {})
const of = (family: UnitJob['family'], ...units: Unit[]): Unit => both({ family }, ...units)
const cassette = (...units: Unit[]) => of('ceiling-cassette', ...units)
const window = (...units: Unit[]) => of('window', ...units)
const sleeve = (...units: Unit[]) => of('through-wall', ...units)
const roof = (...units: Unit[]) => of('rv-rooftop', ...units)
const design = (traits: UnitJob['design']): Unit => ({ design: traits })
const complaint = (...complaints: UnitJob['complaints']): Unit => ({ complaints })
const finding = (...findings: NonNullable<UnitJob['findings']>): Unit => ({ findings })
const chosen = (choices: NonNullable<UnitJob['choices']>): Unit => ({ choices })

const coat = graded('coilFace', 2, 'dust')
const film = graded('coilFace', 1)
const mat = graded('coilFace', 3)
const stuck = design({ wheelRemovable: false, coilLiftable: false, panRemovable: false })
const inWall = design({ removable: false, storey: 0 })
/** Does not slide onto a stand: carried outdoors. */
const carried = design({ slideOut: false })

const without = (...kinds: string[]): Rest => ({ equipment: builtInVan.filter(({ kind }) => !kinds.includes(kind)) })
const with_ = (kind: 'air-line'): Rest => ({ equipment: [...builtInVan, { id: kind, kind, count: 1 }] })
const shelf = (...keep: Product['class'][]): Rest => ({
  products: builtInProducts.filter((product) => keep.includes(product.class) && !product.household),
})
const school = (houseRules: NonNullable<Rest['houseRules']>): Rest => ({ houseRules })
const site = (place: NonNullable<Rest['site']>): Rest => ({ site: place })
/** Nobody looked at any of it. */
const unseen = {
  grades: Object.fromEntries(['filter', 'coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', 'outlet', 'housing'].map((part) => [part, undefined])),
} as Unit
const condenser = (grade: Grade, ...kinds: string[]): Unit => graded('condenserFace', grade, ...kinds)
const noSprayer = without('spray-bottle', 'pump-sprayer')
const household = school({ agentSchool: 'household' })
const untrained: Rest = { crew: [{ name: 'Sanna' }, { name: 'Ole' }] }
const air = (dryBulbC: number, relativeHumidity: number, windMs?: number, rainMmH?: number) =>
  site({ outdoorAir: { dryBulbC, relativeHumidity, ...(windMs === undefined ? {} : { windMs }), ...(rainMmH === undefined ? {} : { rainMmH }) } })
const degreaser: Rest = {
  products: [
    ...builtInProducts,
    {
      id: 'fin-degreaser',
      name: 'Fin degreaser',
      class: 'alkaline-degreaser',
      label: { pH: [11, 12], dilution: [10, 20], dwellMin: [3, 6], indoorSafe: false, aluminiumSafe: true, rinse: 'required' },
    },
  ],
}

const decides: Case[] = [
  ['scope-decline', 'decline', both(coat, finding('scorched-plug'))],
  ['scope-weather', 'filter-service', roof(film), air(25, 0.5, 11)],
  ['scope-untrained-roof', 'filter-service', roof(film), untrained],
  ['scope-unseen', 'filter-service', unseen],
  ['scope-bench', 'bench-clean', window(graded('basePan', 2))],
  ['scope-bench-stays', 'open-clean', window(inWall, graded('basePan', 2))],
  ['scope-strip', 'strip-down', graded('wheel', 3)],
  ['scope-open-instead', 'open-clean', both(stuck, graded('wheel', 3))],
  ['scope-open', 'open-clean', coat],
  ['scope-open-drain', 'open-clean', complaint('drips-indoors')],
  ['scope-roof', 'open-clean', roof(film)],
  ['scope-closed', 'clean-in-place', film],
  ['scope-closed-smell', 'clean-in-place', complaint('smell')],
  ['scope-filter', 'filter-service', graded('filter', 3)],
  ['location-bench', 'outdoors', sleeve(carried, coat)],
  ['location-stand', 'on-stand', sleeve(coat)],
  ['location-in-place', 'in-place', coat],
  ['dry-untouched', 'none', both(coat, finding('no-safe-access'))],
  ['dry-powder', 'vacuum-and-brush', graded('coilFace', 2, 'fine-powder')],
  ['dry-air', 'low-pressure-air', window(carried, coat), with_('air-line')],
  ['dry-loose', 'vacuum-and-brush', coat],
  ['dry-none', 'none', graded('pan', 2)],
  ['agent-untouched', 'none', graded('filter', 2)],
  ['agent-dry', 'mild-detergent', coat, school({ rinseSchool: 'dry' })],
  ['agent-dry-nothing', 'none', coat, { ...without('wet-vacuum'), ...school({ rinseSchool: 'dry' }) }],
  ['agent-grease-household', 'mild-detergent', graded('coilFace', 2, 'smoke'), household],
  ['agent-grease-mild', 'mild-detergent', graded('coilFace', 2, 'grease'), shelf('mild-detergent')],
  ['wheel-agent-unwashed', 'none', coat],
  ['wheel-agent-slime', 'antimicrobial-foam', graded('wheel', 2, 'biofilm')],
  ['wheel-agent-grease-household', 'mild-detergent', graded('wheel', 2, 'grease'), household],
  ['wheel-agent-grease', 'rinse-off-foam', graded('wheel', 2, 'grease')],
  ['wheel-agent-household', 'mild-detergent', graded('wheel', 3), household],
  ['wheel-agent-heavy', 'rinse-off-foam', graded('wheel', 3)],
  ['wheel-agent-mild', 'mild-detergent', graded('wheel', 2)],
  ['wheel-agent-second-best', 'rinse-off-foam', graded('wheel', 2), shelf('rinse-off-foam')],
  ['wheel-agent-water', 'water', graded('wheel', 2), { products: [] }],
  ['condenser-rinse-elsewhere', 'none', coat],
  ['condenser-rinse-untouched', 'none', window(inWall, design({ storey: 2 }), condenser(3))],
  ['condenser-rinse-clear', 'none', window(coat)],
  ['condenser-rinse-hose', 'hose', window(carried, condenser(3))],
  ['condenser-rinse-pump', 'pump-wand', window(condenser(3)), without('hose')],
  ['condenser-rinse-spray', 'spray-bottle', roof(condenser(3)), site({ waterOnSite: false })],
  ['condenser-rinse-dry', 'none', roof(condenser(3)), without('spray-bottle', 'pump-sprayer')],
  ['agent-self-rinsing', 'self-rinsing-foam', coat, school({ rinseSchool: 'self-rinsing' })],
  ['agent-biofilm', 'antimicrobial-foam', graded('coilFace', 2, 'biofilm')],
  ['agent-clear', 'none', graded('pan', 2)],
  ['agent-household', 'mild-detergent', coat, school({ agentSchool: 'household' })],
  ['agent-grease', 'rinse-off-foam', graded('coilFace', 2, 'grease')],
  ['agent-salt-pollen', 'water', graded('coilFace', 2, 'salt')],
  ['agent-heavy', 'rinse-off-foam', coat],
  ['agent-mild', 'mild-detergent', film],
  ['agent-second-best', 'rinse-off-foam', film, shelf('rinse-off-foam')],
  ['agent-water', 'water', coat, { products: [] }],
  ['condenser-elsewhere', 'none', coat],
  ['condenser-untouched', 'none', window(graded('filter', 2))],
  ['condenser-unreached', 'none', window(design({ removable: false }), graded('condenserFace', 3))],
  ['condenser-clear', 'none', window(coat)],
  ['condenser-dry', 'none', roof(condenser(2)), without('spray-bottle', 'pump-sprayer')],
  ['condenser-grease', 'alkaline-degreaser', window(graded('condenserFace', 3, 'grease')), degreaser],
  ['condenser-salt-pollen', 'water', window(graded('condenserFace', 2, 'salt'))],
  ['condenser-foam', 'outdoor-foam', window(graded('condenserFace', 3, 'leaf-litter'))],
  ['condenser-detergent', 'mild-detergent', window(graded('condenserFace', 3)), shelf('mild-detergent')],
  ['condenser-water', 'water', roof(graded('condenserFace', 1))],
  ['rinse-untouched', 'none', graded('filter', 2)],
  ['rinse-no-containment', 'none', coat, without('wash-bag', 'bucket')],
  ['rinse-clear-coil', 'none', graded('wheel', 2)],
  ['rinse-nothing', 'none', mat, without('pump-wand', 'spray-bottle', 'pump-sprayer')],
  ['rinse-equipment-room', 'none', coat, site({ setting: 'equipment-room' })],
  ['rinse-dry-school', 'none', coat, school({ rinseSchool: 'dry' })],
  ['rinse-self-school', 'condensate', coat, school({ rinseSchool: 'self-rinsing' })],
  ['rinse-light', 'spray-bottle', film],
  ['rinse-light-needed', 'spray-bottle', graded('coilFace', 1, 'grease')],
  ['rinse-needed-bench', 'hose', window(carried, mat)],
  ['rinse-needed-little', 'spray-bottle', roof(mat)],
  ['rinse-needed', 'pump-wand', mat],
  ['rinse-no-water-dry', 'none', coat, site({ waterOnSite: false })],
  ['rinse-bench', 'hose', sleeve(carried, coat)],
  ['rinse-little', 'spray-bottle', roof(coat)],
  ['rinse-clear-water', 'pump-wand', coat],
  ['rinse-carried-water', 'spray-bottle', mat, site({ waterOnSite: false })],
  ['wheel-untouched', 'leave', graded('filter', 2)],
  ['wheel-cracked', 'leave', both(graded('wheel', 3), finding('cracked-wheel'))],
  ['wheel-in-the-way', 'remove-and-wash', both(design({ panRemovable: false }), graded('coilBack', 3))],
  ['wheel-clear', 'leave', coat],
  ['wheel-film', 'leave', both(coat, graded('wheel', 1))],
  ['wheel-brush', 'brush-through-outlet', both(design({ quickAccessOutlet: true }), graded('wheel', 2))],
  ['wheel-in-place-school', 'wash-in-place', graded('wheel', 3), school({ wheelSchool: 'in-place' })],
  ['wheel-remove', 'remove-and-wash', cassette(graded('wheel', 3))],
  ['wheel-in-place', 'wash-in-place', graded('wheel', 2)],
  [
    'wheel-dry-brush',
    'brush-through-outlet',
    both(stuck, design({ quickAccessOutlet: true }), coat, graded('wheel', 3)),
    site({ setting: 'equipment-room' }),
  ],
  ['wheel-out-instead', 'remove-and-wash', both(graded('wheel', 2), graded('coilBack', 3)), site({ setting: 'equipment-room' })],
  ['wheel-left', 'leave', roof(design({ wheelRemovable: false, wheelReachable: false }), graded('wheel', 3))],
  ['pan-untouched', 'leave', graded('filter', 2)],
  ['pan-remove', 'remove-and-wash', graded('pan', 3)],
  ['pan-in-the-way', 'remove-and-wash', graded('wheel', 3)],
  ['pan-flush', 'flush-in-place', both(stuck, graded('pan', 3))],
  ['pan-wipe', 'wipe', both(coat, graded('pan', 1)), school({ rinseSchool: 'dry' })],
  ['pan-closed', 'leave', film],
  ['pan-leave', 'leave', coat, school({ rinseSchool: 'dry' })],
  ['containment-bench', 'outdoors', window(carried, coat)],
  ['containment-stand', 'funnel-sheet-to-bucket', window(coat)],
  ['containment-roof', 'opening-plug-and-rags', roof(film)],
  ['containment-dry', 'floor-sheet', graded('filter', 2)],
  ['containment-wall', 'floor-sheet', window(inWall, coat)],
  ['containment-funnel', 'funnel-sheet-to-bucket', cassette(coat)],
  ['containment-wheel-bag', 'wash-bag-to-bucket', both(stuck, graded('wheel', 2))],
  ['containment-little', 'trough-and-towel', film],
  ['containment-bag', 'wash-bag-to-bucket', mat],
  ['electrics-box-in-way', 'unplug-and-remove', both(design({ boardBlocksPan: true }), graded('pan', 3))],
  ['electrics-hose', 'unplug-and-remove', window(carried, coat)],
  ['electrics-dry', 'cover', graded('filter', 2)],
  ['electrics-bag', 'bag', coat],
  ['drain-untouched', 'flow-test-only', both(coat, finding('no-safe-access', 'drain-blocked'))],
  ['drain-flush-first', 'flush', both(coat, finding('drain-slow')), school({ drainSchool: 'flush-first' })],
  ['drain-vacuum', 'vacuum-from-outside', both(coat, finding('drain-blocked'))],
  ['drain-vacuum-slow', 'vacuum-from-outside', both(coat, finding('drain-slow'))],
  ['drain-part', 'disconnect-and-flush', both(coat, finding('drain-blocked')), without('wet-vacuum')],
  ['drain-flush', 'flush', both(coat, graded('pan', 1))],
  ['drain-part-slow', 'disconnect-and-flush', cassette(coat, finding('drain-slow')), without('wet-vacuum')],
  ['drain-draw', 'vacuum-from-outside', cassette(coat, graded('drainLine', 1))],
  ['drain-condensate', 'flow-test-only', film],
  ['drain-pump-test', 'flow-test-only', cassette(coat)],
  ['drain-holds', 'flow-test-only', window(coat)],
  ['drain-test', 'flow-test-only', coat],
  ['treatment-untouched', 'none', graded('filter', 2)],
  ['treatment-biofilm', 'slow-release', complaint('drips-indoors')],
  ['treatment-closed', 'none', film],
  ['treatment-none', 'none', coat],
  ['drying-wet-electronics', 'long-air-dry', both(coat, finding('wet-electronics'))],
  ['drying-dry-job', 'short-air-dry', graded('filter', 2)],
  ['drying-long-school', 'long-air-dry', coat, school({ dryingSchool: 'long-air-dry' })],
  ['drying-fan', 'fan-run', coat],
  ['drying-cracked-wheel', 'short-air-dry', both(coat, finding('cracked-wheel'))],
]

const bars: Case[] = [
  ['scope-strip-fixed', 'strip-down', both(stuck, graded('wheel', 3))],
  ['scope-strip-in-wall', 'strip-down', window(graded('wheel', 3))],
  ['scope-bench-hung', 'bench-clean', cassette(mat)],
  ['scope-bench-roof', 'bench-clean', roof(mat)],
  ['scope-bench-carried', 'bench-clean', window(design({ weightKg: 60, slideOut: false }), mat)],
  ['scope-bench-wired', 'bench-clean', sleeve(design({ hardWired: true }), mat), untrained],
  ['scope-closed-roof', 'clean-in-place', roof(film)],
  ['location-hung', 'outdoors', coat],
  ['location-stays', 'outdoors', window(film)],
  ['location-bench-only', 'in-place', window(mat)],
  ['location-heavy', 'outdoors', window(design({ weightKg: 60 }), mat)],
  ['location-no-stand', 'on-stand', window(carried, mat)],
  ['scope-closed-drain', 'clean-in-place', both(film, finding('drain-blocked'))],
  ['dry-air-indoors', 'low-pressure-air', coat, with_('air-line')],
  ['dry-no-air', 'low-pressure-air', window(coat)],
  ['agent-mild-detergent-label', 'mild-detergent', film, { products: [] }],
  ['agent-self-rinsing-foam-label', 'self-rinsing-foam', coat, { products: [] }],
  ['agent-rinse-off-foam-label', 'rinse-off-foam', coat, { products: [] }],
  ['agent-antimicrobial-foam-label', 'antimicrobial-foam', coat, { products: [] }],
  ['agent-foam-needs-rinse', 'rinse-off-foam', coat, school({ rinseSchool: 'dry' })],
  ['agent-antimicrobial-needs-rinse', 'antimicrobial-foam', coat, school({ rinseSchool: 'dry' })],
  ['agent-self-rinsing-only-condensate', 'self-rinsing-foam', coat],
  ['agent-detergent-condensate', 'mild-detergent', coat, school({ rinseSchool: 'self-rinsing' })],
  ['agent-rinse-off-condensate', 'rinse-off-foam', coat, school({ rinseSchool: 'self-rinsing' })],
  ['agent-antimicrobial-condensate', 'antimicrobial-foam', coat, school({ rinseSchool: 'self-rinsing' })],
  ['agent-dry-detergent', 'mild-detergent', coat, { ...without('wet-vacuum'), ...school({ rinseSchool: 'dry' }) }],
  ['condenser-water-unreached', 'water', coat],
  ['condenser-mild-detergent-unreached', 'mild-detergent', coat],
  ['condenser-outdoor-foam-unreached', 'outdoor-foam', window(design({ removable: false }), graded('condenserFace', 3))],
  ['condenser-alkaline-degreaser-unreached', 'alkaline-degreaser', cassette(coat)],
  ['condenser-water-needs-rinse', 'water', roof(condenser(2)), noSprayer],
  ['condenser-mild-detergent-needs-rinse', 'mild-detergent', roof(condenser(2)), noSprayer],
  ['condenser-outdoor-foam-needs-rinse', 'outdoor-foam', roof(condenser(2)), noSprayer],
  ['condenser-alkaline-degreaser-needs-rinse', 'alkaline-degreaser', roof(condenser(2)), { ...degreaser, ...noSprayer }],
  ['condenser-mild-detergent-label', 'mild-detergent', window(graded('condenserFace', 3)), { products: [] }],
  ['condenser-outdoor-foam-label', 'outdoor-foam', window(design({ finCoating: 'epoxy' }), graded('condenserFace', 3))],
  ['condenser-alkaline-degreaser-label', 'alkaline-degreaser', window(graded('condenserFace', 3, 'grease'))],
  ['rinse-condensate-grade', 'condensate', mat],
  ['rinse-condensate-drain', 'condensate', both(coat, finding('drain-slow'))],
  ['rinse-condensate-heats', 'condensate', both(coat, design({ heatsOnly: true }))],
  ['rinse-condensate-season', 'condensate', coat, air(12, 0.8)],
  ['rinse-condensate-unknown', 'condensate', coat, site({ outdoorAir: undefined })],
  ['rinse-condensate-bench', 'condensate', window(coat)],
  ['rinse-condensate-dry-air', 'condensate', coat, air(36, 0.06)],
  ['rinse-condensate-product', 'condensate', coat, { products: [] }],
  ['rinse-condensate-soil', 'condensate', graded('coilFace', 2, 'grease')],
  ['rinse-pump-none', 'pump-wand', coat, without('pump-wand')],
  ['rinse-pump-water', 'pump-wand', mat, site({ waterOnSite: false })],
  ['rinse-pump-containment', 'pump-wand', cassette(coat), without('funnel-sheet')],
  ['rinse-pump-roof', 'pump-wand', roof(coat)],
  ['rinse-pump-wall', 'pump-wand', window(inWall, coat)],
  ['rinse-hose-in-place', 'hose', coat],
  ['rinse-hose-none', 'hose', window(coat), without('hose')],
  ['rinse-hose-water', 'hose', window(coat), site({ waterOnSite: false })],
  ['rinse-hose-drain', 'hose', window(coat), site({ foulDrainOnSite: false })],
  ['rinse-none-soil', 'none', mat],
  ['wheel-fixed', 'remove-and-wash', both(stuck, graded('wheel', 3))],
  ['wheel-untrained', 'remove-and-wash', graded('wheel', 3), untrained],
  ['wheel-no-meter', 'remove-and-wash', roof(graded('wheel', 3)), without('meter')],
  ['wheel-not-stripped', 'remove-and-wash', graded('wheel', 2)],
  ['wheel-in-wall', 'wash-in-place', window(inWall, graded('wheel', 3))],
  ['wheel-out-of-reach', 'wash-in-place', roof(design({ wheelReachable: false }), graded('wheel', 2))],
  ['wheel-no-catch', 'wash-in-place', graded('wheel', 2), without('wash-bag', 'funnel-sheet')],
  ['wheel-dry-job', 'wash-in-place', both(coat, graded('wheel', 1)), school({ rinseSchool: 'dry' })],
  ['wheel-closed', 'wash-in-place', both(film, graded('wheel', 2), chosen({ scope: 'clean-in-place' }))],
  ['wheel-no-slot', 'brush-through-outlet', graded('wheel', 2)],
  ['wheel-cracked-wash', 'wash-in-place', both(graded('wheel', 2), finding('cracked-wheel'))],
  ['pan-fixed', 'remove-and-wash', both(stuck, graded('pan', 3))],
  ['pan-box', 'remove-and-wash', both(design({ boardBlocksPan: true }), graded('pan', 3)), untrained],
  ['pan-not-stripped', 'remove-and-wash', graded('pan', 2)],
  ['pan-wipe-closed', 'wipe', film],
  ['pan-flush-in-place-closed', 'flush-in-place', film],
  ['pan-dry-job', 'flush-in-place', coat, school({ rinseSchool: 'dry' })],
  ['containment-no-bag', 'wash-bag-to-bucket', coat, without('wash-bag')],
  ['containment-no-bucket', 'wash-bag-to-bucket', coat, without('bucket')],
  ['containment-bag-family', 'wash-bag-to-bucket', cassette(coat)],
  ['containment-trough-family', 'trough-and-towel', cassette(film)],
  ['containment-trough-full', 'trough-and-towel', mat],
  ['containment-sheet-wet', 'floor-sheet', coat],
  ['containment-sheet-roof', 'floor-sheet', roof(coat), school({ rinseSchool: 'dry' })],
  ['containment-funnel-family', 'funnel-sheet-to-bucket', window(carried, coat)],
  ['containment-no-funnel', 'funnel-sheet-to-bucket', cassette(coat), without('funnel-sheet')],
  ['containment-plug-family', 'opening-plug-and-rags', coat],
  ['containment-outdoors', 'outdoors', coat],
  ['electrics-fixed', 'unplug-and-remove', both(coat, design({ boardRemovable: false }))],
  ['electrics-untrained', 'unplug-and-remove', coat, untrained],
  ['electrics-wet-cover', 'cover', coat],
  ['drain-test-blocked', 'flow-test-only', both(coat, finding('drain-blocked'))],
  ['drain-flush-closed', 'flush', film],
  ['drain-part-closed', 'disconnect-and-flush', film],
  ['drain-flush-pump', 'flush', cassette(coat)],
  ['drain-no-vacuum', 'vacuum-from-outside', coat, without('wet-vacuum')],
  ['drain-no-end', 'vacuum-from-outside', window(coat)],
  ['drain-no-line', 'disconnect-and-flush', window(coat)],
  ['treatment-unreached', 'slow-release', film],
  ['treatment-label', 'slow-release', complaint('drips-indoors'), { products: [] }],
  ['agent-dry-powder', 'mild-detergent', graded('coilFace', 1, 'fine-powder'), site({ setting: 'equipment-room' })],
  ['agent-water-dry', 'water', coat, school({ rinseSchool: 'dry' })],
  ['condenser-rinse-condensate', 'condensate', roof(condenser(2))],
  ['condenser-rinse-hose-unreached', 'hose', coat],
  ['condenser-rinse-pump-wand-unreached', 'pump-wand', coat],
  ['condenser-rinse-spray-bottle-unreached', 'spray-bottle', coat],
  ['condenser-rinse-hose-place', 'hose', roof(condenser(2))],
  ['condenser-rinse-pump-place', 'pump-wand', roof(condenser(2))],
  ['condenser-rinse-hose-none', 'hose', window(condenser(2)), without('hose')],
  ['condenser-rinse-hose-tap', 'hose', window(condenser(2)), site({ waterOnSite: false })],
  ['condenser-rinse-hose-drain', 'hose', window(condenser(2)), site({ foulDrainOnSite: false })],
  ['condenser-rinse-pump-none', 'pump-wand', window(condenser(2)), without('pump-wand')],
  ['condenser-rinse-pump-tap', 'pump-wand', window(condenser(2)), site({ waterOnSite: false })],
  ['condenser-rinse-spray-none', 'spray-bottle', roof(condenser(2)), noSprayer],
  ['condenser-rinse-spray-water', 'spray-bottle', roof(condenser(2)), site({ waterOnSite: false, carriedWaterL: 0 })],
  ['containment-funnel-bucket', 'funnel-sheet-to-bucket', cassette(coat), without('bucket')],
  ['containment-trough-bucket', 'trough-and-towel', coat, without('bucket')],
  ['drain-flush-blocked', 'flush', both(coat, finding('drain-blocked'))],
  ['dry-air-powder', 'low-pressure-air', window(graded('coilFace', 2, 'fine-powder')), with_('air-line')],
  ['electrics-closed', 'unplug-and-remove', film],
  ['electrics-no-meter', 'unplug-and-remove', coat, without('meter')],
  ['wheel-leave-stripped', 'leave', both(design({ panRemovable: false }), graded('coilBack', 3))],
  ['wheel-brush-through-outlet-stripped', 'brush-through-outlet', both(design({ panRemovable: false }), graded('coilBack', 3))],
  ['wheel-wash-in-place-stripped', 'wash-in-place', both(design({ panRemovable: false }), graded('coilBack', 3))],
  ['pan-leave-stripped', 'leave', graded('coilBack', 3)],
  ['pan-wipe-stripped', 'wipe', graded('coilBack', 3)],
  ['pan-flush-in-place-stripped', 'flush-in-place', graded('coilBack', 3)],
  ['rinse-spray-containment', 'spray-bottle', coat, without('bucket')],
  ['rinse-spray-none', 'spray-bottle', film, noSprayer],
  ['rinse-spray-water', 'spray-bottle', film, site({ waterOnSite: false, carriedWaterL: 0 })],
  ['scope-open-no-roof', 'open-clean', roof(film), untrained],
  ['scope-strip-no-roof', 'strip-down', roof(film), air(1, 0.5)],
  ['wheel-agent-mild-detergent-label', 'mild-detergent', graded('wheel', 2), { products: [] }],
  ['wheel-agent-rinse-off-foam-label', 'rinse-off-foam', graded('wheel', 2), { products: [] }],
  ['wheel-agent-antimicrobial-foam-label', 'antimicrobial-foam', graded('wheel', 2), { products: [] }],
  ['wheel-agent-self-rinsing', 'self-rinsing-foam', graded('wheel', 2)],
  ['wheel-cracked-brush', 'brush-through-outlet', both(design({ quickAccessOutlet: true }), graded('wheel', 2), finding('cracked-wheel'))],
  ['wheel-cracked-remove', 'remove-and-wash', both(graded('wheel', 3), finding('cracked-wheel'))],
  ['wheel-in-wall-brush', 'brush-through-outlet', window(inWall, graded('wheel', 3))],
  ['wheel-no-water', 'wash-in-place', graded('wheel', 2), site({ waterOnSite: false, carriedWaterL: 0 })],
  ['drying-not-flooded', 'long-air-dry', film],
  ['drying-wet-board', 'fan-run', both(coat, finding('wet-electronics'))],
  ['drying-cracked', 'fan-run', both(coat, finding('cracked-wheel'))],
]

const topicOf = (id: string) => topics.find((topic) => [...ruleBook[topic].rules, ...ruleBook[topic].bars].some((entry) => entry.id === id))!
function decisionOn(id: string, unit: Unit = {}, rest: Rest = {}) {
  const job = jobWith(unit, rest)
  const { facts, plan } = planUnit(job.units[0], contextOf(job))
  return { facts, decision: told(plan).decisions.find(({ topic }) => topic === topicOf(id))! }
}

describe('each rule decides in its job', () => {
  it.each(decides)('%s → %s', (...[id, choice, unit, rest]) => expect(decisionOn(id, unit, rest).decision).toMatchObject({ rule: id, choice }))
  it('and none is without a job', () => {
    const known = topics.flatMap((topic) => ruleBook[topic].rules.map(({ id }) => id))
    expect(decides.map(([id]) => id).sort()).toEqual(known.sort())
  })
})

describe('each bar rules its choice out in its job', () => {
  it.each(bars)('%s never %s', (...[id, choice, unit, rest]) => {
    const bar = ruleBook[topicOf(id)].bars.find((entry) => entry.id === id)!
    const { decision, facts } = decisionOn(id, unit, rest)
    expect({ choice: bar.choice, holds: bar.when.holds(facts) }).toEqual({ choice, holds: true })
    const other = decision.turnedDown.find((entry) => entry.choice === choice)
    expect(other).toMatchObject({ standing: 'barred', because: expect.stringContaining(inEnglish(bar.because(facts)[0])) })
  })
  it('and none is without a job', () => {
    const known = topics.flatMap((topic) => ruleBook[topic].bars.map(({ id }) => id))
    expect(bars.map(([id]) => id).sort()).toEqual(known.sort())
  })
})
