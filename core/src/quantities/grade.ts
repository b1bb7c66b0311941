// How soiled is a part? One scale for all parts.
// Schemas here are marked as pure: who takes the names alone, as a worker does, does not carry what reads them.
import { z } from 'zod'

/** 0 clear, 1 film, 2 coat, 3 mat, 4 choked. */
export const gradeSchema = /* @__PURE__ */ z.literal([0, 1, 2, 3, 4])
export type Grade = z.infer<typeof gradeSchema>
export const allGrades: readonly Grade[] = [0, 1, 2, 3, 4]
