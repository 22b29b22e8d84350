import { t } from '@lingui/core/macro'

/** What the contract allows in one field of a body. */
export interface Range {
  readonly type?: string
  readonly format?: string
  readonly nullable?: boolean
  readonly required?: boolean
  readonly minimum?: number
  readonly maximum?: number
  readonly minLength?: number
  readonly maxLength?: number
  readonly pattern?: string
  readonly enum?: readonly (string | number | null)[]
  readonly fields?: Ranges
  /** Of an array's members, or of a record's values. */
  readonly each?: Range
}
export type Ranges = Readonly<Record<string, Range>>

export const isNumber = ({ type }: Range) => type === 'number' || type === 'integer'

/**
 * What is wrong with a text that somebody typed, for whoever typed it.
 * @param needed it may not be left open
 * @param half the browser keeps what it cannot read as a number or a date to itself
 * @returns undefined when nothing is
 */
export function wrongWith(range: Range, text: string, needed: boolean, half = false): string | undefined {
  if (half) return isNumber(range) ? numberWords(range) : t`Not a whole entry yet.`
  const length = text.trim().length
  if (length === 0) return needed ? t`Still to be filled in.` : undefined
  if (isNumber(range)) return fits(range, Number(text)) ? undefined : numberWords(range)
  const { minLength: least = 0, maxLength: most = Infinity, pattern } = range
  if (length < least) return t`At least ${least} characters.`
  if (text.length > most) return t`At most ${most} characters.`
  return pattern && !new RegExp(pattern).test(text) ? t`Not in the form that is asked for.` : undefined
}

const fits = ({ type, minimum = -Infinity, maximum = Infinity }: Range, number: number) =>
  (type === 'integer' ? Number.isInteger(number) : Number.isFinite(number)) && number >= minimum && number <= maximum

function numberWords({ type, minimum: least, maximum: most }: Range): string {
  const whole = type === 'integer'
  if (least !== undefined && most !== undefined)
    return whole ? t`A whole number from ${least} to ${most}.` : t`A number from ${least} to ${most}.`
  if (least !== undefined) return whole ? t`A whole number, at least ${least}.` : t`A number, at least ${least}.`
  return whole ? t`A whole number.` : t`A number.`
}
