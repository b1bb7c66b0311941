import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ruleBookInWords, schools, type Choice, type SchoolName, type Topic } from '../method/index.ts'
import { builtInProducts } from '../products/index.ts'
import { jobWith, openUnits } from '../tests/jobs.ts'
import {
  compareChoice,
  compareSchool,
  consequencesOf,
  contextOf,
  planFileSchema,
  planJob,
  planTotals,
  planUnit,
  readJobFile,
  type Plan,
  type UnitJob,
} from './index.ts'
import { inEnglish, planInEnglish, told } from '../tests/inEnglish.ts'

type Rest = Parameters<typeof jobWith>[1]
const planOf = (unit: Partial<UnitJob>, rest: Rest = {}) => planInEnglish(jobWith(unit, rest))
const coat: Partial<UnitJob> = { grades: { coilFace: { grade: 2 } } }
const docs = join(__dirname, '../../../docs')

describe('documents', () => {
  it('hold the rule book in words as the rules are', () => expect(readFileSync(join(docs, 'rules.md'), 'utf8')).toBe(ruleBookInWords(inEnglish)))
  it.each(readdirSync(join(docs, 'examples')))('hold the example %s, which can be planned', (name) => {
    const plan = planInEnglish(readJobFile(readFileSync(join(docs, 'examples', name), 'utf8')))
    expect(planFileSchema.parse(plan)).toEqual(plan)
    expect(plan.units.length).toBeGreaterThan(0)
  })
})

describe('step times of the firm', () => {
  it('take the place of the start values, which stay beside them, and change nothing else', () => {
    const [start, own] = [planInEnglish(jobWith()), planInEnglish({ ...jobWith(), houseRules: { stepTimes: { isolate: 2, 'no-such-step': 0.5 } } })]
    const stepOf = (plan: typeof start) => plan.units[0].steps.find(({ id }) => id === 'isolate')!
    const twice = (minutes = 0) => 2 * minutes
    expect(stepOf(own)).toEqual({
      ...stepOf(start),
      handsMin: twice(stepOf(start).handsMin),
      lowMin: twice(stepOf(start).lowMin),
      highMin: twice(stepOf(start).highMin),
      startMin: stepOf(start).handsMin,
    })
    expect(own.units[0].steps.filter(({ id }) => id !== 'isolate')).toEqual(start.units[0].steps.filter(({ id }) => id !== 'isolate'))
    expect(own.timeline.finishMin).toBeGreaterThanOrEqual(start.timeline.finishMin)
    expect(own.price.total).toBeGreaterThanOrEqual(start.price.total)
  })
})

describe('the pace of who goes', () => {
  const handsOf = (...crew: object[]) => {
    const plan = planInEnglish({ ...jobWith(), crew: crew.map((member, index) => ({ name: `Person ${index}`, ...member })) })
    return plan.visit.hands
  }
  it('makes all they do longer or shorter, by the rate at which all of them work together, and decides nothing', () => {
    expect(handsOf({ pacePercent: 120 }) / handsOf({})).toBeCloseTo(1.2, 1)
    expect(handsOf({ pacePercent: 80 }) / handsOf({})).toBeCloseTo(0.8, 1)
    expect(handsOf({ pacePercent: 150 }, { pacePercent: 75 }) / handsOf({}, {})).toBeCloseTo(1, 1)
    const [slow, usual] = [{ pacePercent: 150 }, {}].map((member) => planInEnglish({ ...jobWith(), crew: [{ name: 'Asa', ...member }] }))
    const chosen = ({ units }: typeof slow) => units[0].decisions.map(({ topic, choice }) => [topic, choice])
    expect(chosen(slow)).toEqual(chosen(usual))
    expect(slow.units[0].steps.map(({ id }) => id)).toEqual(usual.units[0].steps.map(({ id }) => id))
  })
})

