import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useTypes } from '../../api/queries'
import { useAddAircraft } from '../../api/school'
import { Field, PickField, Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'

/** A new aircraft on the list, with the hours that it came with. */
export const AddAircraft = () => (
  <Sheet word={t`Add an aircraft`} title={t`A new aircraft`} solid>
    {(close) => <Form close={close} />}
  </Sheet>
)

function Form({ close }: { close: () => void }) {
  const types = useTypes()
  const add = useAddAircraft()
  const [form, setForm] = useState({ mark: '', type: '', hours: '0', since: '', recorder: '' })
  const [dual, setDual] = useState(true)
  const put = (name: keyof typeof form) => (text: string) => setForm((now) => ({ ...now, [name]: text }))
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(
      {
        mark: form.mark,
        type_id: form.type,
        hours_before: Number(form.hours),
        hours_since: form.since || null,
        dual_controls: dual,
        recorder: form.recorder || null,
      },
      { onSuccess: close },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Field label={t`Mark`} required minLength={2} maxLength={12} value={form.mark} onText={put('mark')} />
      <PickField
        label={t`Type`}
        required
        value={form.type}
        choices={[{ id: '', word: t`Choose…` }, ...(types.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
        onText={put('type')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={t`Hours that it has`}
          type="number"
          step="any"
          min={0}
          required
          value={form.hours}
          onText={put('hours')}
        />
        <Field
          label={t`On the day`}
          hint={t`Later lessons are added to them`}
          type="date"
          value={form.since}
          onText={put('since')}
        />
      </div>
      <Field label={t`Recorder`} maxLength={80} value={form.recorder} onText={put('recorder')} />
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={dual} onChange={(event) => setDual(event.target.checked)} />
        {t`Dual controls`}
      </label>
      <Refused error={add.error} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Add it`}
      </button>
    </form>
  )
}
