// How are days counted on the server? UTC days, written as 2026-05-31.
export const dayMs = 86_400_000
export const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10)
