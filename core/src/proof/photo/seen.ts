// What is seen on a part, block by block, whichever way it is read.

/** Blocks of a part as it stands on the photograph. */
export interface PartSeen {
  /** Where each lies, 0..1 from the upper left corner of the region. */
  readonly places: readonly { readonly u: number; readonly v: number }[]
  /** How much of the region each is, against one in its middle. */
  readonly sizes: Float32Array
  /** Chances, 0..1, that soil covers it, and that something lies before it. */
  readonly covered: Float32Array
  readonly hidden: Float32Array
}

/** How far the share of a part is off the truth, as spread: least, and by how unsure its blocks are. */
export interface Spread {
  readonly least: number
  readonly byUnsure: number
}

/** The mean of a part's blocks by their sizes. */
export const meanBy = (sizes: Float32Array, values: Float32Array): number =>
  values.reduce((sum, value, at) => sum + value * sizes[at], 0) / sizes.reduce((sum, size) => sum + size, 0)

/** How unsure blocks are on the whole: 0 where all are certain, 0.25 where none is. */
export const unsureOf = ({ sizes, covered }: PartSeen): number =>
  meanBy(
    sizes,
    covered.map((value) => value * (1 - value)),
  )
