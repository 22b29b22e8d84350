import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
/** Moments as the clock shows them that its reader chose: UTC, or the school's. */

export const UTC = 'Etc/UTC'
let zone = UTC

const formats = new Map<string, Intl.DateTimeFormat>()
function format(options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = zone + JSON.stringify(options)
  const known = formats.get(key) ?? new Intl.DateTimeFormat(locale, { ...options, timeZone: zone })
  formats.set(key, known)
  return known
}

/** From now on moments are shown, and read from fields, by this zone's clock. */
export const setZone = (name: string) => {
  zone = name
}
export const zoneWord = () => (zone === UTC ? 'UTC' : t`local`)

const CLOCK: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' }
export const clockOf = (iso: string) => format(CLOCK).format(new Date(iso))
export const dayOf = (iso: string) => format({ weekday: 'long', day: 'numeric', month: 'long' }).format(new Date(iso))
export const fullDayOf = (iso: string) =>
  format({ day: 'numeric', month: 'long', year: 'numeric' }).format(new Date(iso))
export const shortDayOf = (iso: string) => format({ day: 'numeric', month: 'short' }).format(new Date(iso))

/** A day without a clock: the same everywhere. */
const plain = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' })
const WEEKDAY = plain({ weekday: 'short', day: 'numeric', month: 'short' })
const DATE = plain({ day: 'numeric', month: 'long', year: 'numeric' })
export const weekdayOf = (date: string) => WEEKDAY.format(new Date(`${date}T12:00:00Z`))
const LONG = plain({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })
export const longDayOf = (date: string) => LONG.format(new Date(`${date}T12:00:00Z`))
export const dateOf = (date: string) => DATE.format(new Date(`${date}T12:00:00Z`))
export const dayAfter = (date: string, days: number) =>
  new Date(Date.parse(`${date}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)

/** 'YYYY-MM-DDTHH:MM' for a field, by the chosen clock. */
export function fieldOf(iso: string): string {
  const parts = Object.fromEntries(
    format({ year: 'numeric', month: '2-digit', day: '2-digit', ...CLOCK, hourCycle: 'h23' })
      .formatToParts(new Date(iso))
      .map(({ type, value }) => [type, value]),
  )
  return `${(parts.year ?? '').padStart(4, '0')}-${parts.month ?? ''}-${parts.day ?? ''}T${parts.hour ?? ''}:${parts.minute ?? ''}`
}

const WHOLE = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/
const asUtc = (field: string) => Date.parse(`${field}:00Z`)

/**
 * The moment that a field means. An hour that the clock skips is read as the one after it; one that comes twice, as
 * its first; half a field means nothing yet, and gives an empty text.
 */
export function momentOf(field: string): string {
  const guess = WHOLE.test(field) ? asUtc(field) : NaN
  if (Number.isNaN(guess)) return ''
  const offsetAt = (ms: number) => asUtc(fieldOf(new Date(ms).toISOString())) - Math.floor(ms / 60_000) * 60_000
  const before = offsetAt(guess - 86_400_000)
  const after = offsetAt(guess + 86_400_000)
  const fits = [before, after]
    .map((offset) => guess - offset)
    .filter((ms) => fieldOf(new Date(ms).toISOString()) === field)
  return new Date(fits[0] ?? guess - before).toISOString()
}

/** The day, and minutes after its midnight, of a moment by the chosen clock. */
export const dateIn = (iso: string) => fieldOf(iso).slice(0, 10)
export const minuteIn = (iso: string) => Number(fieldOf(iso).slice(11, 13)) * 60 + Number(fieldOf(iso).slice(14, 16))
