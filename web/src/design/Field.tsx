import { useId, type ComponentProps, type ReactNode } from 'react'
import { Pick, type Choice } from './Pick'

interface Around {
  label: string
  /** What is wrong with it, said at the field. */
  error?: string | undefined
  /** What helps before anything is wrong. */
  hint?: string
}

/** A named field, with what is wrong with it under it. */
function Named({ label, error, hint, id, children }: Around & { id: string; children: ReactNode }) {
  return (
    <div className="grid content-start gap-0.5">
      <label htmlFor={id} className="label">
        {label}
      </label>
      {children}
      {hint && !error && <span className="label">{hint}</span>}
      {error && (
        <span role="alert" id={`${id}-error`} className="text-sm font-semibold text-limit">
          {error}
        </span>
      )}
    </div>
  )
}

type FieldProps = Around &
  Omit<ComponentProps<'input'>, 'onChange' | 'value'> & { value: string; onText: (text: string) => void }

export function Field({ label, error, hint, onText, ...rest }: FieldProps) {
  const id = useId()
  return (
    <Named label={label} error={error} hint={hint} id={id}>
      <input
        {...rest}
        id={id}
        className="field h-11"
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => onText(event.target.value)}
      />
    </Named>
  )
}

type PickProps = Around & {
  value: string
  choices: Choice[]
  onText: (id: string) => void
  required?: boolean
  disabled?: boolean
}

export function PickField({ label, error, hint, value, choices, onText, ...rest }: PickProps) {
  const id = useId()
  return (
    <Named label={label} error={error} hint={hint} id={id}>
      <Pick {...rest} id={id} className="h-11" value={value} choices={choices} onChange={onText} />
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
    <p role="alert" className="limit-note m-0 p-3">
      {elsewhere.length > 0 ? elsewhere.join('; ') : error.message}
    </p>
  )
}

/** What is wrong with each field, by its path. */
export const fieldErrors = (error: Error | null): Record<string, string> =>
  error && 'fields' in error ? (error.fields as Record<string, string>) : {}
