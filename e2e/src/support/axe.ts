// What would keep somebody from using a page, as far as a machine can find it: WCAG 2.2 AA and best practice.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Sheet } from './browser.ts'

const source = readFileSync(createRequire(`${process.cwd()}/package.json`).resolve('axe-core/axe.min.js'), 'utf8')
const asked = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/** Kinds of light that somebody may choose. */
export const lights = ['paper', 'outdoor', 'cellar'] as const

/**
 * Everything is looked for in the light that is on, contrast `in all lights` as well: colours do not depend on how wide a page is. In another light
 * letters are of another weight, and a page is laid out anew.
 * @returns one line a finding: which rule, where, why
 */
export async function findings({ driver }: Sheet, how: 'in all lights' | 'as it is' | 'in the other lights' = 'in all lights'): Promise<string[]> {
  await driver.executeScript(source)
  return driver.executeAsyncScript<string[]>(
    `const [asked, lights, isAsked, done] = arguments
    const root = document.documentElement
    const now = root.dataset.light
    const says = ({ violations }) => violations.flatMap(({ id, nodes }) =>
      nodes.map(({ target, any, all, none }) =>
        id + ' in ' + root.dataset.light + ' at ' + target.join(' ') + ': ' + ([...any, ...all, ...none][0]?.message ?? '')))
    const look = async () => {
      // What still fades in is not there yet.
      await Promise.allSettled(document.getAnimations().map(({ finished }) => finished))
      const found = isAsked ? says(await axe.run(document, { runOnly: asked, resultTypes: ['violations'] })) : []
      for (const light of lights.filter((name) => name !== now)) {
        root.dataset.light = light
        found.push(...says(await axe.run(document, { runOnly: { type: 'rule', values: ['color-contrast'] }, resultTypes: ['violations'] })))
      }
      root.dataset.light = now
      return found
    }
    look().then(done, (error) => done([String(error)]))`,
    asked,
    how === 'as it is' ? [] : lights,
    how !== 'in the other lights',
  )
}
