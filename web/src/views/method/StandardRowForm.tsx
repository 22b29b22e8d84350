import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { useChangeStandard, useLookBack } from '../../api/queries'
import { changeStandard } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { useBody } from '../../design/useBody'
import { capital, shortDayOf, unitWord } from '../../design/words'
import type { StandardRow } from './Standard'

const STAGES = ['early', 'solo', 'test', 'instructor'] as const

interface Props {
  manoeuvre: string
  row: StandardRow
  done: () => void
}

/** Four other numbers for one row: as it is beside as it would be, what the last ninety days would have been, why, from when. */
export function StandardRowForm({ manoeuvre, row, done }: Props) {
  const was = row.limits ?? []
  const look = useLookBack()
  const change = useChangeStandard()
  const { values, form, field, refused } = useBody(changeStandard, {
    start: { values: was.map(String), reason: '', effective_from: '' },
    error: change.error,
    // What was found holds for these numbers alone.
    onTyped: (typed) => typed.values.join() === values.values.join() || look.reset(),
  })
  const numbers = values.values.map(Number)
  const whole = values.values.every((value) => value.trim() !== '') && numbers.every(Number.isFinite)
  const differs = whole && numbers.some((value, index) => value !== was[index])
  const asked = { manoeuvre, measure: row.measure, values: numbers }
  const send = form((body) =>
    change.mutate(
      { ...body, manoeuvre, measure: row.measure },
      {
        onSuccess: () => {
          toast(t`${row.label} is set. What is graded from then on is held to it; grades stay.`)
          done()
        },
      },
    ),
  )
  return (
    <form className="sheet grid gap-3 p-3" aria-label={t`Set ${row.label}`} {...send}>
      <div className="grid grid-cols-4 gap-2">
        {STAGES.map((stage, index) => (
          <Field
            key={stage}
            label={t`${capital(stage)}, ${row.told?.[index] ?? ''} now, ${unitWord(row.unit)}`}
            {...field(`values.${index}`, { required: true })}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="button"
          disabled={!differs || look.isPending}
          onClick={() => look.mutate(asked)}
        >
          {t`Look back ninety days`}
        </button>
        {look.data && <Found found={look.data} />}
        {look.error && (
          <p role="alert" className="limit-note m-0 p-2">
            {look.error.message}
          </p>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <Field label={t`Why`} {...field('reason')} />
        <Field label={t`In force from, today when left open`} {...field('effective_from')} />
        <button type="submit" className="button solid" disabled={!differs || change.isPending}>
          {t`Set it`}
        </button>
        <button type="button" className="button" onClick={done}>
          {t`Leave it`}
        </button>
      </div>
      <Refused {...refused()} />
    </form>
  )
}

const Found = ({ found }: { found: Schemas['LookBack'] }) => (
  <div role="status" className="text-sm">
    {found.attempts === 0 ? (
      <>{t`No attempt of the last ${found.days} days has this measure.`}</>
    ) : (
      <>
        <Trans>
          Of {found.attempts} attempts in {found.days} days to standard in it: <b>{found.to_standard_before}</b> as it
          is, <b>{found.to_standard_after}</b> with these numbers. Grades stay as they were given.
          {found.changed.length > 0 && (
            <span className="block text-soft">
              {found.changed
                .map(
                  (entry) =>
                    `${entry.student} ${shortDayOf(entry.on)} ${decimal(entry.value, 1)} ${entry.after ? t`would be` : t`would not be`}`,
                )
                .join(' · ')}
            </span>
          )}
        </Trans>
      </>
    )}
  </div>
)
