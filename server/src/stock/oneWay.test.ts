// Does the office plan a unit as the phone at the unit does? Both from record and state, over look-overs of all kinds.
import { seeded } from '@yastik/core/quantities'
import { contextOf, jobOfUnit, planUnit, unitJobOf, unseenUnitJob } from '@yastik/core/plan'
import { emptyUnitState, stateOf, type Happening } from '@yastik/core/run'
import { families, partsOf } from '@yastik/core/units'
import { crewOfPlan, type JobRecord } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { addFirm, openHouse, signedIn, visitDay, type Ask, type TestHouse } from '../tests/database.ts'
import { plannedVisits } from './load.ts'

let house: TestHouse
let ask: Ask
let me: number
let firm: Awaited<ReturnType<typeof addFirm>>['firm']
beforeAll(async () => {
  house = await openHouse()
  const made = await addFirm('a')
  me = made.technician.id
  firm = made.firm
  ask = await signedIn(house.app, 'technician-a')
})
afterAll(() => house.close())

type Bare = Happening extends infer T ? (T extends unknown ? Omit<T, 'unitId'> : never) : never

/** A look-over drawn from a seed: grades, findings, a complaint, readings before, a wash, a school and a choice by hand. */
function lookOver(seed: number, family: (typeof families)[number]): Bare[] {
  const random = seeded(seed)
  const grades = partsOf[family].map((part): Bare => ({
    type: 'grade-set',
    part,
    grade: ([0, 1, 2, 3] as const)[Math.floor(random() * 4)],
    kinds: [],
  }))
  const maybe = (share: number, happening: Bare): Bare[] => (random() < share ? [happening] : [])
  return [
    ...grades,
    ...maybe(0.5, { type: 'complaint-set', complaint: 'smell', present: true }),
    ...maybe(0.3, { type: 'finding-set', finding: 'bent-fins', present: true, extent: 'little' }),
    ...maybe(0.5, {
      type: 'reading-taken',
      when: 'before',
      readings: { returnC: 26, returnRh: 0.5, supplyC: 15, flowTest: { litres: 1, seconds: 240 } },
    }),
    ...maybe(0.5, { type: 'wash-chosen', wash: { flowLMin: 2, washMin: 7 } }),
    ...maybe(0.4, { type: 'school-chosen', school: 'rinseSchool', value: 'dry' }),
    ...maybe(0.3, { type: 'choice-made', topic: 'pan-treatment', choice: 'slow-release' }),
    ...maybe(0.3, { type: 'extra-chosen', extra: 'outdoor-unit', present: true }),
  ]
}

it.each([1, 2, 3, 4, 5, 6])('plans every unit of a visit as the phone does: visit %i', async (seed) => {
  const form = {
    name: `Place ${seed}`,
    setting: 'home',
    waterOnSite: seed % 2 === 0,
    foulDrainOnSite: true,
    outdoorAir: { dryBulbC: 30, relativeHumidity: 0.6 },
  }
  const site = (await ask('POST', '/api/sites', { site: form, address: '', contact: '' })).json()
  const kinds = [families[seed % families.length], families[(seed + 1) % families.length], families[seed % families.length]]
  const unitIds: string[] = []
  for (const [index, family] of kinds.entries()) {
    const unit = { name: `Unit ${index}`, family, design: {}, hoursPerDay: 6, ...(index < 2 ? { supply: 'breaker 4' } : {}) }
    unitIds.push((await ask('POST', `/api/sites/${site.id}/units`, unit)).json().id)
  }
  const job = (await ask('POST', '/api/jobs', { siteId: site.id, unitIds, onDate: visitDay, crewIds: [me] })).json()
  const events = unitIds.flatMap((unitId, index) =>
    lookOver(seed * 10 + index, kinds[index]).map((happening, at) => ({
      id: newId(),
      atMs: Date.now() - 60_000 + index * 1000 + at,
      by: me,
      happening: { ...happening, unitId },
    })),
  )
  expect((await ask('POST', `/api/jobs/${job.id}/events`, { events })).json().refused).toEqual([])

  const record = (await ask('GET', `/api/jobs/${job.id}`)).json() as JobRecord
  const states = stateOf(record.events)
  const sheets = record.unitIds.map((id) => record.site.units.find((unit) => unit.id === id)!)
  const shared = {
    site: record.site.site,
    crew: crewOfPlan(record.crew),
    houseRules: record.houseRules,
    products: record.products,
    equipment: record.equipment,
  }
  const onThePhone = sheets.map((sheet) => {
    const state = states[sheet.id] ?? emptyUnitState()
    const file = jobOfUnit(shared, unitJobOf(sheet, state), state)
    const { plan, visitSteps } = planUnit(file.units[0], contextOf(file, sheets.map(unseenUnitJob)))
    return { id: sheet.id, steps: plan.steps, visitSteps }
  })
  const [visit] = await plannedVisits(house.db, firm, visitDay, visitDay, Date.now(), new Set([job.id]))
  expect(visit.load.units.map(({ id, steps, visitSteps }) => ({ id, steps, visitSteps }))).toEqual(onThePhone)
})
