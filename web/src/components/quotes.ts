// How is a quote spoken of?
import type { QuoteRecord } from '@yastik/core/wire'
import dayjs from 'dayjs'

export function quoteStateWords({ state, validUntil }: Pick<QuoteRecord, 'state' | 'validUntil'>, today: string): string {
  if (state !== 'open') return state
  const until = dayjs(validUntil).format('D MMM YYYY')
  return validUntil < today ? `ran out on ${until}` : `open until ${until}`
}

export const sourceWords: Record<QuoteRecord['units'][number]['source'], string> = {
  'looked-over': 'as looked over',
  said: 'as you say',
  forecast: 'by forecast',
  supposed: 'supposed: never seen',
}
