// Where does a number of the trade come from, and in which unit is it?

/** A number that a firm may correct: its value, its unit and its source. */
export interface StartValue {
  readonly value: number
  readonly unit: string
  readonly source: string
}

/** Marks `value` as an engineering estimate to start from. */
export const estimate = (value: number, unit: string): StartValue => ({ value, unit, source: 'engineering estimate (start value)' })

/** Marks `value` as taken from a published source. */
export const published = (value: number, unit: string, source: string): StartValue => ({ value, unit, source })
