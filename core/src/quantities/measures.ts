// In which units does a person read and enter figures? The core stays SI; a well-kept package converts.
import Qty from 'js-quantities'
import { z } from 'zod'
import { closed } from '../schemas/index.ts'

/** In which units a person reads and enters figures; what is stored and computed stays SI. */
export const measuresSchema = closed({
  temperature: z.literal(['°C', '°F']),
  volume: z.literal(['L', 'gal']),
  airflow: z.literal(['m³/h', 'CFM']),
  power: z.literal(['kW', 'Btu/h']),
})
export type Measures = z.infer<typeof measuresSchema>
export const customary: Measures = { temperature: '°F', volume: 'gal', airflow: 'CFM', power: 'Btu/h' }
export const metric: Measures = { temperature: '°C', volume: 'L', airflow: 'm³/h', power: 'kW' }

/** Kinds of quantity that people read differently, by the SI unit in which they are stored. */
export type SiUnit = '°C' | 'K' | 'L' | 'L/min' | 'L/h' | 'm³/h' | 'kW'

interface Reading {
  /** How the package names the stored unit and the one that is read; and how it is written. */
  readonly from: string
  readonly to: string
  readonly shown: string
  /** Decimals that the stored figure's own decimals gain or lose. */
  readonly digits: number
}

const asStored = (unit: SiUnit): Reading => ({ from: '', to: '', shown: unit, digits: 0 })

function readingOf(unit: SiUnit, measures: Measures): Reading {
  const gallons = measures.volume === 'gal'
  const fahrenheit = measures.temperature === '°F'
  switch (unit) {
    case '°C':
      return fahrenheit ? { from: 'tempC', to: 'tempF', shown: '°F', digits: 0 } : asStored(unit)
    case 'K':
      return fahrenheit ? { from: 'degC', to: 'degF', shown: '°F', digits: 0 } : asStored(unit)
    case 'L':
      return gallons ? { from: 'liter', to: 'gallon', shown: 'gal', digits: 1 } : asStored(unit)
    case 'L/min':
      return gallons ? { from: 'liter/min', to: 'gallon/min', shown: 'gal/min', digits: 1 } : asStored(unit)
    case 'L/h':
      return gallons ? { from: 'liter/hour', to: 'gallon/hour', shown: 'gal/h', digits: 1 } : asStored(unit)
    case 'm³/h':
      return measures.airflow === 'CFM' ? { from: 'm^3/hour', to: 'ft^3/min', shown: 'CFM', digits: 0 } : asStored(unit)
    case 'kW':
      return measures.power === 'Btu/h' ? { from: 'kW', to: 'btu/hour', shown: 'Btu/h', digits: -4 } : asStored(unit)
  }
}

const units: readonly string[] = ['°C', 'K', 'L', 'L/min', 'L/h', 'm³/h', 'kW'] satisfies SiUnit[]
export const isSiUnit = (unit: string): unit is SiUnit => units.includes(unit)

/** The unit in which a person reads what is stored in `unit`. */
export const unitFor = (unit: SiUnit, measures: Measures): string => readingOf(unit, measures).shown

/** A stored figure as the person reads it, not rounded. */
export function asRead(value: number, unit: SiUnit, measures: Measures): number {
  const { from, to } = readingOf(unit, measures)
  return from === '' ? value : Qty(value, from).to(to).scalar
}

/** A figure that the person entered, as it is stored. */
export function asEntered(value: number, unit: SiUnit, measures: Measures): number {
  const { from, to } = readingOf(unit, measures)
  return from === '' ? value : Qty(value, to).to(from).scalar
}

const roundTo = (value: number, digits: number) =>
  (digits < 0 ? Math.round(value / 10 ** -digits) * 10 ** -digits : Math.round(value * 10 ** digits) / 10 ** digits) + 0

/** Figure without unit, with as many decimals as the stored one has, or what the change of unit asks for. */
export function figureOf(value: number, unit: SiUnit, measures: Measures): number {
  const decimals = (String(value).split('.')[1] ?? '').length
  return roundTo(asRead(value, unit, measures), Math.min(6, decimals + readingOf(unit, measures).digits))
}

/** Below these a volume is read in the smaller unit. */
const smallL = 1
const smallGal = 0.25

/** Figure and unit in which a quantity is read: small volumes in mL or fluid ounces. */
export function reading(value: number, unit: SiUnit, measures: Measures): { readonly figure: number; readonly unit: string } {
  const size = unit === 'L' ? Math.abs(asRead(value, 'L', measures)) : 0
  if (size > 0 && measures.volume === 'L' && size < smallL) return { figure: Math.round(value * 1000), unit: 'mL' }
  if (size > 0 && measures.volume === 'gal' && size < smallGal) return { figure: roundTo(Qty(value, 'liter').to('floz').scalar, 1), unit: 'fl oz' }
  return { figure: figureOf(value, unit, measures), unit: unitFor(unit, measures) }
}
const formats = new Map<string, Intl.NumberFormat>()
/** A figure as a language writes it: no grouping, as many decimals as it has. */
export function figureWords(value: number, locale: string): string {
  const known = formats.get(locale) ?? new Intl.NumberFormat(locale, { useGrouping: false, maximumFractionDigits: 6 })
  formats.set(locale, known)
  return known.format(value)
}
/** The same in words: 12 mL. */
export function quantityWords(value: number, unit: SiUnit, measures: Measures, locale = 'en'): string {
  const { figure, unit: name } = reading(value, unit, measures)
  return `${figureWords(figure, locale)} ${name}`
}