describe('warnings', () => {
  it('put codes, manual and licensed practice first in every plan', () => expect(planOf({}).warnings[0]).toMatch(/^Local codes/))
  it('list every default that was assumed, by the unit’s name', () => {
    const { warnings } = planInEnglish({
      ...jobWith(),
      units: [{ id: 'a', name: 'Hall', family: 'wall-head', design: {}, complaints: [], grades: {} }],
    })
    expect(warnings).toContain('Hall: fin coating not noted: assumed coated, so neutral cleaners only')
    expect(warnings.join('\n')).toMatch(/Hall: not checked, so nothing is decided on it: filter, coil front/)
  })
  it('say what is short in the van', () => {
    const products = builtInProducts.map((product) => (product.id === 'rinse-off' ? { ...product, inStockLitres: 0.01 } : product))
    expect(planOf(coat, { products }).warnings.join('\n')).toMatch(/Rinse-off coil foam: [\d.]+ mL needed, 10 mL in the van/)
  })
  it('say what second best would do when nothing suitable is there', () => {
    expect(planOf(coat, { products: [] }).warnings.join('\n')).toMatch(/no rinse-off foam in the van; second best is plain water/)
  })
  it('doubt readings that contradict one another', () => {
    expect(planOf({ ...coat, readings: { returnC: 14, returnRh: 0.6, supplyC: 25 } }).warnings.join('\n')).toMatch(/probes were swapped/)
  })
  it('name products that must never meet', () => {
    const label = { indoorSafe: true, aluminiumSafe: true, rinse: 'required' as const }
    const products = [
      ...builtInProducts,
      { id: 'c', name: 'Whitener', class: 'chlorine-cleaner' as const, label },
      { id: 's', name: 'Descaler', class: 'acid-cleaner' as const, label },
    ]
    expect(planOf(coat, { products }).warnings.join('\n')).toMatch(/Whitener and Descaler are both in the van: .*stop/)
  })
  const said = (unit: Partial<UnitJob>, rest: Rest = {}) => planOf(unit, rest).warnings.join('\n')
  it('name field, value and what is allowed where facts contradict one another', () => {
    expect(said({ family: 'ceiling-cassette', design: { panRemovable: false } })).toMatch(/design\.panRemovable: false is noted.*allowed: true/)
    expect(said({ design: { wheelRemovable: true, coilLiftable: false } })).toMatch(/design\.coilLiftable: false.*allowed: both true/)
    expect(said({ family: 'window', design: { removable: false, slideOut: true } })).toMatch(
      /design\.removable: false is noted together with slideOut: true/,
    )
    const roof = { ...openUnits['rv-rooftop'], design: {} }
    expect(planInEnglish({ ...jobWith(), units: [roof] }).warnings.join('\n')).toMatch(
      /batteryControl not noted \(allowed: true or false\): true assumed/,
    )
  })
  it('name a choice by hand that is not possible here, why, and what is', () => {
    const text = said({ grades: { wheel: { grade: 3 } }, design: { wheelRemovable: false }, choices: { wheel: 'remove-and-wash' } })
    expect(text).toMatch(/choices\.wheel: “remove-and-wash” is not possible here \(.*says that the wheel stays in.*\); allowed: wash-in-place/)
    expect(said({ ...coat, choices: { wheel: 'leave' } })).not.toMatch(/choices/)
  })
  it('say when the bag would overflow', () => {
    const equipment = [
      { id: 'p', kind: 'pump-wand' as const, count: 1, flowLMin: 4 },
      { id: 'b', kind: 'wash-bag' as const, count: 1, litres: 3, outletMm: 10 },
      { id: 'k', kind: 'bucket' as const, count: 1, litres: 8 },
    ]
    const { units, warnings } = planOf({ grades: { coilFace: { grade: 4 }, coilBack: { grade: 4 } } }, { equipment })
    expect(warnings.join('\n')).toMatch(/wash bag: it would overflow after [\d.]+ min/)
    const rinse = units[0].steps.find(({ id }) => id === 'rinse-coil')!
    expect(rinse.how).toMatch(/Stop every [\d.]+ min and clear the outlet/)
    expect(rinse.how).toMatch(/Change the bucket/)
  })
})

