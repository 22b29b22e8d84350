import { t } from '@lingui/core/macro'
import { useAddDefect } from '../../api/school'
import { addDefect } from '../../api/ranges.generated'
import { Field, Refused, Tick } from '../../design/Field'
import { useBody } from '../../design/useBody'

/** Something found on an aircraft, also in a lesson. */
export function DefectForm({ aircraft, sortie, close }: { aircraft: string; sortie?: string; close: () => void }) {
  const add = useAddDefect(aircraft, sortie)
  const { form, field, tick, refused } = useBody(addDefect, { start: { text: '', grounds: false }, error: add.error })
  return (
    <form {...form((body) => add.mutate(body, { onSuccess: close }))} className="grid gap-3">
      <Field label={t`What was found`} {...field('text')} />
      <Tick label={t`It does not fly until this is cleared`} {...tick('grounds')} />
      <Refused {...refused()} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Write it down`}
      </button>
    </form>
  )
}
