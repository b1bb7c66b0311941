// How are the schools of the trade called, and what does each say?
import { choices } from '../words/en/choices.ts'
import { namesOf } from '../words/en/namesOf.ts'
import { says, type Message } from '../words/index.ts'
import { schools, type SchoolName, type Schools } from './houseRules.ts'

/** How a way of a school is called; and in a sentence. */
export const schoolWay = (value: Schools[SchoolName]): Message => says(`names.school.${value}`)
const sentencesOf = () => Object.fromEntries(Object.entries(schools).map(([school, values]) => [school, namesOf(choices, 'schoolSentence', values)]))
/** Each way of a school in a sentence. */
export const schoolSentence = (value: Schools[SchoolName]): Message => says(`names.schoolSentence.${value}`)
export const schoolSentences = /* @__PURE__ */ sentencesOf() as {
  [S in SchoolName]: Record<Schools[S], string>
}

/** How a school is named in a heading. */
export const schoolName = (school: SchoolName): Message => says(`names.schoolTopic.${school}`)
export const schoolNames: Record<SchoolName, string> = /* @__PURE__ */ namesOf(choices, 'schoolTopic', Object.keys(schools) as SchoolName[])
