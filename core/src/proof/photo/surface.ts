// What does a region of a photograph show?

/** Fins of a coil, or blades of a wheel. */
export type Surface = 'fins' | 'blades'

/** Fins within so many degrees of the direction of most of them count as straight. */
export const straightWithinDeg = 10

/** Cells of the map that says where a part is covered. */
export const mapColumns = 48
export const mapRows = 36
