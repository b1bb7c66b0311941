// The firm's data out as one JSON file, and in again: all of it, or nothing.
import { visitId } from '@yastik/core/procedure'
import { faultsOfWording } from '@yastik/core/words/speech'
import { stored } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { createHash } from 'node:crypto'
import { doesNotHoldUp, Fault, linesOf, type FaultLine } from '@yastik/core/faults'
import type { JobEvent } from '@yastik/core/run'
import { bundleSchema, type Bundle, type BundleContent, type BundleReceipt } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Firm, Job, JobUnit, Photo, Site, StoredEvent, Unit, User } from '../db/models.ts'
import { summariseJob } from '../events/summarise.ts'
import { eventOf } from '../events/queries.ts'
import { giveCode } from '../people/doings.ts'
import { unitForm, unitValues } from '../sites/records.ts'
import { officeOf, takeInOffice } from './officeBundle.ts'

/** Jobs that are read, or written, at once. */
const jobsAtOnce = 200

/** The bundle piece by piece, so that no firm is too large for memory. What is between the braces is hashed as it goes out. */
export async function* bundleOf(firm: Firm, madeAt: Date): AsyncGenerator<string> {
  const hash = createHash('sha256')
  const say = (text: string) => {
    hash.update(text)
    return text
  }
  const people = await User.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const sites = await Site.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const units = await Unit.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const head: Pick<BundleContent, 'format' | 'madeAt' | 'firm' | 'people' | 'sites' | 'units'> = {
    format: 'yastik.bundle/1',
    madeAt: madeAt.toISOString(),
    firm: {
      name: firm.name,
      houseRules: firm.houseRules,
      ...(Object.keys(firm.wording).length > 0 ? { wording: firm.wording } : {}),
      products: firm.products,
      equipment: firm.equipment,
      foulingRates: firm.foulingRates ?? null,
    },
    people: people.map(({ id, name, signIn, role, trained, measures, language, liftKg, pacePercent, endedAt }) => ({
      id,
      name,
      signIn,
      role,
      trained,
      measures: measures ?? null,
      ...(language ? { language } : {}),
      ...(liftKg === null ? {} : { liftKg }),
      ...(pacePercent === null ? {} : { pacePercent }),
      ...(endedAt === null ? {} : { endedAt: endedAt.toISOString() }),
    })),
    sites: sites.map(({ id, form, retiredAt }) => ({ id, form, ...retirement(retiredAt) })),
    units: units.map((unit) => ({ id: unit.id, siteId: unit.siteId, form: unitForm(unit), ...retirement(unit.retiredAt) })),
  }
  yield say(`${JSON.stringify(head).slice(0, -1)},"jobs":[`)
  let first = true
  for (let after = ''; ;) {
    const jobs = await Job.findAll({ where: { firmId: firm.id, id: { [Op.gt]: after } }, order: [['id', 'ASC']], limit: jobsAtOnce })
    if (jobs.length === 0) break
    const ids = jobs.map(({ id }) => id)
    const jobUnits = await JobUnit.findAll({ where: { jobId: { [Op.in]: ids } }, order: [['position', 'ASC']] })
    const events = await StoredEvent.findAll({ where: { jobId: { [Op.in]: ids } }, order: [['place', 'ASC']] })
    const [unitsBy, eventsBy] = [groupBy(jobUnits, ({ jobId }) => jobId), groupBy(events, ({ jobId }) => jobId)]
    for (const { id, siteId, onDate, startMin, crewIds, revision, cancelledAt, calendarUid } of jobs) {
      const job: BundleContent['jobs'][number] = {
        id,
        siteId,
        onDate,
        ...(startMin === null ? {} : { startMin }),
        crewIds,
        unitIds: (unitsBy.get(id) ?? []).map(({ unitId }) => unitId),
        ...(revision > 0 ? { revision } : {}),
        ...(cancelledAt ? { cancelledAt: cancelledAt.toISOString() } : {}),
        ...(calendarUid ? { calendarUid } : {}),
        events: (eventsBy.get(id) ?? []).map(eventOf),
      }
      yield say(`${first ? '' : ','}${JSON.stringify(job)}`)
      first = false
    }
    after = ids.at(-1) ?? ''
  }
  const photos = await Photo.findAll({ where: { firmId: firm.id }, order: [['id', 'ASC']] })
  const pictures: BundleContent['photos'] = photos.map(({ id, jobId, unitId, byUser, kind, width, height, bytes, sentSha256 }) => ({
    id,
    jobId,
    unitId,
    byUser,
    kind,
    width,
    height,
    bytes,
    sentSha256,
  }))
  yield say(`],"photos":${JSON.stringify(pictures)}`)
  yield say(`,${JSON.stringify(await officeOf(firm.id)).slice(1, -1)}`)
  hash.update('}')
  yield `,"checksum":"${hash.digest('hex')}"}`
}

