// How much may a whole file of a firm hold? More than this does not fit into the memory of a thread, and a thread without memory ends its process.
import type { Budget } from '../http/budget.ts'

/** Files as they are written hold a value every 15 to 20 bytes: this many are in the largest that is taken. */
export const largeBudget: Budget = { values: 2_000_000, depth: 60, names: 20_000, text: 1_000_000 }
