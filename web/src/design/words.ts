import units from '../../../core/data/units.json'
import { toReader, wordFor } from './units'

/** How values are worded on screen: digits and units as the core has them, dates and grades. */

interface Unit {
  word: string
  digits: number
}
const UNITS: Record<string, Unit> = units

export const unitWord = (unit: string) => wordFor(UNITS[unit]?.word ?? unit)

export function figure(value: number | null | undefined, unit: string, digits?: number): string {
  if (value === null || value === undefined) return '—'
  const text = toReader(value, UNITS[unit]?.word ?? unit).toFixed(digits ?? UNITS[unit]?.digits ?? 1)
  return (/^-0(\.0+)?$/.test(text) ? text.slice(1) : text).replace('-', '−')
}

/** What a band lets pass: '58 to 68 kt', 'at least 90 %'; nothing where both sides are free. */
export function bandText(
  low: number | null | undefined,
  high: number | null | undefined,
  unit: string,
  digits?: number,
) {
  if (low == null && high == null) return ''
  if (low == null) return `at most ${figure(high, unit, digits)} ${unitWord(unit)}`
  if (high == null) return `at least ${figure(low, unit, digits)} ${unitWord(unit)}`
  return `${figure(low, unit, digits)} to ${figure(high, unit, digits)} ${unitWord(unit)}`
}

/** A gate's name and where it lies; on the ground a height says nothing. */
export const gatePlace = ({ title, height_ft }: { title: string; height_ft: number }) =>
  height_ft < 1 ? title : `${title}, ${figure(height_ft, 'ft')} ft`

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1).replaceAll('_', ' ')
/** As a sentence: begun large, and ended. */
export const sentence = (text: string) => capital(text).replace(/([^.!?])$/, '$1.')

/** How an attempt ended, where it did not go on to its end. */
const RESULTS: Record<string, string> = { go_around: 'went around', abandoned: 'given up on the ground' }
export const resultWord = (result: string): string | undefined => RESULTS[result]

export const GRADE_WORDS = [
  'Taken over',
  'Assisted or far out',
  'Prompted or marginal',
  'To standard',
  'Polished',
] as const

export const STAGES = ['prepare', 'fly', 'review', 'record'] as const
export type StageName = (typeof STAGES)[number]

export { clockOf, dayOf, fullDayOf, shortDayOf } from './times'
export const hoursOf = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