const retirement = (retiredAt: Date | null) => (retiredAt === null ? {} : { retiredAt: retiredAt.toISOString() })

/** @throws Fault `broken-off`, `newer-format`, `changed-content` or `does-not-hold-up`, with what is wrong where. */
export function readBundle(text: string): Bundle {
  let parsed: unknown
  try {
    parsed = JSON.parse(text)
  } catch {
    const isCut = text.trimStart().startsWith('{"format":"yastik.bundle/')
    throw new Fault(isCut ? 'broken-off' : 'not-json')
  }
  const format = parsed !== null && typeof parsed === 'object' && 'format' in parsed ? String(parsed.format) : ''
  const version = /^yastik\.bundle\/(\d+)$/.exec(format)
  if (version && Number(version[1]) > 1)
    throw new Fault('newer-format', {
      lines: [{ where: 'format', what: says('fault.bundle.it-is', { found: format }), allowed: says('fault.bundle.format-allowed') }],
    })
  const result = bundleSchema.safeParse(parsed)
  // Before what is wrong in it: a file that somebody changed is not worth reading.
  if (version && parsed !== null && typeof parsed === 'object' && 'checksum' in parsed) {
    const { checksum, ...content } = parsed
    const own = createHash('sha256').update(JSON.stringify(content)).digest('hex')
    if (own !== checksum)
      throw new Fault('changed-content', {
        lines: [
          {
            where: 'checksum',
            what: says('fault.bundle.it-is', { found: String(checksum).slice(0, 64) }),
            allowed: says('fault.bundle.checksum-allowed'),
          },
        ],
      })
  }
  if (!result.success) throw new Fault('does-not-hold-up', { lines: linesOf(result.error.issues, parsed, '') })
  checkReferences(result.data)
  return result.data
}

