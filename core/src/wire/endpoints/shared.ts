// What many endpoints name: ids in the path, and where the next page of a list begins.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'

export const byId = closed({ id: z.uuid() })
/** The `next` of the page before. */
export const mark = z.string().max(300).optional()
export const paged = closed({ after: mark })
