// How is money written?
/** ISO 4217's code for no currency: written as a sign of its own. */
const none = 'XXX'
const isCode = (currency: string) => /^[A-Z]{3}$/.test(currency)

/**
 * An amount in the firm's money: €2,035.00, −€12.50.
 * @param currency ISO 4217 code; what is no code stands before the amount as it is; without one the sign ¤ says that none was named
 * @param whole without hundredths, where it is about so much
 * @param locale by which figures are written: BCP 47
 */
export function moneyWords(amount: number, currency: string | undefined, whole = false, locale = 'en'): string {
  const digits = whole ? { minimumFractionDigits: 0, maximumFractionDigits: 0 } : {}
  const code = currency === undefined || currency.trim() === '' ? none : currency
  if (!isCode(code)) {
    const figure = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2, ...digits }).format(Math.abs(amount))
    return `${amount < 0 ? '−' : ''}${code} ${figure}`
  }
  return new Intl.NumberFormat(locale, { style: 'currency', currency: code, currencyDisplay: 'narrowSymbol', ...digits })
    .format(amount)
    .replace('-', '−')
}
/** Codes of currencies in use, as ISO 4217 has them, by code. */
export const currencies = (): string[] => Intl.supportedValuesOf('currency')
