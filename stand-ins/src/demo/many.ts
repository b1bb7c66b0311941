// A firm with a long past: many sites, units, visits and events, the same for the same seed. For measuring, not for looking at.
import { soilKinds } from '@yastik/core/lookover'
import { settings } from '@yastik/core/plan'
import { allGrades, seeded } from '@yastik/core/quantities'
import type { Happening } from '@yastik/core/run'
import { knownDesign } from '@yastik/core/units'
import { surroundings } from '@yastik/core/upkeep'
import { v7 as newId } from 'uuid'
import type { Db } from '@yastik/server/db/database'
import { hashPassword } from '@yastik/server/auth/passwords'
import { Firm, Job, JobUnit, Message, Quote, Site, StockMove, StoredEvent, Unit, User } from '@yastik/server/db/models'
import { learnAndRenew } from '@yastik/server/upkeep/doings'
import { dayMs, dayOf } from '@yastik/server/days'

export interface Many {
  readonly jobs: number
  readonly eventsPerJob: number
  readonly units: number
  readonly seed: number
}
const unitsPerSite = 3
const rowsAtOnce = 2000

/** Fills an empty database. @returns who may sign in as owner with this password. */
export async function loadMany(db: Db, password: string, { jobs, eventsPerJob, units, seed }: Many): Promise<{ signIn: string }> {
  const random = seeded(seed)
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]
  const firm = await Firm.create({ name: 'Long Past', houseRules: {}, products: [], equipment: [] })
  const passwordHash = await hashPassword(password)
  const people = await Promise.all(
    ['owner', 'first', 'second', 'third'].map((signIn, index) =>
      User.create({
        firmId: firm.id,
        name: `Person ${index}`,
        signIn: `many-${signIn}`,
        role: index === 0 ? 'owner' : 'technician',
        passwordHash,
        trained: [],
      }),
    ),
  )
  const by = { firmId: firm.id, savedBy: people[0].name }
  const sites = Array.from({ length: Math.ceil(units / unitsPerSite) }, (_, index) => ({
    id: newId(),
    ...by,
    name: `Place ${index}`,
    form: {
      address: `${index} Long Lane`,
      contact: '',
      site: {
        name: `Place ${index}`,
        setting: pick(settings),
        waterOnSite: true,
        foulDrainOnSite: true,
        surroundings: random() < 0.4 ? [pick(surroundings)] : [],
      },
    },
  }))
  const heads = Array.from({ length: units }, (_, index) => ({
    id: newId(),
    ...by,
    siteId: sites[Math.floor(index / unitsPerSite)].id,
    name: `Head ${index}`,
    family: 'wall-head' as const,
    design: { ratedCoolingKw: 2.5 + Math.floor(random() * 5) * 0.5 },
    hoursPerDay: 4 + Math.floor(random() * 12),
  }))
  const bulk = async <Row>(rows: readonly Row[], write: (some: Row[]) => Promise<unknown>) => {
    for (let at = 0; at < rows.length; at += rowsAtOnce) await write(rows.slice(at, at + rowsAtOnce))
  }
  await bulk(sites, (some) => Site.bulkCreate(some))
  await bulk(heads, (some) => Unit.bulkCreate(some))
  const spanDays = 6 * 365
  const visits = Array.from({ length: jobs }, (_, index) => {
    const head = heads[index % heads.length]
    const atMs = Date.now() - spanDays * dayMs * (1 - index / jobs)
    return { id: newId(), head, atMs, person: pick(people), grade: allGrades[Math.min(4, 1 + Math.floor(random() * 4))], kind: pick(soilKinds) }
  })
  await bulk(visits, (some) =>
    Job.bulkCreate(
      some.map(({ id, head, atMs, person }) => ({
        id,
        firmId: firm.id,
        siteId: head.siteId,
        onDate: dayOf(atMs, firm),
        crewIds: [person.id],
        closed: true,
        logLength: eventsPerJob,
      })),
    ),
  )
  await bulk(visits, (some) =>
    JobUnit.bulkCreate(
      some.map(({ id, head, atMs, person, grade, kind }) => ({
        jobId: id,
        unitId: head.id,
        firmId: firm.id,
        position: 0,
        stage: 'handed-over',
        verdict: 'proved',
        handedOverAt: new Date(atMs),
        handedOverBy: person.id,
        scope: 'strip-down',
        worstGrade: grade,
        coilGrade: grade,
        leftIndex: 0.1,
        coolingBeforeKw: knownDesign('wall-head', head.design).design.ratedCoolingKw * 0.7,
        coolingAfterKw: knownDesign('wall-head', head.design).design.ratedCoolingKw,
        soilKinds: kind,
        seen: {
          grades: { coilFace: grade, wheel: grade },
          findings: [],
          parts: [],
          cooling: { beforeKw: 2, cleanBeforeKw: 3, afterKw: 3, cleanAfterKw: 3 },
        },
      })),
    ),
  )
  await loadPapers()
  const happeningsOf = (unitId: string, grade: (typeof allGrades)[number], kind: (typeof soilKinds)[number]): Happening[] => [
    { type: 'grade-set', unitId, part: 'coilFace', grade, kinds: grade > 0 ? [kind] : [] },
    ...Array.from({ length: eventsPerJob - 2 }, (_, index): Happening => ({ type: 'note', unitId, text: `step ${index} of the work was looked at` })),
    { type: 'handed-over', unitId, verdict: 'proved' },
  ]
  for (let at = 0; at < visits.length; at += 200) {
    const rows = visits.slice(at, at + 200).flatMap(({ id, head, atMs, person, grade, kind }) =>
      happeningsOf(head.id, grade, kind).map((happening, index) => ({
        id: newId(),
        place: index + 1,
        firmId: firm.id,
        jobId: id,
        unitId: head.id,
        byUser: person.id,
        atMs: Math.round(atMs - 3_600_000 + index * 60_000),
        aheadMs: null,
        happening,
      })),
    )
    await db.change(({ transaction }) => bulk(rows, (some) => StoredEvent.bulkCreate(some, { transaction, hooks: false, validate: false })))
  }
  await learnAndRenew(db, firm)
  return { signIn: people[0].signIn }

  /** What the office wrote over the years: a quote for every tenth visit, a message for every fifth, and a move of stock for each. */
  async function loadPapers(): Promise<void> {
    const option = {
      key: 'usual',
      name: 'Deep clean',
      usual: true,
      differs: {},
      units: [],
      lines: [],
      total: 180,
      handsMin: 150,
      waterL: 12,
      againWeeks: 60,
    }
    await bulk(
      visits.filter((_, index) => index % 10 === 0),
      (some) =>
        Quote.bulkCreate(
          some.map(({ head, atMs }) => ({
            id: newId(),
            ...by,
            siteId: head.siteId,
            madeOn: dayOf(atMs - 20 * dayMs, firm),
            validUntil: dayOf(atMs + 10 * dayMs, firm),
            total: 180,
            units: 1,
            body: {
              units: [{ unitId: head.id, name: head.name, coilGrade: 3, source: 'forecast' as const, complaints: [] }],
              options: [option],
              offered: ['usual'],
              adjustments: [],
            },
          })),
        ),
    )
    await bulk(
      visits.filter((_, index) => index % 5 === 0),
      (some) =>
        Message.bulkCreate(
          some.map(({ head, atMs }) => {
            const at = new Date(atMs - 30 * dayMs)
            const own = {
              id: newId(),
              firmId: firm.id,
              siteId: head.siteId,
              kind: 'reminder' as const,
              channel: 'text' as const,
              address: '+00 555 0100',
            }
            return {
              ...own,
              body: 'It is time to look at your units again.',
              state: 'delivered' as const,
              nextAt: new Date('9999-01-01'),
              madeAt: at,
              changedAt: at,
              madeBy: people[0].name,
            }
          }),
        ),
    )
    await bulk(visits, (some) =>
      StockMove.bulkCreate(
        some.map(({ id, head, atMs }) => ({
          id: newId(),
          firmId: firm.id,
          productId: 'foam',
          lot: '',
          kind: 'used' as const,
          litres: -0.2,
          jobId: id,
          unitId: head.id,
          movedAt: new Date(atMs),
          movedBy: people[1].name,
        })),
      ),
    )
  }
}