/** Everything that a bundle speaks of is in it, once. @throws Fault `does-not-hold-up`. */
function checkReferences({ people, sites, units, jobs, quotes = [], messages = [], moves = [] }: Bundle): void {
  const lines: FaultLine[] = []
  const once = (where: string, ids: readonly (string | number)[]) => {
    const seen = new Set<string | number>()
    ids.forEach((id, index) => {
      if (seen.has(id))
        lines.push({ where: `${where}[${index}].id`, what: says('fault.bundle.twice', { id: String(id) }), allowed: says('fault.twice.id-allowed') })
      seen.add(id)
    })
    return seen
  }
  const [persons, places, heads] = [
    once(
      'people',
      people.map(({ id }) => id),
    ),
    once(
      'sites',
      sites.map(({ id }) => id),
    ),
    once(
      'units',
      units.map(({ id }) => id),
    ),
  ]
  once(
    'jobs',
    jobs.map(({ id }) => id),
  )
  once(
    'events',
    jobs.flatMap(({ events }) => events.map(({ id }) => id)),
  )
  const missing = (where: string, id: string | number, of: 'site' | 'unit' | 'person' | 'job') => {
    const what = says(`fault.record.${of}`)
    lines.push({ where, what: says('fault.call.none', { what, id: String(id) }), allowed: says('fault.bundle.none-allowed', { what }) })
  }
  units.forEach(({ siteId }, index) => places.has(siteId) || missing(`units[${index}].siteId`, siteId, 'site'))
  jobs.forEach((job, index) => {
    if (!places.has(job.siteId)) missing(`jobs[${index}].siteId`, job.siteId, 'site')
    for (const unitId of job.unitIds) if (!heads.has(unitId)) missing(`jobs[${index}].unitIds`, unitId, 'unit')
    for (const crewId of job.crewIds) if (!persons.has(crewId)) missing(`jobs[${index}].crewIds`, crewId, 'person')
    job.events.forEach(({ by, happening }, at) => {
      if (!persons.has(by)) missing(`jobs[${index}].events[${at}].by`, by, 'person')
      if (happening.unitId !== visitId && !job.unitIds.includes(happening.unitId))
        missing(`jobs[${index}].events[${at}].happening.unitId`, happening.unitId, 'unit')
    })
  })
  const visits = new Set(jobs.map(({ id }) => id))
  quotes.forEach(({ siteId, jobId }, index) => {
    if (!places.has(siteId)) missing(`quotes[${index}].siteId`, siteId, 'site')
    if (jobId !== null && !visits.has(jobId)) missing(`quotes[${index}].jobId`, jobId, 'job')
  })
  messages.forEach(({ siteId }, index) => places.has(siteId) || missing(`messages[${index}].siteId`, siteId, 'site'))
  moves.forEach(({ jobId }, index) => jobId === null || visits.has(jobId) || missing(`moves[${index}].jobId`, jobId, 'job'))
  if (lines.length > 0) throw new Fault('does-not-hold-up', { lines: lines.slice(0, 100) })
}

/**
 * Reads a bundle into a firm that has no sites yet, in one transaction. People are known by their sign-in; those who are not here are added
 * with a code to set a password. The firm's name stays; its rules and stores become those of the bundle.
 * @throws Fault `in-use`: the firm has sites already, or something of the bundle is here already; `does-not-hold-up`: a text of the firm's own.
 */
