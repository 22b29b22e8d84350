import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import { useAddAbsence } from '../../api/bookings'
import { Field, fieldErrors, Refused } from '../../design/Field'
import { momentOf, zoneWord } from '../../design/times'

/** When I cannot be booked. */
export function AwayForm({ person }: { person: string }) {
  const add = useAddAbsence()
  const [from, setFrom] = useState('')
  const [to, setTo] = useState('')
  const [words, setWords] = useState('')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(
      { person_id: person, from_at: momentOf(from), to_at: momentOf(to), words },
      {
        onSuccess: () => {
          toast(t`Noted: nobody books you then without a reason.`)
          setWords('')
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3 border-t border-rule pt-3" aria-label={t`Away`}>
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`Away from, ${zoneWord()}`} type="datetime-local" required value={from} onText={setFrom} />
        <Field
          label={t`To, ${zoneWord()}`}
          type="datetime-local"
          required
          value={to}
          error={fieldErrors(add.error).to_at}
          onText={setTo}
        />
      </div>
      <Field label={t`What others read of it`} required maxLength={120} value={words} onText={setWords} />
      <Refused error={add.error} fields={['to_at']} />
      <button type="submit" className="button justify-self-start" disabled={add.isPending}>
        {t`I am away then`}
      </button>
    </form>
  )
}
