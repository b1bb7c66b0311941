// What a technician does again and again.
import { click, exists, expectText, find, gone, type, type Sheet } from './browser.ts'
import { moveClock } from './clock.ts'
import { isAt } from './places.ts'
import { By } from 'selenium-webdriver'

/** Grades a part: its call-out on the drawing, then the scale. */
export async function grade(sheet: Sheet, part: string, value: number): Promise<void> {
  await click(sheet, `[data-callout="${part}"] .hit`)
  await click(sheet, `[data-set-grade="${value}"]`)
  await find(sheet, `[data-part="${part}"][data-grade="${value}"]`)
}

/** Opens the line of a decision, where it is not open already. */
export async function openDecision(sheet: Sheet, topic: string): Promise<void> {
  await find(sheet, `[data-topic="${topic}"]`)
  if (await exists(sheet, `[data-topic="${topic}"] [aria-expanded="false"]`)) await click(sheet, `[data-topic="${topic}"] [aria-expanded="false"]`)
  await find(sheet, `[data-topic="${topic}"] [aria-expanded="true"]`)
}
/** Follows a school for one job. */
export async function followSchool(sheet: Sheet, topic: string, school: string, value: string): Promise<void> {
  await openDecision(sheet, topic)
  await click(sheet, `[data-school="${school}"] [data-option="${value}"]`)
}

export const stepId = async (sheet: Sheet): Promise<string | undefined> =>
  (await sheet.driver.executeScript<string | null>("return document.querySelector('[data-step]')?.dataset.step")) ?? undefined

/** Readings of a unit that cools as a clean one does. */
const usualReadings = { returnC: '26', returnRh: '54', supplyC: '13.5', airflowM3h: '490' }

/** Enters readings at the proof, where a step asks for them, and comes back to the unit. */
export async function takeReadings(sheet: Sheet, when: 'before' | 'after', readings: Record<string, string> = usualReadings): Promise<void> {
  await click(sheet, '[data-opens]')
  await isAt(sheet, 'proof')
  for (const [name, value] of Object.entries(readings)) await type(sheet, `[data-readings="${when}"] input[name="${name}"]`, value)
  await click(sheet, `[data-readings="${when}"] button[type="submit"]`)
  await click(sheet, 'a[href$="/at-the-unit"]')
  await isAt(sheet, 'at-the-unit')
}

/** Leaves the step that is shown out, with a reason. */
async function leaveOut(sheet: Sheet, id: string): Promise<void> {
  await click(sheet, `[data-step="${id}"] [data-leave-out]`)
  await type(sheet, 'input[name="left-out-because"]', 'no time for it today')
  await click(sheet, `[data-step="${id}"] form button[type="submit"]`)
}

/** Does the step that is shown: photograph left out, everything counted back, gate, then done. Returns its id. */
export async function doStep(sheet: Sheet): Promise<string> {
  await find(sheet, '[data-step]')
  const id = await stepId(sheet)
  if (!id) throw new Error('no step is shown')
  if (id === 'read-before' || id === 'start-unit') {
    await leaveOut(sheet, id)
    await gone(sheet, `[data-step="${id}"]`)
    return id
  }
  if (id === 'run-test') {
    await takeReadings(sheet, 'after')
    await find(sheet, `[data-step="${id}"]`)
  }
  if (await exists(sheet, `[data-step="${id}"] [data-leave-photo]`)) {
    await click(sheet, `[data-step="${id}"] [data-leave-photo]`)
    await find(sheet, `[data-step="${id}"] [data-photo-left-out]`)
  }
  await countAllBack(sheet, id)
  return doStepAsCounted(sheet)
}

/** The same, with the counts as they stand on the screen. */
export async function doStepAsCounted(sheet: Sheet): Promise<string> {
  const id = await stepId(sheet)
  if (!id) throw new Error('no step is shown')
  if (await exists(sheet, `[data-step="${id}"] [data-gate]:not(:has(:checked))`)) await click(sheet, '[data-gate]')
  await click(sheet, `[data-step="${id}"] [data-done]`)
  await gone(sheet, `[data-step="${id}"]`)
  return id
}

/** Every kind of fastener of the step that is shown is back, at one tap each. */
export async function countAllBack(sheet: Sheet, id: string): Promise<void> {
  const kinds = await sheet.driver.findElements(By.css(`[data-step="${id}"] [data-all-back]`))
  for (let index = 0; index < kinds.length; index++)
    await click(sheet, `[data-step="${id}"] .count:nth-child(${index + 1} of .count) [data-all-back]`)
}

/** Works on until `stop` says so, each step as `how` does it; where only waiting is left, the clock moves. Returns the ids of the steps done. */
export async function workUntil(sheet: Sheet, stop: (id: string) => boolean, how = doStep): Promise<string[]> {
  const done: string[] = []
  for (let turns = 0; turns < 200; turns++) {
    if (await exists(sheet, '[data-finished]')) return done
    const id = await stepId(sheet)
    if (id === undefined) {
      await moveClock(sheet, 10)
      // The page looks at its clock every second; where more is to be waited for, the clock moves again.
      const goesOn = async () => (await stepId(sheet)) !== undefined || (await exists(sheet, '[data-finished]'))
      for (let looks = 0; looks < 12 && !(await goesOn()); looks++) await sheet.driver.sleep(100)
      continue
    }
    if (stop(id)) return done
    done.push(await how(sheet))
  }
  throw new Error(`still not there after: ${done.join(', ')}`)
}

/** Waits until everything was sent. */
export async function sent(sheet: Sheet): Promise<void> {
  await gone(sheet, '.unsent')
  await expectText(sheet, 'header.strip', 'Yastik')
}