describe('what the customer is told', () => {
  const told = (unit: Partial<UnitJob>, rest: Rest = {}) => planOf(unit, rest).units[0].customerText
  it('is what was done, what was not reached, what was found and what is next', () => {
    const text = told({ name: 'Hall', grades: { coilFace: { grade: 2 }, coilBack: { grade: 2 }, wheel: { grade: 2 } }, findings: ['loose-wiring'] })
    expect(text).toMatch(/^Hall \(wall head\): We opened the unit and cleaned it in place\. We rinsed it with clean water/)
    expect(text).toMatch(
      /Not reached, or not clean yet: coil back – .*\. Found: loose wiring \(.*\)\. Please call an electrician – .*specks.*Please wash the filters every \d+ weeks.*Next: .*Then: deep clean in about \d+ weeks/,
    )
  })
  it('of a declined unit is why, and who comes first', () => {
    const text = told({ ...coat, findings: ['scorched-plug'] })
    expect(text).toMatch(/Not cleaned on this visit\. Found: scorched plug \(.*Please call an electrician – a scorched plug.*We opened nothing/)
    expect(text).not.toMatch(/Next:/)
  })
})

describe('a unit that only heats, or is cleaned before the season', () => {
  const school: Rest = { houseRules: { rinseSchool: 'self-rinsing' } }
  it('is never left to its condensate', () => {
    const heats = planOf({ ...coat, design: { heatsOnly: true } }, school).units[0]
    expect(heats.expected.condensateLPerDay).toBe(0)
    expect(heats.decisions.find(({ topic }) => topic === 'rinse')!.choice).toBe('pump-wand')
    expect(heats.steps.find(({ id }) => id === 'run-unit')!.title).toMatch(/^Heat/)
  })
})

describe('what is expected', () => {
  const share = (unit: Partial<UnitJob>) => planOf(unit).units[0].expected
  it('is everything of a clear unit, and less with every grade', () => {
    expect(share({})).toMatchObject({ airflowShareNow: 1, coolingShareNow: 1 })
    expect(share({ grades: { wheel: { grade: 3 } } }).airflowShareNow).toBeLessThan(share({ grades: { wheel: { grade: 2 } } }).airflowShareNow)
  })
  it('costs nothing clean, and something fouled, where a price is known', () => {
    const cost = (unit: Partial<UnitJob>) => planOf(unit, { site: { electricityPricePerKwh: 0.3 } }).units[0].expected.fouledCostPerYear
    expect(cost({})).toBe(0)
    expect(cost({ grades: { coilFace: { grade: 4 } } })!).toBeGreaterThan(50)
    expect(planOf(coat).units[0].expected.fouledCostPerYear).toBeUndefined()
  })
  it('makes condensate in humid heat and none out of season', () => {
    const condensate = (dryBulbC: number, relativeHumidity: number) =>
      planOf(coat, { site: { outdoorAir: { dryBulbC, relativeHumidity } } }).units[0].expected.condensateLPerDay
    expect(condensate(32, 0.7)).toBeGreaterThan(5)
    expect(condensate(12, 0.9)).toBe(0)
  })
})

describe('what is not reached', () => {
  const left = (unit: Partial<UnitJob>, rest: Rest = {}) => planOf(unit, rest).units[0].notReached.map(({ part }) => part)
  it('is the back face when the unit is not stripped', () => {
    expect(left({ grades: { coilFace: { grade: 2 }, coilBack: { grade: 2 } } })).toEqual(['coilBack'])
    expect(left({ grades: { coilFace: { grade: 2 }, coilBack: { grade: 3 } } })).toEqual([])
  })
  it('is the upper face close to the ceiling', () => {
    expect(left({ ...coat, design: { ceilingGapCm: 3 } })).toEqual(['coilFace'])
  })
  it('is the wheel on a dry job, and everything soiled on a declined one', () => {
    expect(left({ grades: { coilFace: { grade: 2 }, wheel: { grade: 1 } } }, { houseRules: { rinseSchool: 'dry' } })).toContain('wheel')
    expect(left({ ...coat, findings: ['unsecured-unit'] })).toEqual(['coilFace'])
  })
})

describe('drying', () => {
  it('lists every wet part for still air and a fan, the coil for the unit’s own fan too', () => {
    const { drying } = planOf({ complaints: ['smell'], grades: { wheel: { grade: 3 }, coilFace: { grade: 2 } } }).units[0]
    const ways = (part: string) => drying.filter((entry) => entry.part === part).map(({ how }) => how)
    expect(ways('coilFace')).toEqual(['still-air', 'fan', 'unit-fan'])
    expect(ways('wheel')).toEqual(['still-air', 'fan'])
  })
})

describe('a unit that is wet when people leave', () => {
  const wet: Partial<UnitJob> = { grades: { coilFace: { grade: 2 } } }
  it('dries by itself, for as long as its own fan takes, and the customer reads it', () => {
    const [own] = planOf(wet).units
    const byFan = own.drying.find(({ part, how }) => part === 'coilFace' && how === 'unit-fan')?.minutes ?? NaN
    expect(own.afterRun?.how).toBe('own-programme')
    expect((own.afterRun?.minutes ?? NaN) - byFan).toBeGreaterThanOrEqual(0)
    expect((own.afterRun?.minutes ?? NaN) - byFan).toBeLessThan(5)
    expect(own.customerText).toMatch(/left it running for about .* to dry inside/)
    expect(own.steps.find(({ id }) => id === 'hand-over')?.gate).toMatch(/runs on for about/)
    expect(planOf({ ...wet, family: 'window' }).units[0].afterRun?.how).toBe('fan-alone')
  })
  it('stays wet where the firm leaves nothing running: said, and looked at again on another day', () => {
    const [own] = planOf(wet, { houseRules: { leaveToDry: false } }).units
    expect(own.afterRun?.how).toBe('none')
    expect(own.steps.some(({ id }) => id === 'leave-to-dry')).toBe(false)
    expect(own.customerText).toMatch(/still wet/)
    expect(own.offers.map(({ what }) => what)).toContain('Another look, once it is dry inside')
  })
  it('is none whose filters alone were washed, that stood open to dry, or that must not run', () => {
    expect(planOf({ grades: { filter: { grade: 2 } } }).units[0].afterRun).toBeUndefined()
    expect(planOf(wet, { houseRules: { dryingSchool: 'long-air-dry' } }).units[0].afterRun).toBeUndefined()
    expect(planOf({ ...wet, findings: ['cracked-wheel'] }).units[0].afterRun).toBeUndefined()
  })
})

describe('what is due after a first look', () => {
  const deepIn = (unit: Partial<UnitJob>) => planOf(unit).units[0].due.find(({ what }) => what === 'deep-clean')?.weeks ?? 0
  const found = { grades: { coilFace: { grade: 2 as const } } }
  it('takes how long ago others cleaned it as evidence: soiled in half a year it is due sooner than soiled in five', () => {
    expect(deepIn({ ...found, monthsSinceClean: 6 })).toBeLessThan(deepIn(found))
    expect(deepIn({ ...found, monthsSinceClean: 60 })).toBeGreaterThan(deepIn(found))
    for (const [sooner, later] of [
      [6, 12],
      [12, 24],
      [24, 48],
    ])
      // prettier-ignore
      expect(deepIn({ ...found, monthsSinceClean: sooner })).toBeLessThanOrEqual(deepIn({ ...found, monthsSinceClean: later }))
  })
  it('is once a year for a home’s head that is used lightly', () => {
    const light = planOf({ grades: { coilFace: { grade: 1 } }, hoursPerDay: 3 }).units[0].due
    expect(light.find(({ what }) => what === 'light-clean')?.weeks).toBe(52)
  })
})

describe('a round of two units of each family', () => {
  const by = (school: SchoolName) => Object.fromEntries(consequencesOf(school, {}).map((entry) => [entry.value, entry]))
  it('shows what each school costs: dry saves water and reaches less', () => {
    const { dry, rinse } = by('rinseSchool')
    expect(dry.waterL).toBeLessThan(rinse.waterL)
    expect(dry.notReached).toBeGreaterThan(rinse.notReached)
  })
  it('shows that leaving a unit open to dry takes longer than its own fan', () => {
    const drying = by('dryingSchool')
    expect(drying['long-air-dry'].minutes).toBeGreaterThan(drying['fan-run'].minutes)
  })
  it('makes a difference for every school', () => {
    for (const school of Object.keys(schools) as SchoolName[])
      expect(new Set(consequencesOf(school, {}).map((entry) => JSON.stringify({ ...entry, value: '' }))).size).toBeGreaterThan(1)
  })
})

describe('comparisons', () => {
  it('of dry and wet differ in water, time and reach', () => {
    const { decisions } = planOf({ grades: { coilFace: { grade: 2, kinds: ['dust'] }, wheel: { grade: 1 } } }, { site: { waterOnSite: true } })
      .units[0]
    const rinse = decisions.find(({ topic }) => topic === 'rinse')!
    const spray = rinse.turnedDown.find(({ choice }) => choice === 'spray-bottle')!
    expect(spray.standing).toBe('possible')
    expect(spray.instead!.waterL!).toBeLessThan(0)
  })
  it('are worked out for any choice that is not barred, asked one by one', () => {
    const job = jobWith({ grades: { coilFace: { grade: 2 }, wheel: { grade: 2 } } })
    const ask = (topic: Topic, choice: Choice) =>
      told(compareChoice(planUnit(job.units[0], contextOf(job)), contextOf(job).houseRules, topic, choice))
    expect(ask('pan-treatment', 'slow-release')).toMatchObject({ minutes: expect.any(Number), money: expect.any(Number) })
    expect(ask('wheel', 'leave')).toMatchObject({ reach: 'does not reach: blower wheel', risk: expect.stringContaining('throwing') })
    expect(ask('rinse', 'hose')).toBeUndefined()
  })
  it('are worked out for another school, and agree with the plan that follows it', () => {
    const job = jobWith({ grades: { coilFace: { grade: 3 }, wheel: { grade: 3 } } })
    const [unit, context] = [job.units[0], contextOf(job)]
    const planned = planUnit(unit, context)
    const own = planTotals(planned, context.houseRules)
    for (const value of ['remove', 'in-place'] as const) {
      const houseRules = { ...context.houseRules, wheelSchool: value }
      const other = planTotals(planUnit(unit, { ...context, houseRules }), houseRules)
      const said = told(compareSchool(unit, context, planned, 'wheelSchool', value))
      expect(said).toMatchObject({ minutes: Math.round(other.minutes - own.minutes), money: expect.closeTo(other.money - own.money, 2) })
      if (value !== context.houseRules.wheelSchool) expect(said.minutes).not.toBe(0)
    }
    expect(told(compareSchool(unit, context, planned, 'wheelSchool', context.houseRules.wheelSchool))).toEqual({ minutes: 0, money: 0, waterL: 0 })
  })
  it('are worked out once, when they are read, and stand in the plan as it is written out', () => {
    const plan = planJob(jobWith(coat))
    const possible = plan.units[0].decisions.flatMap(({ turnedDown }) => turnedDown.filter(({ standing }) => standing === 'possible'))
    const compared = possible.filter(({ instead }) => instead !== undefined)
    expect(compared.length).toBeGreaterThan(3)
    for (const other of compared) expect(other.instead).toBe(other.instead)
    const written = JSON.parse(JSON.stringify(planJob(jobWith(coat)))) as Plan
    expect(written.units[0].decisions).toEqual(JSON.parse(JSON.stringify(plan.units[0].decisions)))
  })
  it('are none for what is barred', () => {
    for (const { turnedDown } of planOf(coat).units[0].decisions) {
      for (const other of turnedDown) if (other.standing === 'barred') expect(other.instead).toBeUndefined()
    }
  })
  it('agree with the plan that the choice by hand gives', () => {
    const unit: Partial<UnitJob> = { complaints: ['smell'], grades: { wheel: { grade: 3 }, coilFace: { grade: 2 } } }
    const minutes = (plan: ReturnType<typeof planOf>) =>
      plan.units[0].steps.reduce((sum, { handsMin, wait }) => sum + handsMin + (wait?.leastMin ?? 0), 0)
    const said = planOf(unit)
      .units[0].decisions.find(({ topic }) => topic === 'wheel')!
      .turnedDown.find(({ choice }) => choice === 'wash-in-place')!.instead!
    const really = minutes(planOf({ ...unit, choices: { wheel: 'wash-in-place' } })) - minutes(planOf(unit))
    expect(said.minutes!).toBeGreaterThanOrEqual(really - 1)
    expect(said.minutes!).toBeLessThanOrEqual(really + 1)
  })
})

describe('washing chosen by hand', () => {
  it('enters the steps: minutes, pauses with their time, and the water', () => {
    const soiled = { complaints: ['smell' as const], grades: { wheel: { grade: 3 as const }, coilFace: { grade: 3 as const } } }
    const rinse = (unit: Partial<UnitJob>) => planOf(unit).units[0].steps.find(({ id }) => id === 'rinse-coil')!
    const chosen = { ...soiled, wash: { flowLMin: 2, washMin: 8, pausesAtMin: [3, 6] } }
    expect(rinse(soiled).how).not.toMatch(/Stop after/)
    expect(rinse(chosen)).toMatchObject({ handsMin: 11, how: expect.stringContaining('Stop after 3, 6 min of washing and clear the outlet.') })
    expect(planOf(chosen).units[0].washWater).toMatchObject({ litres: 17.5, caughtL: 16.5, pausesAtMin: [3, 6] })
    expect(planFileSchema.parse(planOf(chosen))).toEqual(planOf(chosen))
  })
})