export async function takeIn(db: Doing, { id: firmId }: Pick<Firm, 'id'>, bundle: Bundle): Promise<Omit<BundleReceipt, 'photosWithoutPicture'>> {
  const { transaction } = db
  const firm = await Firm.findByPk(firmId, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
  if ((await Site.count({ where: { firmId: firm.id }, transaction })) > 0) throw new Fault('in-use', { sentence: says('fault.bundle.sites-here') })
  const wrong = await faultsOfWording(bundle.firm.wording ?? {}, 'firm.wording')
  if (wrong.length > 0) throw new Fault('does-not-hold-up', { lines: wrong.slice(0, 100) })
  await refuseKnown(db, bundle)
  const { idOf, codes } = await peopleIn(db, firm, bundle)
  const { houseRules, wording = {}, products, equipment, foulingRates } = bundle.firm
  await firm.update(
    {
      houseRules,
      wording,
      products,
      equipment,
      foulingRates,
      houseRulesVersion: firm.houseRulesVersion + 1,
      wordingVersion: firm.wordingVersion + 1,
      storesVersion: firm.storesVersion + 1,
    },
    { transaction },
  )
  const by = { firmId: firm.id, savedBy: stored.fromBundle }
  await Site.bulkCreate(
    bundle.sites.map(({ id, form, retiredAt }) => ({ id, ...by, name: form.site.name, form, retiredAt: retiredAt ? new Date(retiredAt) : null })),
    { transaction },
  )
  await Unit.bulkCreate(
    bundle.units.map(({ id, siteId, form, retiredAt }) => ({
      id,
      siteId,
      ...by,
      ...unitValues(form),
      retiredAt: retiredAt ? new Date(retiredAt) : null,
    })),
    { transaction },
  )
  for (let at = 0; at < bundle.jobs.length; at += jobsAtOnce) {
    const jobs = bundle.jobs.slice(at, at + jobsAtOnce)
    await Job.bulkCreate(
      jobs.map(({ id, siteId, onDate, startMin = null, crewIds, revision = 0, cancelledAt, calendarUid = null, events }) => ({
        id,
        siteId,
        onDate,
        startMin,
        firmId: firm.id,
        crewIds: crewIds.map(idOf),
        revision,
        calendarUid,
        logLength: events.length,
        closed: cancelledAt !== undefined,
        cancelledAt: cancelledAt === undefined ? null : new Date(cancelledAt),
      })),
      { transaction },
    )
    await JobUnit.bulkCreate(
      jobs.flatMap(({ id, unitIds }) => unitIds.map((unitId, position) => ({ jobId: id, unitId, firmId: firm.id, position }))),
      { transaction },
    )
    await StoredEvent.bulkCreate(
      jobs.flatMap(({ id, events }) => events.map((event, index) => storedOf(event, id, firm.id, idOf, index + 1))),
      { transaction },
    )
  }
  await Photo.bulkCreate(
    bundle.photos.map((photo) => ({ ...photo, firmId: firm.id, byUser: idOf(photo.byUser) })),
    { transaction },
  )
  await takeInOffice(db, firm.id, bundle)
  // Summaries and due days follow from the events, as they did where they came from.
  for (const { id } of bundle.jobs) await summariseJob(db, id, firm.id)
  return {
    sites: bundle.sites.length,
    units: bundle.units.length,
    jobs: bundle.jobs.length,
    events: bundle.jobs.reduce((sum, { events }) => sum + events.length, 0),
    people: bundle.people.length,
    codes,
  }
}

async function refuseKnown({ transaction }: Doing, bundle: Bundle): Promise<void> {
  const anyOf = (ids: readonly string[]) => ({ where: { id: { [Op.in]: [...ids] } }, transaction })
  const here =
    (await Site.findOne(anyOf(bundle.sites.map(({ id }) => id)))) ??
    (await Unit.findOne(anyOf(bundle.units.map(({ id }) => id)))) ??
    (await Job.findOne(anyOf(bundle.jobs.map(({ id }) => id))))
  if (here) throw new Fault('in-use', { sentence: says('fault.bundle.elsewhere') })
}

/** People of the bundle, here: by their sign-in. Those who are not here yet get a code by which they set a password. */
async function peopleIn(db: Doing, firm: Firm, bundle: Bundle): Promise<{ idOf: (id: number) => number; codes: BundleReceipt['codes'] }> {
  const { transaction } = db
  const ids = new Map<number, number>()
  const codes: BundleReceipt['codes'] = []
  for (const { id, name, signIn, role, trained, measures, language = null, liftKg = null, pacePercent = null, endedAt } of bundle.people) {
    const known = await User.findOne({ where: { signIn }, transaction })
    if (known && known.firmId !== firm.id)
      throw new Fault('in-use', {
        lines: [{ where: 'people', what: says('fault.bundle.sign-in-taken', { signIn }), allowed: says('fault.bundle.sign-in-taken-allowed') }],
      })
    const values = { firmId: firm.id, name, signIn, role, trained: [...trained], measures, language, liftKg, pacePercent, passwordHash: '' }
    const person = known ?? (await User.create({ ...values, endedAt: endedAt === undefined ? null : new Date(endedAt) }, { transaction }))
    if (!known && endedAt === undefined) {
      const { code, until } = await giveCode(db, await person.reload({ transaction }))
      codes.push({ signIn, name, code, until })
    }
    ids.set(id, person.id)
  }
  return {
    codes,
    idOf: (id) => {
      const own = ids.get(id)
      if (own === undefined)
        throw doesNotHoldUp(
          'people',
          says('fault.call.none', { what: says('fault.record.person'), id: String(id) }),
          says('fault.people.none-allowed'),
        )
      return own
    },
  }
}

function storedOf({ id, atMs, aheadMs, by, happening }: JobEvent, jobId: string, firmId: number, idOf: (id: number) => number, place: number) {
  const meant =
    happening.type === 'step-given' && happening.to !== null
      ? { ...happening, to: idOf(happening.to) }
      : happening.type === 'came' || happening.type === 'went'
        ? { ...happening, who: idOf(happening.who) }
        : happening
  return { id, place, firmId, jobId, unitId: happening.unitId, byUser: idOf(by), atMs, aheadMs: aheadMs ?? null, happening: meant }
}
