// Tables for a spreadsheet: CSV (RFC 4180), in which no cell starts a formula, whatever signs a spreadsheet takes for the start of one.
import papa from 'papaparse'

/** The signs, those of full width that some take for the same, and what would bring one to the start. */
const formula = /^[=+\-@\t\r\n＝＋－＠].*$/s

export const csvOf = (rows: readonly (readonly unknown[])[]): string =>
  papa.unparse(rows as unknown[][], { escapeFormulae: formula, newline: '\r\n' })
