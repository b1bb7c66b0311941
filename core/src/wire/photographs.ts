// The list that goes with all photographs as files: which file shows what.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { photoMeasureSchema } from '../lookover/index.ts'
import { partSchema } from '../units/index.ts'

const id = z.uuid()

export const photographListSchema = closed({
  format: z.literal('yastik.photographs/1'),
  photographs: z.array(
    closed({
      photoId: id,
      /** Null where the picture itself is gone. */
      file: z.string().nullable(),
      jobId: id,
      unitId: id,
      unit: z.string(),
      site: z.string(),
      width: z.int(),
      height: z.int(),
      /** Where an event speaks of it. */
      takenAt: z.iso.datetime().optional(),
      stepId: z.string().optional(),
      of: closed({ part: partSchema, when: z.literal(['before', 'after']) }).optional(),
      nameplate: z.boolean().optional(),
      measure: photoMeasureSchema.optional(),
      signedBy: z.string().optional(),
    }),
  ),
})
export type PhotographList = z.infer<typeof photographListSchema>
