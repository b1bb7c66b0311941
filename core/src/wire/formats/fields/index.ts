// All that is said of fields, for the schemas of files and for the description of the server.
import { answerFields } from './answers.ts'
import { bundleFields } from './bundle.ts'
import { jobFields } from './job.ts'
import { planFields } from './plan.ts'
import type { FieldTexts } from './texts.ts'

export type { FieldTexts } from './texts.ts'
export const fieldTexts: FieldTexts = { ...answerFields, ...jobFields, ...planFields, ...bundleFields }
