import { locale } from './i18n'

const formats = new Map<number, Intl.NumberFormat>()
function format(digits: number) {
  const known =
    formats.get(digits) ??
    new Intl.NumberFormat(locale, { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false })
  formats.set(digits, known)
  return known
}

/** With so many digits behind the point, as the reader's language writes it; a minus as wide as a plus, none at nought. */
export function decimal(value: number, digits: number): string {
  const text = format(digits).format(Number(value.toFixed(digits)) || 0)
  return text.replace('-', '−')
}
