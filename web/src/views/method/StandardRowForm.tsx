import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { useChangeStandard, useLookBack } from '../../api/queries'
import { ReasonField } from '../../design/ReasonForm'
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
  const [values, setValues] = useState(was.map(String))
  const [reason, setReason] = useState('')
  const [from, setFrom] = useState('')
  const look = useLookBack()
  const change = useChangeStandard()
  const numbers = values.map(Number)
  const whole = values.every((value) => value.trim() !== '') && numbers.every(Number.isFinite)
  const differs = whole && numbers.some((value, index) => value !== was[index])
  const asked = { manoeuvre, measure: row.measure, values: numbers }
  return (
    <form
      className="sheet grid gap-3 p-3"
      aria-label={t`Set ${row.label}`}
      onSubmit={(event) => {
        event.preventDefault()
        change.mutate(
          { ...asked, reason, ...(from ? { effective_from: from } : {}) },
          {
            onSuccess: () => {
              toast(t`${row.label} is set. What is graded from then on is held to it; grades stay.`)
              done()
            },
          },
        )
      }}
    >
      <div className="grid grid-cols-4 gap-2">
        {STAGES.map((stage, index) => (
          <label key={stage}>
            <span className="label">
              <Trans>
                {capital(stage)}, {row.told?.[index]} now<span className="unit">{unitWord(row.unit)}</span>
              </Trans>
            </span>
            <input
              className="field"
              type="number"
              step="any"
              required
              value={values[index] ?? ''}
              onChange={(event) => {
                setValues(values.map((value, i) => (i === index ? event.target.value : value)))
                look.reset()
              }}
            />
          </label>
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
        <ReasonField ask={t`Why`} value={reason} onChange={setReason} />
        <label>
          <span className="label">{t`In force from, today when left open`}</span>
          <input className="field h-11" type="date" value={from} onChange={(event) => setFrom(event.target.value)} />
        </label>
        <button type="submit" className="button solid" disabled={!differs || change.isPending}>
          {t`Set it`}
        </button>
        <button type="button" className="button" onClick={done}>
          {t`Leave it`}
        </button>
      </div>
      {change.error && (
        <p role="alert" className="limit-note m-0 p-2">
          {change.error.message}
        </p>
      )}
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
