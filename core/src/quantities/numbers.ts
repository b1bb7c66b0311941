// Which numbers can be true at all? One schema per kind of quantity, with its range.
import { z } from 'zod'

const between = (least: number, most: number) => z.number().min(least).max(most)

/** Air temperature, °C. */
export const celsius = between(-50, 70)
/** A share of one, 0..1. */
export const share = between(0, 1)
/** Metres above sea level; below the lowest shore and above the highest village nothing is meant. */
export const altitudeM = between(-450, 6000)
/** A count of things. */
export const count = z.int().min(0).max(1000)
/** A length or size that is more than nothing, up to `most`. */
export const positiveUpTo = (most: number) => z.number().gt(0).max(most)
/** An amount of zero or more, up to `most`. */
export const amountUpTo = (most: number) => between(0, most)
/** A pH value. */
export const pH = between(0, 14)
/** A name a person reads: trimmed, not empty, at most 120 characters. */
export const shownName = z.string().trim().min(1).max(120)
/** An identifier made by a machine or a person. */
export const identifier = z.string().min(1).max(80)
