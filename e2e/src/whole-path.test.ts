// The whole path of one wall head, in a real browser against the real server and database.
import { execFile } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { root, startApp, type RunningApp } from './support/app.ts'
import {
  click,
  clickText,
  devtools,
  expectText,
  find,
  gone,
  openBrowser,
  signInByForm,
  textOf,
  type,
  waitUntil,
  type Sheet,
} from './support/browser.ts'
import { follow, isAt } from './support/places.ts'
import { makeClockMovable, moveClock } from './support/clock.ts'
import { countAllBack, doStep, followSchool, grade, openDecision, sent, stepId, workUntil } from './support/moves.ts'

jest.setTimeout(300_000)
let app: RunningApp
let sheet: Sheet
beforeAll(async () => {
  app = await startApp()
  sheet = await openBrowser(app.base)
  await makeClockMovable(sheet)
})
afterAll(async () => {
  await sheet?.close()
  await app?.close()
})

const decisions = () =>
  sheet.driver.executeScript<Record<string, string>>(
    "return Object.fromEntries([...document.querySelectorAll('[data-topic]')].map((entry) => [entry.dataset.topic, entry.dataset.choice]))",
  )

describe('one wall head, from sign-in to logbook', () => {
  it('turns down a wrong password in words, and lets the right one in', async () => {
    await sheet.driver.get(`${app.base}/`)
    await isAt(sheet, 'sign-in')
    await type(sheet, 'input[name="sign-in"]', 'imre')
    await type(sheet, 'input[name="password"]', 'wrong')
    await clickText(sheet, 'Sign in')
    await expectText(sheet, '[role="alert"]', 'Wrong name or password')
    await signInByForm(sheet, 'imre', 'clear-to-the-fins')
    await expectText(sheet, 'main', 'Halvmark Survey Office')
  })

  it('grades parts on the drawing, and the plan beside it answers each tap', async () => {
    await clickText(sheet, 'Meeting room')
    await isAt(sheet, 'look-over')
    await sheet.driver.navigate().refresh()
    await grade(sheet, 'filter', 2)
    await expectText(sheet, '[data-scope]', 'Filter service only')
    await grade(sheet, 'coilFace', 2)
    await expectText(sheet, '[data-scope]', 'Cover off, clean in place')
    for (const [part, value] of [
      ['coilBack', 1],
      ['wheel', 1],
      ['pan', 0],
      ['drainLine', 0],
      ['outlet', 1],
      ['housing', 0],
    ] as const)
      await grade(sheet, part, value)
  })

  it('takes a wrong grade back', async () => {
    await grade(sheet, 'wheel', 4)
    await expectText(sheet, 'main', 'its blades are filling up')
    await click(sheet, '[data-undo]')
    await find(sheet, '[data-part="wheel"][data-grade="1"]')
    await expectText(sheet, '[data-scope]', 'Cover off, clean in place')
  })

  it('can be graded by keyboard alone', async () => {
    const wheel = await find(sheet, '[data-part="wheel"]')
    expect(await wheel.getAttribute('aria-label')).toBe('blower wheel: grade 1, film')
    await sheet.driver.executeScript('arguments[0].focus()', wheel)
    await wheel.sendKeys('2')
    await find(sheet, '[data-part="wheel"][data-grade="2"]')
    await click(sheet, '[data-undo]')
    await find(sheet, '[data-part="wheel"][data-grade="1"]')
  })

  it('shows what the other school would change, and decides with reasons', async () => {
    await follow(sheet, 'See the method')
    const before = await textOf(sheet, '[data-totals]')
    expect(await decisions()).toMatchObject({
      scope: 'open-clean',
      rinse: 'pump-wand',
      wheel: 'brush-through-outlet',
      containment: 'wash-bag-to-bucket',
    })
    await openDecision(sheet, 'rinse')
    await expectText(sheet, '[data-brings="dry"]', /−\d+ min|−\d h/)
    await followSchool(sheet, 'rinse', 'rinseSchool', 'dry')
    await type(sheet, 'input[name="school-because"]', 'the carpet is new')
    await clickText(sheet, 'Choose this')
    await find(sheet, '[data-topic="rinse"][data-choice="none"]')
    expect(await decisions()).toMatchObject({ containment: 'floor-sheet', electrics: 'cover' })
    expect(await textOf(sheet, '[data-totals]')).not.toBe(before)
    await followSchool(sheet, 'rinse', 'rinseSchool', 'rinse')
    await find(sheet, '[data-topic="rinse"][data-choice="pump-wand"]')
    expect(await textOf(sheet, '[data-totals]')).toBe(before)
  })

  it('decides what the plan command decides from the saved job file', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yastik-saved-'))
    await devtools(sheet, 'Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder })
    await click(sheet, '[data-save-job]')
    await waitUntil(sheet, () => readdirSync(folder).includes('job.json'), 'no job file was saved')
    const { stdout } = await promisify(execFile)(process.execPath, [join(root, 'scripts/plan.mjs'), join(folder, 'job.json')], {
      env: { ...process.env, NODE_OPTIONS: '' },
      maxBuffer: 10_000_000,
    })
    const [unit] = JSON.parse(stdout).units
    const planned = Object.fromEntries(unit.decisions.map(({ topic, choice }: { topic: string; choice: string }) => [topic, choice]))
    expect(planned).toEqual(await decisions())
    expect(JSON.parse(readFileSync(join(folder, 'job.json'), 'utf8')).format).toBe('yastik.job/1')
  })

  it('holds a gate until it is confirmed', async () => {
    await click(sheet, '[data-agree]')
    await workUntil(sheet, (id) => id === 'prove-dead')
    expect(await (await find(sheet, '[data-done]')).isEnabled()).toBe(false)
    await expectText(sheet, '[data-holds]', 'confirm: The meter shows dead')
    await click(sheet, '[data-gate]')
    await waitUntil(sheet, async () => (await find(sheet, '[data-done]')).isEnabled(), 'the step stays barred')
  })

  it('loses nothing when the page is loaded again in the middle of the job', async () => {
    const done = await workUntil(sheet, (id) => id === 'apply-coil')
    expect(done).toContain('off-cover')
    await find(sheet, '[data-tray="front cover"]')
    const progress = await textOf(sheet, 'aside .figure')
    await sheet.driver.navigate().refresh()
    await find(sheet, '[data-step="apply-coil"]')
    expect(await textOf(sheet, 'aside .figure')).toBe(progress)
    await find(sheet, '[data-tray="front cover"]')
    await gone(sheet, '.unsent')
  })

  it('runs the dwell clock, and rinses only after it', async () => {
    await doStep(sheet)
    await expectText(sheet, '[role="timer"]', 'still to wait')
    expect(await workUntil(sheet, (id) => id === 'rinse-coil')).not.toContain('wash-pan')
    await expectText(sheet, '[role="timer"]', 'may go on')
    await find(sheet, '[role="timer"][data-alarm="ready"]')
    await sheet.driver.executeScript('window.heard = []; navigator.vibrate = (rhythm) => (window.heard.push(rhythm.length), true)')
    await moveClock(sheet, 60)
    await expectText(sheet, '[role="timer"]', 'too long: rinse now')
    expect(await sheet.driver.executeScript('return window.heard')).toEqual([5])
  })

  it('refuses power while a screw is out, and names it', async () => {
    await workUntil(sheet, (id) => id === 'on-cover')
    await expectText(sheet, '[data-holds]', 'count: cover screw')
    expect(await (await find(sheet, '[data-done]')).isEnabled()).toBe(false)
    await sent(sheet)
    // Somebody who goes round the screen is held by the log itself.
    const forged = await sheet.driver.executeAsyncScript<{ accepted: string[] }>(`
      const [, , jobId, unitId] = location.pathname.split('/')
      const back = arguments[arguments.length - 1]
      fetch('/api/session').then((answer) => answer.json()).then((me) => fetch('/api/jobs/' + jobId + '/events', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ events: [
        { id: crypto.randomUUID(), atMs: Date.now(), by: me.id, happening: { type: 'step-done', unitId: 'visit', stepId: 'power-on@' + unitId } }] }) })).then((answer) => answer.json()).then(back)`)
    expect(forged.accepted).toHaveLength(1)
    await follow(sheet, 'Record')
    await find(sheet, '[data-record]')
    await sheet.driver.navigate().refresh()
    await expectText(sheet, '[data-record]', /done: Power on\s+does not count: .*first: Check every part is back/)
    await follow(sheet, 'At the unit')
    await countAllBack(sheet, 'on-cover')
  })

  it('is cleared up while it cools, left running to dry, and asks for proof', async () => {
    const done = await workUntil(sheet, () => false)
    // Clearing up and showing the result go on while it cools.
    expect([...done.slice(-4)].sort()).toEqual(['clear-up', 'leave-to-dry', 'run-test', 'show-result'])
    expect(done.indexOf('clear-up')).toBeLessThan(done.indexOf('run-test'))
    expect(done.indexOf('power-on')).toBeGreaterThan(done.indexOf('check-ledger'))
    expect(await stepId(sheet)).toBeUndefined()
    await follow(sheet, 'Go to Proof')
  })

  it('finds swapped probes, humidity out of range, and judges by cooling', async () => {
    const after = '[data-readings="after"]'
    const fill = async (values: Record<string, string>) => {
      for (const [name, value] of Object.entries(values)) await type(sheet, `${after} input[name="${name}"]`, value)
    }
    await fill({ returnC: '13.5', returnRh: '540', supplyC: '26', airflowM3h: '490' })
    await click(sheet, `${after} button[type="submit"]`)
    await expectText(sheet, `${after} [role="alert"]`, 'Enter at most 100 %.')
    await fill({ returnRh: '54' })
    await click(sheet, `${after} button[type="submit"]`)
    await expectText(sheet, `${after} [role="alert"]`, 'if the probes were swapped, swap the two readings')
    await clickText(sheet, 'Swap the probes')
    await expectText(sheet, '[data-line="cooling"]', 'proved')
    await expectText(sheet, '[data-verdict]', 'partly proved')
    await expectText(sheet, '[data-verdict]', 'not reached')
  })

  it('hands over and finds the job in the logbook, readable event by event', async () => {
    await type(sheet, '[name="part-item"]', 'gasket')
    await click(sheet, '[data-part-need="to-order"]')
    await expectText(sheet, '[data-part-noted="gasket"]', 'to order')
    await click(sheet, '[data-hand-over]')
    await expectText(sheet, 'h2', 'partly proved')
    await sent(sheet)
    await follow(sheet, 'Logbook')
    await expectText(sheet, '[data-logbook] tbody tr:first-child', 'Meeting room')
    await clickText(sheet, 'Meeting room')
    await isAt(sheet, 'record')
    await expectText(sheet, '[data-record]', 'blower wheel: grade 4, choked (undone)')
    await expectText(sheet, '[data-record]', 'to order: gasket')
    await expectText(sheet, '[data-record]', /used: \d+ mL of/)
    await expectText(sheet, '[data-record]', 'handed over, partly proved')
  })
})
