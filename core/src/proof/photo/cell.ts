// One block of a part, as a photograph shows it.

/** Where a block lies on the part, 0..1 from its upper left corner, and its number row by row. */
export interface Place {
  readonly at: number
  readonly u: number
  readonly v: number
}
/** Blocks but the outermost ones, which see the frame as well. */
export function innerPlaces(columns: number, rows: number): Place[] {
  const out: Place[] = []
  for (let row = 1; row < rows - 1; row++)
    for (let column = 1; column < columns - 1; column++) out.push({ at: row * columns + column, u: (column + 0.5) / columns, v: (row + 0.5) / rows })
  return out
}
