// What of washing is chosen by hand?
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { positiveUpTo } from '../quantities/index.ts'

/** How somebody wants to wash: the pump's flow, the minutes, and when to pause and clear the outlet (minutes of washing). */
export const washPlanSchema = closed({
  flowLMin: positiveUpTo(30).optional(),
  washMin: positiveUpTo(60).optional(),
  pausesAtMin: z.array(positiveUpTo(60)).max(12).optional(),
})
export type WashPlan = z.infer<typeof washPlanSchema>
