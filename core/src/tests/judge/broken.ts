// Plans that are broken on purpose, each in the way that one predicate is there to find.
import { type JobFile, type UnitJob } from '../../plan/index.ts'
import { builtInVan } from '../../products/index.ts'
import { jobWith } from '../jobs.ts'
import { planInEnglish, type ToldPlan, type ToldUnitPlan, type ToldStep } from '../inEnglish.ts'

export interface Broken {
  readonly predicate: string
  readonly job: JobFile
  readonly plan: ToldPlan
}

type Rest = Parameters<typeof jobWith>[1]
type Draft = ToldUnitPlan & { steps: ToldStep[] }

/** The plan of a job with one thing in it changed for the worse. */
function broken(predicate: string, unit: Partial<UnitJob>, spoil: (own: Draft, plan: ToldPlan) => void, rest: Rest = {}): Broken {
  const job = jobWith(unit, rest)
  const plan = JSON.parse(JSON.stringify(planInEnglish(job))) as ToldPlan
  spoil(plan.units[0] as Draft, plan)
  return { predicate, job, plan }
}

const find = (own: Draft, id: string): ToldStep => {
  const step = own.steps.find((entry) => entry.id === id)
  if (!step) throw new Error(`there is no step ${id} to break`)
  return step
}
const drop = (own: Draft, ...ids: string[]) => {
  for (const id of ids) find(own, id)
  own.steps = own.steps.filter(({ id }) => !ids.includes(id))
}
const moveLast = (own: Draft, id: string) => {
  const step = find(own, id)
  own.steps = [...own.steps.filter((entry) => entry !== step), step]
}
const moveFirst = (own: Draft, id: string) => {
  const step = find(own, id)
  own.steps = [step, ...own.steps.filter((entry) => entry !== step)]
}
const choose = (own: Draft, topic: string, choice: string) => {
  for (const decision of own.decisions) if (decision.topic === topic) decision.choice = choice
}
const explain = (own: Draft, topic: string, because: string) => {
  for (const decision of own.decisions) if (decision.topic === topic) decision.because = [because]
}

const strip: Partial<UnitJob> = {
  complaints: ['smell'],
  grades: { wheel: { grade: 3 }, pan: { grade: 3, kinds: ['biofilm'] }, coilFace: { grade: 2 } },
}
const coat: Partial<UnitJob> = { grades: { coilFace: { grade: 2 } } }
const roof: Partial<UnitJob> = { family: 'rv-rooftop', grades: { coilFace: { grade: 2 }, condenserFace: { grade: 3 } } }
const window: Partial<UnitJob> = { family: 'window', grades: { coilFace: { grade: 2 }, wheel: { grade: 3 }, condenserFace: { grade: 3 } } }
const inWall: Partial<UnitJob> = {
  family: 'window',
  design: { removable: false, storey: 0 },
  grades: { coilFace: { grade: 2 }, condenserFace: { grade: 2 } },
}
const light: Partial<UnitJob> = { grades: { coilFace: { grade: 1 } } }
const slideOut: Partial<UnitJob> = {
  family: 'through-wall',
  design: { weightKg: 40, slideOut: true, removable: true },
  grades: { coilFace: { grade: 2 } },
}
const cassette: Partial<UnitJob> = { family: 'ceiling-cassette', grades: { coilFace: { grade: 2 }, wheel: { grade: 3 } } }
const lawless = (caution: string) => !/roof/i.test(caution)

