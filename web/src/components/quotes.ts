// How is a quote spoken of?
import type { QuoteRecord } from '@yastik/core/wire'
import { dayWords } from '../words/when.ts'
import { t } from '../words/words.ts'

export function quoteStateWords({ state, validUntil }: Pick<QuoteRecord, 'state' | 'validUntil'>, today: string): string {
  if (state !== 'open') return t(`screen.quotes.state.${state}`)
  const until = dayWords(validUntil)
  return validUntil < today ? t('screen.quotes.state.ran-out', { until }) : t('screen.quotes.state.open-until', { until })
}
