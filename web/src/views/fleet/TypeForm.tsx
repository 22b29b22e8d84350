import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import { Refusal, type Schemas } from '../../api/client'
import { useAddType, useType } from '../../api/queries'
import { Loading } from '../../design/States'
import { ReasonField } from '../../design/ReasonForm'

type Field = Schemas['Type']['fields'][number]
type Data = Record<string, unknown>

/** Every field of a type with what is allowed; a change is a new version with its reason. */
export function TypeForm({ id }: { id: string }) {
  const type = useType(id)
  const add = useAddType()
  const [edits, setEdits] = useState<Record<string, string>>({})
  const [reason, setReason] = useState('')
  if (!type.data) return <Loading what={t`the type`} />
  const errors = add.error instanceof Refusal ? add.error.fields : {}
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(
      { data: edited(type.data.data, edits) as Record<string, never>, reason },
      {
        onSuccess: () => {
          setEdits({})
          setReason('')
          toast(t`A new version is kept. Plans use it from now on.`)
        },
      },
    )
  }
  return (
    <form onSubmit={submit}>
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 md:grid-cols-4">
        {type.data.fields
          .filter((field) => field.path !== 'id' && field.kind !== 'table')
          .map((field) => (
            <FieldInput
              key={field.path}
              field={field}
              value={edits[field.path] ?? textOf(field.value)}
              error={errors[field.path]}
              onChange={(text) => setEdits((now) => ({ ...now, [field.path]: text }))}
            />
          ))}
      </div>
      <div className="mt-3 grid max-w-xl">
        <ReasonField ask={t`Why it is changed`} value={reason} onChange={setReason} />
      </div>
      {add.isError && (
        <p role="alert" className="limit-note mt-2 p-2">
          {add.error.message}
        </p>
      )}
      <button
        type="submit"
        className="button solid mt-3"
        disabled={Object.keys(edits).length === 0 || reason.trim().length < 3 || add.isPending}
      >
        {t`Keep as a new version`}
      </button>
    </form>
  )
}

interface InputProps {
  field: Field
  value: string
  error: string | undefined
  onChange: (text: string) => void
}

const FieldInput = ({ field, value, error, onChange }: InputProps) => (
  <label className="grid content-start gap-0.5">
    <span className="label">
      {field.path.replace('.', ': ').replaceAll('_', ' ')}
      {field.low != null && t`, ${field.low} to ${field.high ?? ''}`}
    </span>
    {field.choices.length > 0 ? (
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        {field.choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    ) : (
      <input
        className="field"
        value={value}
        aria-invalid={error !== undefined}
        onChange={(event) => onChange(event.target.value)}
      />
    )}
    {error && (
      <span role="alert" className="text-xs font-semibold text-limit">
        {error}
      </span>
    )}
  </label>
)

const textOf = (value: unknown) =>
  Array.isArray(value) ? value.join(', ') : ['string', 'number', 'boolean'].includes(typeof value) ? String(value) : ''

/** The type's data with the edited texts put in at their paths. */
function edited(data: Data, edits: Record<string, string>): Data {
  const copy = structuredClone(data)
  for (const [path, text] of Object.entries(edits)) {
    const keys = path.split('.')
    const last = keys.pop() ?? path
    const node = keys.reduce<Data>((at, key) => (at[key] ??= {}) as Data, copy)
    node[last] = text.trim() === '' ? null : valueOf(text)
  }
  return copy
}

const valueOf = (text: string): unknown => {
  if (text.includes(',')) return text.split(',').map((part) => valueOf(part.trim()))
  return text.trim() !== '' && !Number.isNaN(Number(text)) ? Number(text) : text.trim()
}

/** A type file, picked or pasted. */
export function TypeFileForm({ done }: { done: () => void }) {
  const add = useAddType()
  const [file, setFile] = useState('')
  const [reason, setReason] = useState('')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(
      { file, reason },
      {
        onSuccess: (type) => {
          toast(t`${type.name} is added.`)
          done()
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="sheet mt-4 grid gap-3 p-4">
      <label className="grid gap-1">
        {t`Type file`}
        <input
          type="file"
          accept=".yml,.yaml"
          onChange={(event) => void event.target.files?.[0]?.text().then(setFile)}
        />
      </label>
      <label className="grid gap-1">
        {t`or its text`}
        <textarea
          className="field min-h-40 py-1 text-sm"
          required
          value={file}
          onChange={(event) => setFile(event.target.value)}
        />
      </label>
      <ReasonField ask={t`Why it is added`} value={reason} onChange={setReason} />
      {add.isError && (
        <div role="alert" className="limit-note p-2">
          <p className="m-0 font-semibold">{add.error.message}</p>
          {add.error instanceof Refusal && (
            <ul className="m-0 pl-5 text-sm">
              {Object.entries(add.error.fields).map(([path, message]) => (
                <li key={path}>
                  {path}: {message}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      <div className="flex gap-3">
        <button type="submit" className="button solid" disabled={add.isPending}>
          {t`Check and keep it`}
        </button>
        <button type="button" className="button" onClick={done}>
          {t`Cancel`}
        </button>
      </div>
    </form>
  )
}
