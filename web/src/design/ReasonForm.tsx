import { clsx } from 'clsx'
import { useEffect, useRef, useState, type RefObject } from 'react'

/** Shorter says nothing. */
const LEAST = 3

interface Props {
  /** What is asked for. */
  ask: string
  /** What the button does. */
  act: string
  onReason: (reason: string) => void
  disabled?: boolean
  /** It opened because somebody asked for it: the field has the hand. */
  focused?: boolean
  /** The question stands in the field, where there is little room. */
  close?: boolean
  className?: string
}

/** Something that is kept with its reason. */
export function ReasonForm({ ask, act, onReason, disabled, focused = false, close = false, className }: Props) {
  const [reason, setReason] = useState('')
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => {
    if (focused) field.current?.focus()
  }, [focused])
  return (
    <form
      className={clsx('flex gap-2', className)}
      onSubmit={(event) => {
        event.preventDefault()
        onReason(reason)
      }}
    >
      <ReasonField field={field} ask={ask} close={close} value={reason} onChange={setReason} />
      <button type="submit" className="button self-end" disabled={disabled}>
        {act}
      </button>
    </form>
  )
}

interface FieldProps {
  ask: string
  value: string
  onChange: (reason: string) => void
  close?: boolean
  field?: RefObject<HTMLInputElement | null>
}

/** The reason alone, in a form that has more to it. */
export const ReasonField = ({ ask, value, onChange, close = false, field }: FieldProps) => (
  <label className="grow">
    <span className={close ? 'sr-only' : 'label'}>{ask}</span>
    <input
      ref={field}
      className="field h-11"
      placeholder={close ? ask : undefined}
      required
      minLength={LEAST}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  </label>
)
