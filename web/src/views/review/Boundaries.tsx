import { t } from '@lingui/core/macro'
import { type KeyboardEvent } from 'react'
import { toast } from 'sonner'
import type { Attempt } from '../../api/client'
import { useCatalogue } from '../../api/queries'
import { useAddAttempt, useCutAttempt, useJoinAttempts, useSplitAttempt } from '../../api/review'
import { cutAttempt } from '../../api/ranges.generated'
import { Pick } from '../../design/Pick'
import { useBody } from '../../design/useBody'
import { capital } from '../../design/words'
import { moveBoundary, moveEnd, takeOut, type Cut } from './cutEdits'

interface Props {
  attempt: Attempt
  timeS: number | undefined
  /** The attempt of the same recording that comes after it. */
  next: Attempt | undefined
}

const STEP_S = 0.1

/** Kind and boundaries as the instructor sets them: arrow keys move a boundary by a tenth of a second, and the measures follow. */
export function Boundaries({ attempt, timeS, next }: Props) {
  const catalogue = useCatalogue()
  const cut = useCutAttempt(attempt.sortie_id)
  const add = useAddAttempt(attempt.sortie_id)
  const split = useSplitAttempt(attempt.sortie_id)
  const join = useJoinAttempts(attempt.sortie_id)
  const kinds = (catalogue.data?.manoeuvres ?? []).filter((row) => row.recorded)
  const failed = cut.error ?? add.error ?? split.error ?? join.error
  const { values, form, put, errorOf } = useBody(cutAttempt, {
    start: { manoeuvre: attempt.manoeuvre, phases: cutsOf(attempt) },
    error: failed,
  })
  const { manoeuvre, phases } = values

  // The phases of another kind are laid evenly, to be moved from there.
  const choose = (id: string) => {
    put('manoeuvre', id)
    cut.mutate({ id: attempt.id, manoeuvre: id }, { onSuccess: (now) => put('phases', cutsOf(now)) })
  }
  const move = (index: number, at: number) => put('phases', moveBoundary(phases, index, at))
  const end = (at: number) => put('phases', moveEnd(phases, at))
  const drop = (id: string) => put('phases', takeOut(phases, id))
  const send = form((body) =>
    cut.mutate(
      { id: attempt.id, ...body },
      { onSuccess: () => toast(t`Measured again within these boundaries. Grades that were given stay.`) },
    ),
  )
  const addHere = () =>
    add.mutate(
      { recordingId: attempt.recording_id, manoeuvre, start_s: timeS ?? attempt.end_s },
      { onSuccess: (made) => toast(t`Attempt ${made.position} is added: set its boundaries.`) },
    )
  const inside = timeS !== undefined && timeS > attempt.start_s + STEP_S && timeS < attempt.end_s - STEP_S
  const splitHere = () => {
    if (timeS === undefined) return
    split.mutate(
      { id: attempt.id, at_s: timeS },
      { onSuccess: (made) => toast(t`Split: what came after is attempt ${made.position}.`) },
    )
  }
  const joinNext = () => {
    if (!next) return
    join.mutate(
      { id: attempt.id, later: next.id },
      { onSuccess: () => toast(t`Joined: attempt ${next.position} does not count any more.`) },
    )
  }
  return (
    <details className="mt-3 border-t border-rule">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {t`Boundaries${attempt.cut_by ? t`, set by ${attempt.cut_by}` : ''}`}
      </summary>
      <form className="grid gap-2" {...send}>
        <label className="grid gap-0.5">
          <span className="label">{t`It was a`}</span>
          <Pick
            value={manoeuvre}
            choices={kinds.map(({ id, title }) => ({ id, word: title }))}
            disabled={cut.isPending}
            onChange={choose}
          />
        </label>
        {phases.map((phase, index) => (
          <div key={phase.id} className="grid grid-cols-[1fr_7rem_5.5rem] items-end gap-2">
            <span className="pb-2 font-semibold">{capital(phase.id)}</span>
            <Moment
              label={t`${capital(phase.id)} begins, s`}
              value={phase.start_s - attempt.start_s}
              onChange={(at) => move(index, at + attempt.start_s)}
            />
            <button type="button" className="button" disabled={phases.length === 1} onClick={() => drop(phase.id)}>
              {t`Join`}
            </button>
            {errorOf(phase.id as never) && (
              <span role="alert" className="col-span-3 text-xs font-semibold text-limit">
                {errorOf(phase.id as never)}
              </span>
            )}
          </div>
        ))}
        <Moment
          label={t`Ends, s`}
          value={(phases.at(-1)?.end_s ?? attempt.end_s) - attempt.start_s}
          onChange={(at) => end(at + attempt.start_s)}
        />
        {failed && (
          <p role="alert" className="limit-note m-0 p-2 text-sm">
            {failed.message}
          </p>
        )}
        <button type="submit" className="button solid" disabled={cut.isPending}>
          {t`Measure again`}
        </button>
        <button type="button" className="button" disabled={add.isPending} onClick={addHere}>
          {t`Add an attempt of this kind at the moment shown`}
        </button>
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className="button" disabled={!inside || split.isPending} onClick={splitHere}>
            {t`Split at the moment shown`}
          </button>
          <button
            type="button"
            className="button"
            disabled={next?.manoeuvre !== manoeuvre || join.isPending}
            onClick={joinNext}
          >
            {next?.manoeuvre === manoeuvre ? t`Join with attempt ${next.position}` : t`Join with the next`}
          </button>
        </div>
      </form>
    </details>
  )
}

const cutsOf = (attempt: Attempt): Cut[] => attempt.phases.map(({ id, start_s, end_s }) => ({ id, start_s, end_s }))

interface MomentProps {
  label: string
  value: number
  onChange: (value: number) => void
}

function Moment({ label, value, onChange }: MomentProps) {
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowUp: STEP_S, ArrowDown: -STEP_S, PageUp: 1, PageDown: -1 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    onChange(Math.round((value + step) * 10) / 10)
  }
  return (
    <label className="grid gap-0.5">
      <span className="label">{label}</span>
      <input
        className="field"
        inputMode="decimal"
        value={value.toFixed(1)}
        onKeyDown={onKey}
        onChange={(event) => {
          const number = Number(event.target.value)
          if (!Number.isNaN(number)) onChange(number)
        }}
      />
    </label>
  )
}
