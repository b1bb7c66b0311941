// What did the demo firm's office do? Quotes: one open, one that became a visit and is finished.
import { gradeSchema, payable } from '@yastik/core'
import { Firm, Job, JobUnit, Quote, Site, Unit, User } from '../db/models.ts'
import { quoteBody } from '../quotes/make.ts'
import { demoFirm } from './firm.ts'
import { demoId } from './walk.ts'

const dayMs = 86_400_000
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10)
const validDays = 30

export async function loadOffice(nowMs: number): Promise<void> {
  const firm = (await Firm.findOne({ where: { name: demoFirm } }))!
  const owner = (await User.findOne({ where: { firmId: firm.id, role: 'owner' } }))!
  const by = { firmId: firm.id, savedBy: owner.name }

  const office = (await Site.findByPk(demoId('halvmark')))!
  const units = await Unit.findAll({ where: { siteId: office.id }, order: [['name', 'ASC']] })
  const open = await quoteBody(firm, office, { siteId: office.id, units: units.map(({ id }) => ({ unitId: id })) }, nowMs)
  const madeMs = nowMs - 2 * dayMs
  await Quote.create({
    id: demoId('quote/open'),
    ...by,
    siteId: office.id,
    madeOn: dayOf(madeMs),
    validUntil: dayOf(madeMs + validDays * dayMs),
    total: payable(open, open.options[0]),
    body: open,
  })

  const last = (await JobUnit.findOne({ where: { firmId: firm.id, stage: 'handed-over', scope: 'strip-down' }, order: [['handedOverAt', 'DESC']] }))!
  const job = (await Job.findByPk(last.jobId))!
  const site = (await Site.findByPk(job.siteId))!
  const doneMs = last.handedOverAt!.getTime()
  const said = { unitId: last.unitId, coilGrade: gradeSchema.parse(last.coilGrade) }
  const accepted = await quoteBody(firm, site, { siteId: site.id, units: [said] }, doneMs - 6 * dayMs)
  await Quote.create({
    id: demoId('quote/accepted'),
    ...by,
    siteId: site.id,
    state: 'accepted',
    madeOn: dayOf(doneMs - 6 * dayMs),
    validUntil: dayOf(doneMs + 24 * dayMs),
    total: payable(accepted, accepted.options[0]),
    body: accepted,
    chosen: accepted.options[0].key,
    jobId: job.id,
  })
}
