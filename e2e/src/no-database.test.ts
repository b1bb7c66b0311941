// The database is killed in the middle of sending: what was acknowledged is there once, what was not is sent again, and nobody loses a tap.
import { randomUUID } from 'node:crypto'
import { startApp, type RunningApp } from './support/app.ts'
import { expectText, find, openBrowser, signIn, type Sheet } from './support/browser.ts'
import { openedUnit, openUnit } from './support/places.ts'
import { grade, sent } from './support/moves.ts'
import { startOwnDatabase, type OwnDatabase } from './support/ownDatabase.ts'

jest.setTimeout(240_000)
let database: OwnDatabase
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  database = await startOwnDatabase()
  app = await startApp()
  app.expectTrouble(/the database does not answer/, /ECONNREFUSED|unexpectedly been closed|connection closed|ECONNRESET/)
  sheet = await openBrowser(app.base)
  await signIn(sheet, 'sanna', 'clear-to-the-fins')
  await openUnit(sheet, 'Meeting room')
  await find(sheet, 'svg.section')
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
  await database?.stop()
})
const place = async () => {
  const { jobId, unitId } = await openedUnit(sheet)
  return { jobId, unitId }
}

describe('a database that is gone', () => {
  it('in the middle of sending loses nothing that was acknowledged, and stores nothing twice', async () => {
    const { jobId, unitId } = await place()
    const cookie = (await sheet.driver.manage().getCookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
    const headers = { cookie, origin: app.base, 'content-type': 'application/json' }
    const { id: by } = (await (await fetch(`${app.base}/api/session`, { headers })).json()) as { id: number }
    const startMs = Date.now()
    const batches = Array.from({ length: 40 }, (_, batch) =>
      Array.from({ length: 50 }, (_event, index) => ({
        id: randomUUID(),
        atMs: startMs - 100_000 + batch * 50 + index,
        by,
        happening: { type: 'note', unitId, text: `${batch}/${index}` },
      })),
    )
    const acknowledged = new Set<string>()
    const send = async (events: unknown[]): Promise<boolean> => {
      const answer = await fetch(`${app.base}/api/jobs/${jobId}/events`, { method: 'POST', headers, body: JSON.stringify({ events }) })
      if (!answer.ok) return false
      for (const id of ((await answer.json()) as { accepted: string[] }).accepted) acknowledged.add(id)
      return true
    }
    const sending = Promise.all(batches.map((batch) => send(batch)))
    while (acknowledged.size < 200) await new Promise((resolve) => setTimeout(resolve, 5))
    await database.kill()
    const outcomes = await sending
    expect(outcomes).toContain(true)
    expect(outcomes).toContain(false)
    await database.start()
    const stored = await app.storedIds(jobId)
    const known = new Set(stored)
    expect(stored).toHaveLength(known.size)
    expect([...acknowledged].filter((id) => !known.has(id))).toEqual([])
    // A batch is there whole or not at all, whatever became of its answer.
    for (const batch of batches) expect([0, batch.length]).toContain(batch.filter(({ id }) => known.has(id)).length)
    for (const batch of batches) expect(await send(batch)).toBe(true)
    const all = await app.storedIds(jobId)
    const wanted: string[] = batches.flat().map(({ id }) => id)
    expect(all.filter((id) => wanted.includes(id)).sort()).toEqual([...wanted].sort())
  })
  it('is said on the screen; what is tapped waits, and goes when it is back', async () => {
    const { jobId } = await place()
    const before = (await app.storedIds(jobId)).length
    await database.kill()
    await grade(sheet, 'pan', 3)
    await grade(sheet, 'wheel', 2)
    await expectText(sheet, '.unsent', '2 not sent yet')
    await expectText(sheet, '[role="alert"]', 'database does not answer')
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-part="pan"][data-grade="3"]')
    await database.start()
    await sent(sheet)
    expect(await app.storedIds(jobId)).toHaveLength(before + 2)
  })
})
