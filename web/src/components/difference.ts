// How is said what another way would change?
import type { Comparison } from '@yastik/core/plan'
import { durationWords } from '@yastik/core/quantities'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

/** @returns a function that says a difference in time, money and water: +12 min · price −€3.00 · +2 L water */
export function useDifference(): (change: Comparison) => string {
  const { quantity } = useMeasures()
  const place = usePlace()
  const sign = (value: number) => (value > 0 ? '+' : '−')
  return ({ minutes = 0, money = 0, waterL = 0 }) =>
    [
      ...(minutes === 0 ? [] : [`${sign(minutes)}${durationWords(Math.abs(minutes))}`]),
      ...(money === 0 ? [] : [t('screen.method.price-change', { change: place.change(money) })]),
      ...(waterL === 0 ? [] : [t('screen.method.water-change', { change: `${sign(waterL)}${quantity(Math.abs(waterL), 'L')}` })]),
    ].join(' · ') || t('screen.method.no-difference')
}
