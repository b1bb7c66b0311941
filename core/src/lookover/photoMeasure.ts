// What does a measured photograph say of a part? Where the part is on it, and the shares read off.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { clamp, share } from '../quantities/index.ts'

const corner = closed({ x: share, y: share })
/** The part on the photograph: corners in shares of its width and height, from top left clockwise as the part itself stands. */
export const regionSchema = z.tuple([corner, corner, corner, corner])
export type Region = z.infer<typeof regionSchema>

export const photoMeasureSchema = closed({
  region: regionSchema,
  /** Share of the region that soil covers, and where it lies nine times in ten. */
  coveredShare: share,
  low: share,
  high: share,
  /** Share of the fins that can be seen which are straight. */
  straightShare: share.optional(),
  /** Share that soil covers after a person corrected what was read. */
  byHand: share.optional(),
})
export type PhotoMeasure = z.infer<typeof photoMeasureSchema>

/** The covered share that counts, 0..1: a person's correction, or else what was read. */
export const settledShare = ({ byHand, coveredShare }: Pick<PhotoMeasure, 'byHand' | 'coveredShare'>): number => byHand ?? coveredShare

/**
 * The covered share that counts, and where it lies nine times in ten, 0..1. A correction is as exact as the reading, but for what may have been
 * hidden, which only reaches down: that was looked at.
 */
export function settledBand({ byHand, coveredShare, low, high }: Pick<PhotoMeasure, 'byHand' | 'coveredShare' | 'low' | 'high'>) {
  if (byHand === undefined) return { coveredShare, low, high }
  const off = high - coveredShare
  return { coveredShare: byHand, low: clamp(byHand - off, 0, 1), high: clamp(byHand + off, 0, 1) }
}
