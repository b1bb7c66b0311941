// How many digits does a figure deserve?

/** `value` rounded to `digits` decimals. */
export function round(value: number, digits = 0): number {
  const factor = 10 ** digits
  return Math.round(value * factor) / factor
}

/** `value` rounded up to the next multiple of `step`, safe against binary dust. */
export function roundUpTo(value: number, step: number): number {
  return round(Math.ceil(value / step - 1e-9) * step, 6) + 0
}

/** `value` held between `least` and `most`. */
export const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))
