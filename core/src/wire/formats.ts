// How do other programs know the formats? JSON Schema, generated from the one definition.
import { z } from 'zod'
import { jobFileSchema, planFileSchema } from '../plan/index.ts'
import { bundleSchema } from './bundle.ts'

/** JSON Schema (2020-12) of the open formats, by file name. */
export const jsonSchemas = (): Record<'job.schema.json' | 'plan.schema.json' | 'bundle.schema.json', object> => ({
  'job.schema.json': { title: 'Yastik job file, yastik.job/1', ...z.toJSONSchema(jobFileSchema, { io: 'input' }) },
  'plan.schema.json': { title: 'Yastik plan file, yastik.plan/1', ...z.toJSONSchema(planFileSchema) },
  'bundle.schema.json': { title: 'Yastik bundle of a firm, yastik.bundle/1', ...z.toJSONSchema(bundleSchema, { io: 'input' }) },
})
