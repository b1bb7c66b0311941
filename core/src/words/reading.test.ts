// Can everybody read what customers get? At most the eighth school year, by sentences, words and syllables (Flesch and Kincaid).
import { fleschKincaid } from 'flesch-kincaid'
import { syllable } from 'syllable'
import { planInEnglish } from '../tests/inEnglish.ts'
import { jobOf } from '../tests/judge/index.ts'
import { letters } from './en/letters.ts'
import { report } from './en/report.ts'

const mostGrade = 8

function gradeOf(text: string): number {
  const words = text.match(/[A-Za-z][A-Za-z’'-]*/g) ?? []
  const sentences = text.split(/[.!?](?:\s|$)/).filter((part) => /\w/.test(part))
  return fleschKincaid({ sentence: sentences.length, word: words.length, syllable: words.reduce((sum, word) => sum + syllable(word), 0) })
}
/** With what is usually put in: names and figures of one syllable or two. */
const filled = (texts: Readonly<Record<string, string>>) =>
  Object.values(texts)
    .filter((text) => text.split(' ').length > 5)
    .map((text) => text.replaceAll(/\{(\w+)[^{}]*\}/g, 'water').replaceAll(/\{[^{}]*\}/g, 'water'))

it('sees what is hard to read', () => {
  const hard =
    'Notwithstanding considerable contamination, remediation of inaccessible heat-exchanger surfaces necessitates supplementary intervention.'
  expect(gradeOf(hard)).toBeGreaterThan(20)
  expect(gradeOf('We washed the filters. The coil is clean now.')).toBeLessThan(3)
})
it('letters are', () => expect(gradeOf(filled(letters).join(' '))).toBeLessThanOrEqual(mostGrade))
it('the report is', () => expect(gradeOf(filled(report).join(' '))).toBeLessThanOrEqual(mostGrade))
it('what is said at handing over is, whatever was found', () => {
  const texts = Array.from({ length: 120 }, (_, index) => planInEnglish(jobOf(500 + index)).units.map(({ customerText }) => customerText)).flat()
  expect(texts.map((text) => [gradeOf(text), text] as const).filter(([grade]) => grade > mostGrade)).toEqual([])
})
