import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Was } from './Was'
import { digitsFor, fromReader, toReader, wordFor } from '../../design/units'

interface Props {
  label: string
  unit: string
  value: number | null | undefined
  onChange: (value: number | null) => void
  low: number
  high: number
  step?: number
  /** After the point, as it is shown while nobody types. */
  digits?: number
  optional?: boolean
  error?: string | undefined
  disabled?: boolean
  /** What stood here when the view was opened: said where it is another now. */
  was?: number | null | undefined
  /** What stands for an empty field. */
  placeholder?: string | undefined
}

/** A number in its reader's unit; arrow keys step it, what is no number in range is said and not sent. */
export function NumberField({
  label,
  unit,
  value: stored,
  onChange,
  low: least,
  high: most,
  step = 1,
  digits: usual = 1,
  optional = false,
  error,
  disabled,
  placeholder,
  was,
}: Props) {
  const [text, setText] = useState<string>()
  const digits = digitsFor(unit, usual)
  const round = (number: number) => Number(number.toFixed(digits))
  const [low, high] = [round(toReader(least, unit)), round(toReader(most, unit))]
  const read = (number: number | null | undefined) => (number == null ? '' : String(round(toReader(number, unit))))
  const shown = text ?? read(stored)
  const [problem, setProblem] = useState<string>()

  // A browser gives half a number as an empty text: it is said, and what stood there stays.
  const take = (next: string, half: boolean) => {
    if (half) {
      setProblem(t`a number, ${low} to ${high}`)
      return
    }
    setText(next)
    if (next.trim() === '' && optional) {
      setProblem(undefined)
      onChange(null)
      return
    }
    const number = Number(next)
    if (next.trim() === '' || Number.isNaN(number) || number < low || number > high) {
      setProblem(t`${low} to ${high}`)
      return
    }
    setProblem(undefined)
    onChange(Math.min(most, Math.max(least, fromReader(number, unit))))
  }
  const message = problem ?? error
  return (
    <label className="grid gap-0.5">
      <span className="label">
        {label}, {wordFor(unit)} {was !== undefined && (was ?? null) !== (stored ?? null) && <Was text={read(was)} />}
      </span>
      <input
        className="field"
        type="number"
        inputMode="decimal"
        value={shown}
        min={low}
        max={high}
        step={digits > usual ? 10 ** -digits : step}
        placeholder={placeholder}
        disabled={disabled}
        aria-invalid={message !== undefined}
        onChange={(event) => take(event.target.value, event.target.validity.badInput)}
        onBlur={() => {
          if (!problem) setText(undefined)
        }}
      />
      {message && (
        <span role="alert" className="text-xs font-semibold text-limit">
          {message}
        </span>
      )}
    </label>
  )
}
