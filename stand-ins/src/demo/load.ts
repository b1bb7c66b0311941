// Loads the demo once: into an empty database, and never over anything.
import type { Complaint, Finding, Grades } from '@yastik/core/lookover'
import { startHouseRules } from '@yastik/core/method'
import { planJob, type JobFile } from '@yastik/core/plan'
import { builtInProducts, builtInVan } from '@yastik/core/products'
import { minuteIn, seeded } from '@yastik/core/quantities'
import { hashPassword } from '@yastik/server/auth/passwords'
import type { Db, Doing } from '@yastik/server/db/database'
import { Firm, Job, JobUnit, Site, Unit, User } from '@yastik/server/db/models'
import { storeEvents } from '@yastik/server/events/doings'
import { demoFirm, demoPassword, demoPlace, demoPeople, demoSites, openGrades } from './firm.ts'
import { loadOffice } from './office.ts'
import type { DemoSite, DemoUnit } from './site.ts'
import { tellCustomers, type PastVisit } from './told.ts'
import { demoId, Diary, modelReadings, readingsAfter, verdictOf } from './walk.ts'
import { dayMs, dayOf } from '@yastik/server/days'

/** Loads sites and visits in one transaction, then what the office made of them. @returns whether the demo was loaded now. */
export async function loadDemo(db: Db, nowMs = Date.now()): Promise<boolean> {
  const loaded = await db.change((doing) => load(doing, nowMs))
  if (loaded) await loadOffice(db, nowMs)
  return loaded
}

/** How slowly the steps of a visit went, by its number: some quicker than reckoned, some slower, always the same. */
const paceOf = (visit: number) => {
  const random = seeded(visit)
  return () => 0.85 + 0.45 * random()
}

/** The form of a place, with the weekday on which it is closed. */
function formOf({ form, closedInDays }: DemoSite, nowMs: number): DemoSite['form'] {
  if (closedInDays === undefined) return form
  const weekday = new Intl.DateTimeFormat('en', { weekday: 'long', timeZone: demoPlace.timeZone }).format(nowMs + closedInDays * dayMs)
  return { ...form, contact: `${form.contact}; closed on ${weekday}s` }
}

