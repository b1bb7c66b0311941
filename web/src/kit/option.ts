// What is offered where one or several of a few are chosen?
export interface Option<Value> {
  readonly value: Value
  /** As a person reads it. */
  readonly says: string
  readonly disabled?: boolean
}

/** The attribute by which an option is found on the page. @returns nothing where it has no name */
export const marked = <Value>(mark: string | undefined, { value }: Option<Value>): Record<string, string> =>
  mark === undefined ? {} : { [`data-${mark}`]: String(value) }

/** Options of names that have words of their own. */
export const optionsOf = <Value extends string | number>(values: readonly Value[], says: (value: Value) => string): Option<Value>[] =>
  values.map((value) => ({ value, says: says(value) }))
