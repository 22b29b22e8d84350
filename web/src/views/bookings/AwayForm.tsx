import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import { useAddAbsence } from '../../api/bookings'
import { addAbsence } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { zoneWord } from '../../design/times'
import { useBody } from '../../design/useBody'

/** When I cannot be booked. */
export function AwayForm({ person }: { person: string }) {
  const add = useAddAbsence()
  const { values, form, field, reset, refused } = useBody(addAbsence, {
    start: { from_at: '', to_at: '', words: '' },
    error: add.error,
  })
  const send = form((body) =>
    add.mutate(
      { ...body, person_id: person },
      {
        onSuccess: () => {
          toast(t`Noted: nobody books you then without a reason.`)
          reset({ ...values, words: '' })
        },
      },
    ),
  )
  return (
    <form {...send} className="grid gap-3 border-t border-rule pt-3" aria-label={t`Away`}>
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`Away from, ${zoneWord()}`} {...field('from_at')} />
        <Field label={t`To, ${zoneWord()}`} {...field('to_at')} />
      </div>
      <Field label={t`What others read of it`} {...field('words')} />
      <Refused {...refused()} />
      <button type="submit" className="button justify-self-start" disabled={add.isPending}>
        {t`I am away then`}
      </button>
    </form>
  )
}