async function load(db: Doing, nowMs: number): Promise<boolean> {
  const { transaction } = db
  if ((await Firm.count({ transaction })) > 0) return false
  const firm = await Firm.create(
    {
      name: demoFirm,
      houseRules: { ...startHouseRules, ...demoPlace },
      products: builtInProducts.map(({ inStockLitres: _, ...product }) => product),
      equipment: [...builtInVan],
    },
    { transaction },
  )
  const people = new Map<string, User>()
  for (const { signIn, name, role, trained } of demoPeople)
    people.set(
      signIn,
      await User.create(
        { firmId: firm.id, signIn, name, role, trained: [...trained], passwordHash: await hashPassword(demoPassword) },
        { transaction },
      ),
    )
  for (const site of demoSites) {
    await Site.create(
      { id: demoId(site.key), firmId: firm.id, name: site.form.site.name, form: formOf(site, nowMs), savedBy: demoPeople[0].name },
      { transaction },
    )
    for (const unit of site.units)
      await Unit.create(
        {
          id: demoId(unit.key),
          firmId: firm.id,
          siteId: demoId(site.key),
          name: unit.name,
          family: unit.family ?? 'wall-head',
          design: unit.design,
          hoursPerDay: unit.hoursPerDay,
          ...(unit.supply === undefined ? {} : { plate: { supply: unit.supply } }),
          savedBy: demoPeople[0].name,
        },
        { transaction },
      )
  }
  const open = async (key: string, site: DemoSite, units: readonly DemoUnit[], onMs: number, crew: readonly string[], fromNowMin?: number) => {
    const job = await Job.create(
      {
        id: demoId(key),
        firmId: firm.id,
        siteId: demoId(site.key),
        onDate: dayOf(onMs, firm),
        startMin: fromNowMin === undefined ? null : quarterFromNow(fromNowMin),
        crewIds: crew.map((signIn) => people.get(signIn)!.id),
      },
      { transaction },
    )
    await JobUnit.bulkCreate(
      units.map(({ key: unitKey }, position) => ({ jobId: job.id, unitId: demoId(unitKey), firmId: firm.id, position })),
      { transaction },
    )
    return job
  }
  /** A quarter of an hour, so many minutes from now by the firm's clocks, on the same day. */
  const quarterFromNow = (minutes: number) => {
    const now = minuteIn(nowMs, firm.houseRules.timeZone)
    return Math.min(23 * 60 + 45, Math.max(0, Math.round((now + minutes) / 15) * 15))
  }
  const jobFile = (
    site: DemoSite,
    unit: DemoUnit,
    complaints: readonly Complaint[],
    grades: Grades,
    crew: readonly string[],
    findings?: readonly Finding[],
  ): JobFile => ({
    format: 'yastik.job/1',
    site: site.form.site,
    crew: crew.map((signIn) => ({ name: people.get(signIn)!.name, trained: people.get(signIn)!.trained })),
    units: [
      {
        id: demoId(unit.key),
        family: unit.family ?? 'wall-head',
        name: unit.name,
        design: unit.design,
        complaints: [...complaints],
        grades,
        ...(findings && findings.length > 0 ? { findings: [...findings] } : {}),
        hoursPerDay: unit.hoursPerDay,
        ...(unit.supply === undefined ? {} : { supply: unit.supply }),
      },
    ],
    houseRules: firm.houseRules,
    products: firm.products,
    equipment: firm.equipment,
  })

  let seed = 0
  const past: PastVisit[] = []
  for (const site of demoSites) {
    for (const unit of site.units) {
      for (const visit of unit.past) {
        seed++
        const startMs = nowMs - visit.daysAgo * dayMs
        const crew = visit.by === 'sanna' ? ['sanna'] : [visit.by, 'sanna']
        const job = await open(`${unit.key}/${visit.daysAgo}`, site, [unit], startMs, crew)
        const who = people.get(visit.by)!
        const file = jobFile(site, unit, visit.complaints, visit.grades, crew, visit.findings)
        const whole = planJob(file)
        const [plan] = whole.units
        const diary = new Diary(`${unit.key}/${visit.daysAgo}`, demoId(unit.key), who.id, startMs)
        const before = modelReadings(file, visit.grades, seed)
        const after = readingsAfter(file, seed)
        diary.lookOver(visit.complaints, visit.grades)
        for (const finding of visit.findings ?? []) diary.add({ type: 'finding-set', finding, present: true }, 0.2)
        diary.add({ type: 'reading-taken', when: 'before', readings: before }, 8)
        diary.agree(whole)
        diary.work(whole, undefined, paceOf(seed), after)
        for (const part of visit.parts ?? []) diary.add({ type: 'part-noted', ...part }, 0.5)
        diary.add({ type: 'handed-over', verdict: verdictOf(file, plan, before, after), notReached: plan.notReached.map(({ part }) => part) }, 2)
        past.push({ file, plan, diary, job, who })
      }
    }
  }
  tellCustomers(past)
  for (const { diary, job, who } of past) await storeEvents(db, job.id, who, diary.events)
  await loadOpenJobs()
  return true

  async function loadOpenJobs(): Promise<void> {
    const siteOf = (key: string) => demoSites.find((site) => site.key === key)!
    const [guests, office, bakery, rooms, lodge, pitches] = ['tannwinkel', 'halvmark', 'ehrenfurt', 'quellhof', 'kornfeld', 'uferlund'].map(siteOf)
    const home = siteOf('moorhen')
    const imre = people.get('imre')!
    const crew = ['imre', 'sanna']
    const job = await open('today/tannwinkel', guests, guests.units.slice(0, 2), nowMs, crew, -80)
    const started = guests.units[0]
    const file = jobFile(guests, started, openGrades.started.complaints, openGrades.started.grades, crew)
    const diary = new Diary('today/started', demoId(started.key), imre.id, nowMs - 75 * 60_000)
    diary.lookOver(openGrades.started.complaints, openGrades.started.grades)
    diary.add({ type: 'reading-taken', when: 'before', readings: modelReadings(file, openGrades.started.grades, 4) }, 8)
    const visited = guests.units.slice(0, 2).map((unit) => ({ id: demoId(unit.key), family: unit.family ?? ('wall-head' as const) }))
    const plan = planJob(file, undefined, visited)
    diary.agree(plan)
    diary.work(plan, 'off-pan')
    await storeEvents(db, job.id, imre, diary.events)
    const half = new Diary('today/half', demoId(guests.units[1].key), imre.id, nowMs - 20 * 60_000)
    half.lookOver(openGrades.half.complaints, openGrades.half.grades)
    await storeEvents(db, job.id, imre, half.events)
    await open('today/ehrenfurt', bakery, bakery.units, nowMs, ['imre'], 150)
    await open('today/halvmark', office, office.units, nowMs, ['sanna'], 75)
    const looked = async (
      key: string,
      site: DemoSite,
      unitKey: keyof typeof openGrades.looked,
      crew: readonly string[],
      onMs: number,
      fromNowMin?: number,
    ) => {
      const units = [...site.units].sort((a, b) => Number(b.key === unitKey) - Number(a.key === unitKey))
      const visit = await open(key, site, units, onMs, crew, fromNowMin)
      // Looked over when the visit was spoken of; the work begins today.
      const seen = new Diary(key, demoId(unitKey), imre.id, nowMs - dayMs - 40 * 60_000)
      seen.lookOver(openGrades.looked[unitKey].complaints, openGrades.looked[unitKey].grades)
      await storeEvents(db, visit.id, imre, seen.events)
    }
    await looked('today/quellhof', rooms, 'qh-hall', ['mira'], nowMs, 30)
    await open('today/moorhen', home, home.units, nowMs, ['mira'], 330)
    await looked('coming/uferlund', pitches, 'ul-b7', ['imre', 'sanna'], nowMs + dayMs, 0)
    await looked('coming/kornfeld', lodge, 'kf-den', ['mira', 'imre'], nowMs + dayMs)
  }
}
