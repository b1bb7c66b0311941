// When is a good time? Before the cooling season, and on a roof only on a mild, dry day with little wind.
import { z } from 'zod'
import { closed } from '../schemas/index.ts'
import { estimate } from '../quantities/index.ts'

/** A month with this mean temperature has people switch cooling on. */
const coolingFromC = estimate(17, '°C, mean of a month')
/** On a roof: not in frost or heat, not wet. The wind limit is a house rule. */
export const roofLimits = { leastC: estimate(5, '°C'), mostC: estimate(30, '°C'), mostRainMm: estimate(0.5, 'mm in a day') }

export const weatherDaySchema = closed({ day: z.iso.date(), lowC: z.number(), highC: z.number(), windMs: z.number(), rainMm: z.number() })
export type WeatherDay = z.infer<typeof weatherDaySchema>

export interface Season {
  /** Months, 1 to 12; the last one may lie in the next year. */
  readonly firstMonth: number
  readonly lastMonth: number
}

/** The months in which cooling runs, from twelve monthly means, January first; undefined where it never or always does. */
export function coolingSeason(monthlyMeansC: readonly number[]): Season | undefined {
  const warm = monthlyMeansC.map((meanC) => meanC >= coolingFromC.value)
  if (warm.every(Boolean) || !warm.some(Boolean)) return undefined
  const first = warm.findIndex((isWarm, month) => isWarm && !warm[(month + 11) % 12])
  let length = 1
  while (warm[(first + length) % 12]) length++
  return { firstMonth: first + 1, lastMonth: ((first + length - 1) % 12) + 1 }
}

const isWithin = (month: number, { firstMonth, lastMonth }: Season): boolean =>
  firstMonth <= lastMonth ? month >= firstMonth && month <= lastMonth : month >= firstMonth || month <= lastMonth

/** The first day of the season in which a due day falls, where there is still time before it: the work is better done by then. */
export function bringForward(dueOn: string, today: string, season: Season | undefined): string | undefined {
  const [year, month] = dueOn.split('-').map(Number)
  if (!season || !isWithin(month, season)) return undefined
  // A season over the turn of the year began the year before.
  const startYear = month < season.firstMonth ? year - 1 : year
  const start = `${startYear}-${String(season.firstMonth).padStart(2, '0')}-01`
  return start > today && start < dueOn ? start : undefined
}

/** Days on which somebody may go up. */
export const roofDays = (days: readonly WeatherDay[], windLimitMs: number): string[] =>
  days
    .filter(
      ({ lowC, highC, windMs, rainMm }) =>
        windMs <= windLimitMs && rainMm <= roofLimits.mostRainMm.value && lowC >= roofLimits.leastC.value && highC <= roofLimits.mostC.value,
    )
    .map(({ day }) => day)
