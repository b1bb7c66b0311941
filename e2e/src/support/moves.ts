// What a technician does again and again.
import { click, exists, expectText, find, waitUntil, type Sheet } from './browser.ts'
import { moveClock } from './clock.ts'
import { By } from 'selenium-webdriver'

/** Grades a part: its call-out on the drawing, then the scale. */
export async function grade(sheet: Sheet, part: string, value: number): Promise<void> {
  await click(sheet, `[data-callout="${part}"] .hit`)
  await click(sheet, `[data-set-grade="${value}"]`)
  await find(sheet, `[data-part="${part}"][data-grade="${value}"]`)
}

export const stepId = async (sheet: Sheet): Promise<string | undefined> =>
  (await sheet.driver.executeScript<string | null>("return document.querySelector('[data-step]')?.dataset.step")) ?? undefined

/** Does the step that is shown: gate, then done. Returns its id. */
export async function doStep(sheet: Sheet): Promise<string> {
  await find(sheet, '[data-step]')
  const id = await stepId(sheet)
  if (!id) throw new Error('no step is shown')
  if (await exists(sheet, `[data-step="${id}"] [data-gate][aria-checked="false"]`)) await click(sheet, '[data-gate]')
  await click(sheet, `[data-step="${id}"] [data-done]`)
  await waitUntil(sheet, async () => (await stepId(sheet)) !== id, `${id} stays`)
  return id
}

/** Works on until `stop` says so; where only waiting is left, the clock moves. Returns the ids of the steps done. */
export async function workUntil(sheet: Sheet, stop: (id: string) => boolean): Promise<string[]> {
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
    done.push(await doStep(sheet))
  }
  throw new Error(`still not there after: ${done.join(', ')}`)
}

/** Waits until everything was sent. */
export async function sent(sheet: Sheet): Promise<void> {
  await waitUntil(sheet, async () => (await sheet.driver.findElements(By.css('.unsent'))).length === 0, 'something stays unsent')
  await expectText(sheet, 'header.strip', 'Yastik')
}
