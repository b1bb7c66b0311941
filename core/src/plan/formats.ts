// How do other programs know the formats? JSON Schema, generated from the one definition.
import { z } from 'zod'
import { jobFileSchema } from './jobFile.ts'
import { planFileSchema } from './planFile.ts'

/** JSON Schema (2020-12) of both open formats, by file name. */
export const jsonSchemas = (): Record<'job.schema.json' | 'plan.schema.json', object> => ({
  'job.schema.json': { title: 'Yastik job file, yastik.job/1', ...z.toJSONSchema(jobFileSchema, { io: 'input' }) },
  'plan.schema.json': { title: 'Yastik plan file, yastik.plan/1', ...z.toJSONSchema(planFileSchema) },
})
