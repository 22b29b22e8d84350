import { t } from '@lingui/core/macro'
import { decimal } from '#language/numbers'
import units from '../../../core/data/units.json'
import { toReader, wordFor } from './units'

/** How values are worded on screen: digits and units as the core has them, dates and grades. */

interface Unit {
  word: string
  digits: number
  /** Written without a space after its figure. */
  close?: boolean
  /** How a person says it: with so many digits, in such steps from there on. */
  said?: { digits?: number; from?: number; step?: number }
}
const UNITS: Record<string, Unit> = units

export const unitWord = (unit: string) => wordFor(UNITS[unit]?.word ?? unit)

export function figure(value: number | null | undefined, unit: string, digits?: number): string {
  if (value === null || value === undefined) return '—'
  return decimal(toReader(value, UNITS[unit]?.word ?? unit), digits ?? UNITS[unit]?.digits ?? 1)
}

/** A figure with its unit, as it is written. */
export const withUnit = (text: string, unit: string) => `${text}${UNITS[unit]?.close ? '' : ' '}${unitWord(unit)}`

/**
 * A value to fly by, as a person says it: no closer than a gauge is read, tens of feet from a hundred on, and no tenths
 * that are nought. In another unit than Fujin's own it is read as that one is.
 */
export function saidFigure(value: number | null | undefined, unit: string, digits?: number): string {
  const own = UNITS[unit]
  if (value == null || !own || wordFor(own.word) !== own.word) return figure(value, unit, digits)
  const { from = 0, step, digits: closest } = own.said ?? {}
  const places = closest ?? digits ?? own.digits
  const shown = step && Math.abs(value) >= from ? Math.round(value / step) * step : Number(value.toFixed(places))
  return figure(shown, unit, Number.isInteger(shown) ? 0 : places)
}

/**
 * What a band lets pass: '58 to 68 kt', 'at least 90 %'; nothing where both sides are free.
 * @param say what is flown by is said as a person says it; what was measured, with its digits
 */
export function bandText(
  low: number | null | undefined,
  high: number | null | undefined,
  unit: string,
  digits?: number,
  say = figure,
) {
  if (low == null && high == null) return ''
  if (low == null) return t`at most ${withUnit(say(high, unit, digits), unit)}`
  if (high == null) return t`at least ${withUnit(say(low, unit, digits), unit)}`
  return t`${say(low, unit, digits)} to ${withUnit(say(high, unit, digits), unit)}`
}

/** A gate's name and where it lies; on the ground a height says nothing. */
export const gatePlace = ({ title, height_ft }: { title: string; height_ft: number }) =>
  height_ft < 1 ? title : `${title}, ${figure(height_ft, 'ft')} ft`

/** An id as somebody gave it, readable. */
export const nameOf = (id: string) => id.replaceAll(/[-_.]/g, ' ')
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1).replaceAll('_', ' ')
/** As a sentence: begun large, and ended. */
export const sentence = (text: string) => capital(text).replace(/([^.!?])$/, '$1.')

/** How an attempt ended, where it did not go on to its end. */
const RESULTS: Record<string, string> = { go_around: t`went around`, abandoned: t`given up on the ground` }
export const resultWord = (result: string): string | undefined => RESULTS[result]

export const GRADE_WORDS = [
  t`Taken over`,
  t`Assisted or far out`,
  t`Prompted or marginal`,
  t`To standard`,
  t`Polished`,
] as const

/** What each light is called. */
export const MODE_WORDS = { light: t`Light`, sun: t`Sun`, dusk: t`Dusk` }

export const STAGES = ['prepare', 'fly', 'review', 'record'] as const
export type StageName = (typeof STAGES)[number]

export { clockOf, dayOf, fullDayOf, shortDayOf } from './times'
export const hoursOf = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
