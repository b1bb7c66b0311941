// What many endpoints name: ids in the path, and where the next page of a list begins.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'

export const byId = closed({ id: z.uuid() })
/** Largest body of whoever has not signed in yet, bytes. */
export const mostForAnyone = 4000
/** The `next` of the page before. */
export const mark = z.string().max(300).optional()
export const paged = closed({ after: mark })
