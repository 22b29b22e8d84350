import { clsx } from 'clsx'
import { useId, type ComponentProps, type ReactNode } from 'react'
import { Pick, type Choice } from './Pick'

interface Around {
  label: string
  /** What is wrong with it, said at the field. */
  error?: string | undefined
  /** What helps to fill it in. */
  hint?: string | undefined
  /** The label stands in the field, where there is little room. */
  close?: boolean
  /** The label is a question to be read, more than a name. */
  asks?: boolean
}

/** A named field, with what is wrong with it under it. */
function Named({ label, error, hint, close, asks, id, children }: Around & { id: string; children: ReactNode }) {
  return (
    <div className="grid min-w-0 grow content-start gap-0.5">
      <label htmlFor={id} className={clsx(close && 'sr-only', !close && !asks && 'label')}>
        {label}
      </label>
      {children}
      {hint && <span className="label">{hint}</span>}
      {error && (
        <span role="alert" id={`${id}-error`} className="text-sm font-semibold text-limit">
          {error}
        </span>
      )}
    </div>
  )
}

type FieldProps = Around & ComponentProps<'input'>

export function Field({ label, error, hint, close, asks, className, ...rest }: FieldProps) {
  const id = useId()
  return (
    <Named label={label} error={error} hint={hint} close={close} asks={asks} id={id}>
      <input
        placeholder={close ? label : undefined}
        {...rest}
        id={id}
        className={clsx('field', className)}
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : undefined}
      />
    </Named>
  )
}

type PickProps = Around &
  Omit<ComponentProps<'select'>, 'onChange' | 'value'> & {
    value: string
    choices: Choice[]
    onText: (id: string) => void
  }

export function PickField({ label, error, hint, asks, value, choices, onText, ...rest }: PickProps) {
  const id = useId()
  return (
    <Named label={label} error={error} hint={hint} asks={asks} id={id}>
      <Pick
        {...rest}
        id={id}
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        value={value}
        choices={choices}
        onChange={onText}
      />
    </Named>
  )
}

/** What the server refused, in its words, where it names no field that stands here. */
export function Refused({ error, fields = [] }: { error: Error | null; fields?: string[] }) {
  if (!error) return null
  const named = 'fields' in error ? Object.entries(error.fields as Record<string, string>) : []
  const elsewhere = named
    .filter(([path]) => !fields.includes(path))
    .map(([path, text]) => `${path.replaceAll('_', ' ')}: ${text}`)
  if (named.length > 0 && elsewhere.length === 0) return null
  return (
    <div role="alert" className="limit-note p-3">
      {elsewhere.length > 1 ? (
        <ul className="m-0 pl-5">
          {elsewhere.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      ) : (
        (elsewhere[0] ?? error.message)
      )}
    </div>
  )
}

/** What is wrong with each field, by its path. */
export const fieldErrors = (error: Error | null): Record<string, string> =>
  error && 'fields' in error ? (error.fields as Record<string, string>) : {}

type TickProps = ComponentProps<'input'> & { label: string }

/** Yes or no. */
export const Tick = ({ label, ...rest }: TickProps) => (
  <label className="flex min-h-11 items-center gap-2">
    <input type="checkbox" {...rest} />
    {label}
  </label>
)
