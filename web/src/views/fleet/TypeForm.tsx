import { t } from '@lingui/core/macro'
import { get, set } from 'react-hook-form'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { addType } from '../../api/ranges.generated'
import { useAddType, useType } from '../../api/queries'
import { Loading } from '../../design/States'
import { Field, PickField, Refused } from '../../design/Field'
import { wrongWith } from '../../design/rangeWords'
import { REASON } from '../../design/ReasonForm'
import { useBody } from '../../design/useBody'

type Row = Schemas['Type']['fields'][number]
type Data = Record<string, unknown>
type Start = { reason: string; [part: string]: unknown }

/** Every field of a type with what is allowed; a change is a new version with its reason. */
export function TypeForm({ id }: { id: string }) {
  const type = useType(id)
  if (!type.data) return <Loading what={t`the type`} />
  return <Fields key={JSON.stringify(type.data.data)} type={type.data} />
}

function Fields({ type }: { type: Schemas['Type'] }) {
  const add = useAddType()
  const rows = type.fields.filter((row) => row.path !== 'id' && row.kind !== 'table')
  const start: Start = { ...nested(rows), reason: '' }
  const { form, field, pick, values, refused } = useBody(REASON, { start, error: add.error })
  const edits = rows
    .map(({ path, value }) => ({ path, text: String(get(values, path)), was: textOf(value) }))
    .filter(({ text, was }) => text !== was)
  const send = form(({ reason }) =>
    add.mutate(
      {
        data: edited(type.data, edits) as Record<string, never>,
        reason,
      },
      { onSuccess: () => toast(t`A new version is kept. Plans use it from now on.`) },
    ),
  )
  return (
    <form {...send}>
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 md:grid-cols-4">
        {rows.map(({ path, low, high, choices }) => {
          const name = path.replace('.', ': ').replaceAll('_', ' ')
          return choices.length > 0 ? (
            <PickField key={path} label={name} choices={choices.map((id) => ({ id, word: id }))} {...pick(path)} />
          ) : (
            <Field
              key={path}
              label={low == null ? name : t`${name}, ${low} to ${high ?? ''}`}
              {...field(path, { wrong: (text) => wrongIn({ low, high }, text) })}
            />
          )
        })}
      </div>
      <div className="mt-3 grid max-w-xl">
        <Field label={t`Why it is changed`} {...field('reason')} />
      </div>
      <Refused {...refused()} />
      <button type="submit" className="button solid mt-3" disabled={edits.length === 0 || add.isPending}>
        {t`Keep as a new version`}
      </button>
    </form>
  )
}

/** Texts at their paths, as a form holds them. */
function nested(rows: Row[]): Record<string, unknown> {
  const texts = {}
  for (const { path, value } of rows) set(texts, path, textOf(value))
  return texts
}

const wrongIn = ({ low, high }: Pick<Row, 'low' | 'high'>, text: string) =>
  low == null || text.includes(',')
    ? undefined
    : wrongWith({ type: 'number', minimum: low, ...(high == null ? {} : { maximum: high }) }, text, false)

const textOf = (value: unknown) =>
  Array.isArray(value) ? value.join(', ') : ['string', 'number', 'boolean'].includes(typeof value) ? String(value) : ''

/** The type's data with the edited texts put in at their paths. */
function edited(data: Data, edits: { path: string; text: string }[]): Data {
  const copy = structuredClone(data)
  for (const { path, text } of edits) {
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
  const { form, field, put, refused } = useBody(addType, { start: { file: '', reason: '' }, error: add.error })
  const send = form((body) =>
    add.mutate(body, {
      onSuccess: (type) => {
        toast(t`${type.name} is added.`)
        done()
      },
    }),
  )
  const { error: wrong, ...text } = field('file', { required: true })
  return (
    <form {...send} className="sheet mt-4 grid gap-3 p-4">
      <label className="grid gap-1">
        {t`Type file`}
        <input
          type="file"
          accept=".yml,.yaml"
          onChange={(event) => void event.target.files?.[0]?.text().then((words) => put('file', words))}
        />
      </label>
      <label className="grid gap-1">
        {t`or its text`}
        <textarea {...text} className="field min-h-40 py-1 text-sm" aria-invalid={wrong !== undefined} />
        {wrong && (
          <span role="alert" className="text-sm font-semibold text-limit">
            {wrong}
          </span>
        )}
      </label>
      <Field label={t`Why it is added`} {...field('reason')} />
      <Refused {...refused()} />
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
