import { eventSchema } from '../run/index.ts'
import { builtInProducts, builtInVan } from '../products/index.ts'
import {
  alikeUnitsSchema,
  crewOfPlan,
  daySchema,
  eventBatchSchema,
  faultBodySchema,
  houseRulesRecordSchema,
  jobFormSchema,
  signInSchema,
  siteFormSchema,
  siteSaveSchema,
  storesRecordSchema,
  unitFormSchema,
} from './index.ts'

const id = '01890a5d-ac96-774b-bcce-b302099a8057'
const site = { name: 'Hall', setting: 'office', waterOnSite: true, foulDrainOnSite: false }

describe('what travels', () => {
  it.each([
    ['a sign-in', signInSchema, { signIn: ' mira ', password: 'x' }],
    ['a site', siteFormSchema, { site, address: '', contact: '' }],
    ['a site over a version', siteSaveSchema, { site, address: '', contact: '', version: 3 }],
    ['a unit', unitFormSchema, { name: 'Hall', family: 'wall-head', design: {} }],
    ['a job', jobFormSchema, { siteId: id, unitIds: [id], onDate: '2026-05-31', crewIds: [1] }],
    ['house rules', houseRulesRecordSchema, { rules: { rinseSchool: 'dry', furtherUnitDiscount: 0.2 }, version: 1 }],
    ['stores', storesRecordSchema, { products: builtInProducts, equipment: builtInVan, version: 2 }],
    ['alike units', alikeUnitsSchema, { names: ['101', '102'], family: 'through-wall', design: { weightKg: 44 } }],
    ['a batch', eventBatchSchema, { events: [{ anything: true }] }],
    ['a fault', faultBodySchema, { code: 'not-there', sentence: 'This is not there.', lines: [{ where: 'id', what: 'x', allowed: 'y' }] }],
  ])('takes %s', (_, schema, value) => expect(schema.safeParse(value).success).toBe(true))

  it.each([
    ['a password of 201 characters', signInSchema, { signIn: 'mira', password: 'x'.repeat(201) }],
    ['a version of nothing', siteSaveSchema, { site, address: '', contact: '', version: 0 }],
    ['an address nobody could write on a door', siteFormSchema, { site, address: 'x'.repeat(301), contact: '' }],
    ['25 hours a day', unitFormSchema, { name: 'Hall', family: 'wall-head', design: {}, hoursPerDay: 25 }],
    ['a unit without a name', unitFormSchema, { name: ' ', family: 'wall-head', design: {} }],
    ['a crew of five', jobFormSchema, { siteId: id, unitIds: [id], onDate: '2026-05-31', crewIds: [1, 2, 3, 4, 5] }],
    ['a day that does not exist', jobFormSchema, { siteId: id, unitIds: [id], onDate: '2026-06-31', crewIds: [1] }],
    ['a school that nobody follows', houseRulesRecordSchema, { rules: { rinseSchool: 'both' }, version: 1 }],
    ['one product twice', storesRecordSchema, { products: [builtInProducts[0], builtInProducts[0]], equipment: [], version: 1 }],
    ['one name for two alike units', alikeUnitsSchema, { names: ['Hall', 'hall'], family: 'window', design: {} }],
    ['more than 1000 events at once', eventBatchSchema, { events: Array(1001).fill({}) }],
  ])('does not take %s', (_, schema, value) => expect(schema.safeParse(value).success).toBe(false))

  it('knows leap days', () => {
    expect(daySchema.safeParse('2028-02-29').success).toBe(true)
    expect(daySchema.safeParse('2026-02-29').success).toBe(false)
  })
})

describe('an event', () => {
  const event = (happening: object, rest: object = {}) => ({ id, atMs: 1, by: 1, happening: { unitId: 'u', ...happening }, ...rest })
  it.each([
    { type: 'grade-set', part: 'wheel', grade: 3, kinds: ['dust'] },
    { type: 'grade-set', part: 'wheel', grade: null, kinds: [] },
    { type: 'reading-taken', when: 'after', readings: { returnC: 26, returnRh: 0.5, supplyC: 14 } },
    { type: 'choice-made', topic: 'wheel', choice: null },
    { type: 'fasteners-counted', stepId: 'off-cover', kind: 'cover screw', count: 3, direction: 'out' },
    { type: 'undone', eventId: id },
  ])('may say $type', (happening) => expect(eventSchema.safeParse(event(happening)).success).toBe(true))

  it.each([
    ['an unknown type', event({ type: 'coffee' })],
    ['a part of no family', event({ type: 'grade-set', part: 'lid', grade: 1, kinds: [] })],
    ['more than it should', event({ type: 'step-done', stepId: 'x', extra: 1 })],
    ['an empty note', event({ type: 'note', text: '   ' })],
    ['minus one screw', event({ type: 'fasteners-counted', stepId: 'x', kind: 'screw', count: -1, direction: 'in' })],
    ['a method without steps', event({ type: 'method-agreed', decisions: [], steps: [] })],
    ['an id that is no UUID', event({ type: 'step-done', stepId: 'x' }, { id: 'one' })],
    ['half a millisecond', event({ type: 'step-done', stepId: 'x' }, { atMs: 0.5 })],
  ])('may not be %s', (_, candidate) => expect(eventSchema.safeParse(candidate).success).toBe(false))
})

describe('people in a plan', () => {
  it('bring what they are trained for and may lift, where something is said of it', () => {
    const people = [
      { id: 1, name: 'Ada', trained: ['roof' as const], liftKg: 18 },
      { id: 2, name: 'Bo', trained: [], liftKg: null },
    ]
    expect(crewOfPlan(people)).toEqual([{ name: 'Ada', trained: ['roof'], liftKg: 18 }, { name: 'Bo' }])
  })
})
