// How is what is on record spoken of?
/** A state in a line: `hourCost 58, roofWindLimitMs 8`. */
export const stateInWords = (state: Record<string, unknown> | null): string =>
  Object.entries(state ?? {})
    .map(([name, value]) => `${name} ${typeof value === 'string' ? value : JSON.stringify(value)}`)
    .join(', ')
