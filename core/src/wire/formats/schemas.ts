// How do other programs know the formats? JSON Schema, generated from the one definition.
import { z } from 'zod'
import { jobFileSchema, planFileSchema } from '../../plan/index.ts'
import { bundleSchema } from '../bundle.ts'
import { photographListSchema } from '../photographs.ts'
import { describeFields } from './describe.ts'
import { asRead } from './asRead.ts'

const taken = { io: 'input', override: asRead } as const

type FormatFile = `${'job' | 'plan' | 'bundle' | 'photographs'}.schema.json`
/** JSON Schema (2020-12) of the open formats, by file name. */
export const jsonSchemas = (): Record<FormatFile, object> => ({
  'job.schema.json': described('job', 'jobFile', 'Yastik job file, yastik.job/1', z.toJSONSchema(jobFileSchema, taken)),
  'plan.schema.json': described('plan', 'planFile', 'Yastik plan file, yastik.plan/1', z.toJSONSchema(planFileSchema)),
  'bundle.schema.json': described('bundle', 'bundle', 'Yastik bundle of a firm, yastik.bundle/1', z.toJSONSchema(bundleSchema, taken)),
  'photographs.schema.json': described(
    'photographs',
    'photographList',
    'Yastik list of photographs, yastik.photographs/1',
    z.toJSONSchema(photographListSchema),
  ),
})

/** With a name that stays, whatever address the file is at. */
const described = (name: string, root: string, title: string, schema: object) => ({
  $id: `urn:yastik:format:${name}:1`,
  title,
  ...describeFields(schema, root),
})
