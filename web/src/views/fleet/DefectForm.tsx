import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useAddDefect } from '../../api/school'
import { Field, Refused } from '../../design/Field'

/** Something found on an aircraft, also in a lesson. */
export function DefectForm({ aircraft, sortie, close }: { aircraft: string; sortie?: string; close: () => void }) {
  const add = useAddDefect(aircraft, sortie)
  const [text, setText] = useState('')
  const [grounds, setGrounds] = useState(false)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate({ text, grounds }, { onSuccess: close })
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Field label={t`What was found`} required minLength={3} maxLength={300} value={text} onText={setText} />
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={grounds} onChange={(event) => setGrounds(event.target.checked)} />
        {t`It does not fly until this is cleared`}
      </label>
      <Refused error={add.error} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Write it down`}
      </button>
    </form>
  )
}