export const brokenPlans = (): Broken[] => [
  broken('roof-weather', roof, (own) => find(own, 'go-up'), { site: { outdoorAir: { dryBulbC: 20, relativeHumidity: 0.5 } } }),
  broken('roof-trained', roof, (own) => delete find(own, 'off-shroud').skill),
  broken('roof-caution', roof, (own) => {
    find(own, 'go-up').cautions = find(own, 'go-up').cautions.filter(lawless)
  }),
  broken('roof-nests', roof, (own) => drop(own, 'look-for-nests')),
  broken('roof-battery', roof, (own) => drop(own, 'join-battery')),
  broken('roof-opening', roof, (own) => drop(own, 'plug-opening')),
  broken('lift-share', { ...window, design: { weightKg: 40, slideOut: false } }, (_, plan) => {
    for (const task of plan.timeline.tasks) if (task.step === 'off-chassis') task.who = ['Sanna']
  }),
  broken('skills', strip, (_, plan) => {
    for (const task of plan.timeline.tasks) if (task.step === 'off-wheel') task.who = ['Sanna']
  }),
  broken('stops', { ...coat, findings: ['scorched-plug'] }, (own) => choose(own, 'scope', 'open-clean')),
  broken('stops-alive', { ...coat, findings: ['insect-nest'], findingExtent: { 'insect-nest': 'alive' } }, (own) =>
    choose(own, 'scope', 'open-clean'),
  ),
  broken('declined-opens-nothing', { ...coat, findings: ['unsecured-unit'] }, (own) => {
    own.steps.push({ ...own.steps[0], id: 'off-cover', takesOff: 'front cover' })
  }),
  broken('power-waits', { ...coat, findings: ['loose-wiring'] }, (own) => drop(own, 'wiring-put-right')),
  broken('cracked-wheel', { ...strip, findings: ['cracked-wheel'] }, (own) => own.steps.push({ ...own.steps[0], id: 'run-unit' })),
  broken('isolated', strip, (own) => drop(own, 'prove-dead')),
  broken('stored-charge', strip, (own) => delete find(own, 'drain-charge').wait),
  broken('no-meter', coat, (_, plan) => (plan.warnings = plan.warnings.filter((words) => !/no meter/.test(words))), {
    equipment: builtInVan.filter(({ kind }) => kind !== 'meter'),
  }),
  broken('containment-first', coat, (own) => moveLast(own, 'set-containment')),
  broken('containment-gate', coat, (own) => delete find(own, 'set-containment').gate),
  broken('one-box-in-place', inWall, (own) => drop(own, 'cover-outlet')),
  broken('closed-round', inWall, (own) => (find(own, 'apply-coil').gate = 'Containment is closed round the unit')),
  broken('catcher-in-van', coat, (own) => choose(own, 'containment', 'wash-bag-to-bucket'), {
    equipment: builtInVan.filter(({ kind }) => kind !== 'wash-bag'),
  }),
  broken('first-spin', { ...window, design: { slideOut: false } }, (own) => drop(own, 'cover-for-spin')),
  broken('water-last-down', coat, (own) => moveLast(own, 'flow-test')),
  broken('pump-test', cassette, (own) => (find(own, 'pump-test').equipment = ['step-ladder'])),
  broken('flow-test', coat, (own) => drop(own, 'flow-test')),
  broken('failed-drain', { ...coat, findings: ['drain-blocked'] }, (own) => drop(own, 'draw-drain')),
  broken('breathed-ph', coat, (own) => (own.mixes[0].productId = 'degreaser')),
  broken('coated-ph', coat, (own) => (own.mixes[0].productId = 'outdoor')),
  broken('breathed-label', coat, (own) => (own.mixes[0].productId = 'outdoor')),
  broken('food-and-scent', coat, (own) => (own.mixes[0].productId = 'self-rinsing'), { site: { setting: 'food' } }),
  broken('two-agents', { grades: { coilFace: { grade: 2, kinds: ['grease', 'biofilm'] } } }, (own) => drop(own, 'rinse-degreaser')),
  broken('rinse-required', coat, (own) => drop(own, 'rinse-coil')),
  broken(
    'powder-air',
    { ...window, grades: { coilFace: { grade: 2, kinds: ['fine-powder'] } } },
    (own) => (find(own, 'vacuum-coil').equipment = ['air-line']),
  ),
  broken('dwell', coat, (own) => (find(own, 'apply-coil').wait = { leastMin: 1, mostMin: 90, for: 'Rinse-off coil foam to work' })),
  broken('upright', window, (own) => (find(own, 'stand-upright').wait = { leastMin: 5, for: 'oil' })),
  broken('secured', window, (own) => drop(own, 'secure-unit')),
  broken('ledger-power', coat, (own) => delete find(own, 'power-on').needsLedger),
  broken('hands', coat, (own) => delete find(own, 'power-on').gate),
  broken('ladder', { ...coat, design: { aboveFloorM: 2.6 } }, (own) => {
    for (const step of own.steps) step.cautions = []
  }),
  broken('caution-missing', coat, (own) => (find(own, 'apply-coil').cautions = [])),
  broken('power-back', coat, (own) => (find(own, 'power-on').cautions = [])),
  broken('said-once', coat, (own) => (find(own, 'on-cover').cautions = [...find(own, 'isolate').cautions])),
  broken('probe', roof, (own) => (find(own, 'on-cover').after = ['flow-test'])),
  broken('set-screw', strip, (own) => drop(own, 'loosen-set-screw')),
  broken('bag-above-open-body', strip, (own) => (find(own, 'off-pan').after = ['off-cover'])),
  broken('antimicrobial-coil', coat, (own) => choose(own, 'coil-agent', 'antimicrobial-foam')),
  broken('antimicrobial-wheel', strip, (own) => choose(own, 'wheel-agent', 'antimicrobial-foam')),
  broken('wheel-agent-mixed', strip, (own) => (own.mixes = own.mixes.filter(({ part }) => part !== 'wheel'))),
  broken('clear-coil', { grades: { wheel: { grade: 3 } } }, (own) => choose(own, 'rinse', 'pump-wand')),
  broken('self-rinsing', { grades: { coilFace: { grade: 3 } } }, (own) => choose(own, 'rinse', 'condensate')),
  broken('dry-heavy', { grades: { coilFace: { grade: 3 } } }, (own) => (own.notReached = []), { site: { setting: 'equipment-room' } }),
  broken('left-dirty-due', coat, (own) => (own.due[0].weeks = 0)),
  broken('condenser', roof, (own) => {
    choose(own, 'condenser-agent', 'none')
    choose(own, 'condenser-rinse', 'none')
  }),
  broken('findings-lead', { ...coat, findings: ['oil-stain'] }, (own) => (own.findings = [])),
  broken('complaints-answered', strip, (own) => (own.complaints = [])),
  broken('bent-fins', { ...coat, findings: ['bent-fins'] }, (own) => drop(own, 'comb-fins')),
  broken('off-level', { ...coat, findings: ['off-level'] }, (own) => drop(own, 'set-level')),
  broken('strip-takes-out', coat, (own) => choose(own, 'scope', 'strip-down')),
  broken('cassette-wheel', { ...cassette, design: { wheelRemovable: undefined } }, (own) => drop(own, 'off-wheel')),
  broken('wheel-said-once', coat, (own) => explain(own, 'scope', 'so it is washed where it sits')),
  broken('treatment', strip, (own) => drop(own, 'treat-pan')),
  broken('too-heavy', { ...window, design: { weightKg: 40, slideOut: false } }, (own) => (own.offers = []), { crew: [{ name: 'Asa', liftKg: 20 }] }),
  broken('disposable', { ...coat, design: { filter: 'disposable' } }, (own) => own.drying.push({ part: 'filter', how: 'fan', minutes: 139 })),
  broken(
    'both-sides',
    { ...window, grades: { coilFace: { grade: 2 } } },
    (own) => (own.customerText = own.customerText.replace('its room side', 'both sides').replace('window (window unit): ', '')),
  ),
  broken(
    'readings-beat',
    { ...coat, readings: { returnC: 27, returnRh: 0.5, supplyC: 27, airflowM3h: 300 } },
    (own) => (own.expected.coolingShareNow = 1),
  ),
  broken(
    'smell-clean',
    { complaints: ['smell'] },
    (own) => (own.diagnosis = [{ cause: 'biofilm in pan', weight: 1, cleaningHelps: 'yes', evidence: [] }]),
  ),
  broken('long-air-dry', coat, (own) => (find(own, 'open-to-dry').wait = { leastMin: 141, for: 'the coil to dry' }), {
    houseRules: { dryingSchool: 'long-air-dry' },
  }),
  broken('dry-to-touch', coat, (own) => delete find(own, 'open-to-dry').mayEndEarly, { houseRules: { dryingSchool: 'long-air-dry' } }),
  broken('wet-coil', coat, (own) => (find(own, 'first-spin').wait = { leastMin: 40, for: 'the coil to dry' })),
  broken('needed-waits', coat, (own) => (find(own, 'on-cover').wait = { leastMin: 20, for: 'the cover' })),
  broken('thrown', coat, (own) => (find(own, 'take-down').after = ['check-ledger'])),
  broken('clear-up-meanwhile', coat, (own) => (find(own, 'clear-up').after = ['run-test'])),
  broken('dries-by-itself', coat, (own) => delete own.afterRun),
  broken('left-open', coat, (own) => {
    choose(own, 'drying', 'long-air-dry')
    choose(own, 'rinse', 'spray-bottle')
  }),
  broken('long-waits-said', coat, (_, plan) => (plan.warnings = []), { houseRules: { dryingSchool: 'long-air-dry' } }),
  broken('closed-pan', light, (own) => own.steps.push({ ...own.steps[0], id: 'wash-pan' })),
  broken('outdoor-side', inWall, (own) => own.steps.push({ ...own.steps[0], id: 'wipe-rear-fan' })),
  broken('behind-pump', cassette, (own) => own.steps.push({ ...own.steps[0], id: 'flush-drain' })),
  broken('stand', slideOut, (own) => choose(own, 'location', 'outdoors')),
  broken('missing-filter', { ...coat, findings: ['missing-filter'] }, (own) => (own.offers = [])),
  broken('film', { grades: { coilFace: { grade: 2 }, wheel: { grade: 1 } } }, (own) => own.steps.push({ ...own.steps[0], id: 'wash-wheel' })),
  broken(
    'no-meter-plugs',
    { ...cassette, design: { roomSensor: false } },
    (own) => (find(own, 'off-cover').title = 'Label and disconnect the display plugs'),
    { equipment: builtInVan.filter(({ kind }) => kind !== 'meter') },
  ),
  broken('all-that-is-caught', coat, (own) => (own.washWater = { ...own.washWater!, caughtL: 0.1 })),
  broken('battery-back', roof, (own) => drop(own, 'join-battery')),
  broken('nothing-more', { grades: { filter: { grade: 2 }, wheel: undefined } }, (own) => (own.customerText += ' It needed nothing more.')),
  broken('kept-off-by-both', roof, (own) => (own.offers = []), {
    site: { outdoorAir: { dryBulbC: 20, relativeHumidity: 0.5, rainMmH: 3 } },
    crew: [{ name: 'Asa' }],
  }),
  broken('soon-says-why', coat, (own) => own.due.push({ what: 'deep-clean', weeks: 2, low: 1, high: 4 })),
  broken(
    'doubted',
    { ...coat, readings: { returnC: 24, returnRh: 0.5, supplyC: 28 } },
    (_, plan) => (plan.warnings = plan.warnings.filter((words) => !/cannot be/.test(words))),
  ),
  broken('clear-not-blamed', coat, (own) => own.diagnosis.push({ cause: 'fouled wheel', weight: 0.1, cleaningHelps: 'yes', evidence: [] })),
  broken(
    'who-is-missing',
    { ...roof, grades: { wheel: { grade: 3 } } },
    (own) => explain(own, 'wheel', 'nobody in the crew is trained to take a wheel out'),
    { crew: [{ name: 'Asa', trained: ['wheel-removal'] }] },
  ),
  broken('one-face-clear', { grades: { coilBack: undefined, pan: { grade: 2 } } }, (own) => explain(own, 'rinse', 'the coil is clear')),
  broken('warmth-and-product', coat, (own) => explain(own, 'coil-agent', 'grease needs a degreasing agent with warm water')),
  broken('litres-of-reason', coat, (own) => explain(own, 'containment', 'about 99 L of wash water: a bag round the unit')),
  broken('dry-said', { grades: { coilFace: { grade: 3 } } }, (own) => (own.notReached = [{ part: 'coilFace', because: 'hard to reach' }]), {
    site: { setting: 'equipment-room' },
  }),
  broken('filter-opens-nothing', { grades: { filter: { grade: 2 } } }, (own) => choose(own, 'scope', 'open-clean')),
  broken('says-against', coat, (own) => {
    for (const other of own.decisions[0].turnedDown) other.because = 'possible, but another one comes before it'
  }),
  broken(
    'failed-flow-found',
    { ...coat, readings: { returnC: 26, returnRh: 0.5, supplyC: 16, flowTest: { litres: 1, seconds: 900 } } },
    (own) => (own.findings = []),
  ),
  broken('told-before', strip, (own) => drop(own, 'tell-before')),
  broken('things-back', coat, (own) => drop(own, 'put-things-back')),
  broken('dry-school-dry-coil', coat, (own) => drop(own, 'coil-dry-first'), { houseRules: { rinseSchool: 'dry' } }),
  broken('vents', { ...roof, design: { ducted: true } }, (own) => drop(own, 'read-vents')),
  broken('outdoor-unit', coat, (own) => (own.offers = [])),
  broken('order', coat, (own) => moveFirst(own, 'hand-over')),
  broken('put-back', strip, (own) => drop(own, 'on-wheel')),
  broken('timeline', coat, (_, plan) => (plan.timeline.tasks = plan.timeline.tasks.slice(1))),
  broken('water-sum', coat, (own) => (own.washWater = { ...own.washWater!, litres: 0.9 })),
  broken('roof-cup', roof, (own) => (find(own, 'flow-test').title = 'Flow test: pour one litre onto the rags')),
  broken('bucket-changes', coat, (own) => (own.washWater = { ...own.washWater!, bucketChanges: 3 })),
  broken('mix-label', coat, (own) => (own.mixes[0].waterL = own.mixes[0].productL * 99)),
  broken('mix-cup', coat, (own) => (own.mixes[0].productL = 0.0021)),
  broken('mix-step', coat, (own) => (own.mixes[0].productL = 1.23)),
  broken('stock', coat, (own) => {
    own.mixes[0].productL = 9
    own.mixes[0].waterL = 72
  }),
  broken('equipment', coat, (own) => (find(own, 'rinse-coil').equipment = ['air-line'])),
  broken('kit', coat, (_, plan) => (plan.kit = [])),
  broken('drying', coat, (own) => (find(own, 'dry-parts').wait = { leastMin: 1, for: 'parts to dry before a fan' })),
  broken('due-band', coat, (own) => (own.due[0].low = 99)),
  broken('price', coat, (_, plan) => (plan.price.total = 1)),
  broken('unseen-clear', { grades: { coilFace: { grade: 2 }, wheel: undefined } }, (own) => explain(own, 'wheel', 'the wheel is clear')),
  broken('unnoted-design', { grades: { wheel: { grade: 3 } }, design: { wheelRemovable: undefined } }, (own) =>
    explain(own, 'wheel', 'the wheel of this design does not come out'),
  ),
  broken('not-looked-at', { grades: { coilFace: { grade: 2 }, wheel: undefined } }, (own) => (own.customerText = 'All well.')),
  broken('empty-reason', coat, (own) => (own.decisions[0].because = [])),
  broken('holes', coat, (own) => (own.customerText += ' undefined')),
  broken('zero-weeks', coat, (own) => (own.customerText += ' Next: deep clean in about 0 weeks.')),
  broken('photo-cover', coat, (own) => (find(own, 'off-cover').photo = 'the head with the cover off')),
  broken('electronics', coat, (own) => (find(own, 'clear-below').title = 'Move electronics away')),
  broken('no-line', roof, (own) => (find(own, 'flow-test').part = 'drainLine')),
  broken('short-steps', coat, (own) => (find(own, 'rinse-coil').title = 'Rinse the coil '.repeat(12))),
  broken('stages', coat, (own) => (find(own, 'rinse-coil').stage = 'Rinse')),
  broken('caution-first', coat, (_, plan) => (plan.warnings = [])),
]
