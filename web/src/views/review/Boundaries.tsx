import { useState, type FormEvent, type KeyboardEvent } from 'react'
import { toast } from 'sonner'
import { Refusal, type Attempt } from '../../api/client'
import { useCatalogue } from '../../api/queries'
import { useAddAttempt, useCutAttempt, useVoidAttempt } from '../../api/review'
import { capital } from '../../design/words'
import { join, split, spread, type Cut } from './cuts'

interface Props {
  attempt: Attempt
  timeS: number | undefined
  /** The attempt of the same recording that comes after it. */
  next: Attempt | undefined
}

const STEP_S = 0.1
const NEW_S = 10

/** Kind and boundaries as the instructor sets them: arrow keys move a boundary by a tenth of a second, and the measures follow. */
export function Boundaries({ attempt, timeS, next }: Props) {
  const catalogue = useCatalogue()
  const [manoeuvre, setManoeuvre] = useState(attempt.manoeuvre)
  const [phases, setPhases] = useState<Cut[]>(attempt.phases.map(({ id, start_s, end_s }) => ({ id, start_s, end_s })))
  const cut = useCutAttempt(attempt.sortie_id)
  const add = useAddAttempt(attempt.sortie_id)
  const leaveOut = useVoidAttempt(attempt.sortie_id)
  const kinds = (catalogue.data?.manoeuvres ?? []).filter((row) => row.recorded)
  const known = kinds.find((row) => row.id === manoeuvre)?.phases ?? []
  const failed = cut.error ?? add.error ?? leaveOut.error
  const errors = failed instanceof Refusal ? failed.fields : {}

  const choose = (id: string) => {
    setManoeuvre(id)
    if (id === attempt.manoeuvre) {
      setPhases(attempt.phases.map(({ id: phase, start_s, end_s }) => ({ id: phase, start_s, end_s })))
    } else {
      setPhases(spread(kinds.find((row) => row.id === id)?.phases ?? [], attempt.start_s, attempt.end_s))
    }
  }
  const move = (index: number, start_s: number) =>
    setPhases((was) =>
      was.map((phase, i) =>
        i === index ? { ...phase, start_s } : i === index - 1 ? { ...phase, end_s: start_s } : phase,
      ),
    )
  const end = (end_s: number) => setPhases((was) => was.map((p, i) => (i === was.length - 1 ? { ...p, end_s } : p)))
  const drop = (id: string) =>
    setPhases((was) => {
      const index = was.findIndex((phase) => phase.id === id)
      const gone = was[index]
      return was
        .map((phase, i) => (gone && i === index - 1 ? { ...phase, end_s: gone.end_s } : phase))
        .filter((phase) => phase.id !== id)
    })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    cut.mutate(
      { id: attempt.id, manoeuvre, phases },
      { onSuccess: () => toast('Measured again within these boundaries. Grades that were given stay.') },
    )
  }
  const addHere = () => {
    const from = timeS ?? attempt.end_s
    add.mutate(
      {
        recordingId: attempt.recording_id,
        manoeuvre,
        phases: spread(known, from, from + NEW_S),
      },
      { onSuccess: (made) => toast(`Attempt ${made.position} is added: set its boundaries.`) },
    )
  }
  const inside = timeS !== undefined && timeS > attempt.start_s + STEP_S && timeS < attempt.end_s - STEP_S
  const splitHere = () => {
    if (timeS === undefined) return
    const [before, after] = split(phases, timeS)
    add.mutate(
      { recordingId: attempt.recording_id, manoeuvre, phases: after },
      {
        onSuccess: (made) =>
          cut.mutate(
            { id: attempt.id, manoeuvre, phases: before },
            { onSuccess: () => toast(`Split: what came after is attempt ${made.position}.`) },
          ),
      },
    )
  }
  const joinNext = () => {
    if (!next) return
    cut.mutate(
      { id: attempt.id, manoeuvre, phases: join(phases, next.phases) },
      {
        onSuccess: () =>
          leaveOut.mutate(
            { attemptId: next.id, counts: false, reason: `joined with attempt ${attempt.position}` },
            { onSuccess: () => toast(`Joined: attempt ${next.position} does not count any more.`) },
          ),
      },
    )
  }
  return (
    <details className="mt-3 border-t border-rule">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        Boundaries{attempt.cut_by ? `, set by ${attempt.cut_by}` : ''}
      </summary>
      <form className="grid gap-2" onSubmit={submit}>
        <label className="grid gap-0.5">
          <span className="label">It was a</span>
          <select className="field" value={manoeuvre} onChange={(event) => choose(event.target.value)}>
            {kinds.map((row) => (
              <option key={row.id} value={row.id}>
                {row.title}
              </option>
            ))}
          </select>
        </label>
        {phases.map((phase, index) => (
          <div key={phase.id} className="grid grid-cols-[1fr_7rem_5.5rem] items-end gap-2">
            <span className="pb-2 font-semibold">{capital(phase.id)}</span>
            <Moment
              label={`${capital(phase.id)} begins, s`}
              value={phase.start_s - attempt.start_s}
              onChange={(at) => move(index, at + attempt.start_s)}
            />
            <button
              type="button"
              className="button min-h-9!"
              disabled={phases.length === 1}
              onClick={() => drop(phase.id)}
            >
              Join
            </button>
            {errors[phase.id] && (
              <span role="alert" className="col-span-3 text-xs font-semibold text-limit">
                {errors[phase.id]}
              </span>
            )}
          </div>
        ))}
        <Moment
          label="Ends, s"
          value={(phases.at(-1)?.end_s ?? attempt.end_s) - attempt.start_s}
          onChange={(at) => end(at + attempt.start_s)}
        />
        {failed && (
          <p role="alert" className="limit-note m-0 p-2 text-sm">
            {failed.message}
          </p>
        )}
        <button type="submit" className="button solid" disabled={cut.isPending}>
          Measure again
        </button>
        <button type="button" className="button" disabled={add.isPending || known.length === 0} onClick={addHere}>
          Add an attempt of this kind at the moment shown
        </button>
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className="button" disabled={!inside || add.isPending} onClick={splitHere}>
            Split at the moment shown
          </button>
          <button
            type="button"
            className="button"
            disabled={next?.manoeuvre !== manoeuvre || cut.isPending}
            onClick={joinNext}
          >
            {next?.manoeuvre === manoeuvre ? `Join with attempt ${next.position}` : 'Join with the next'}
          </button>
        </div>
      </form>
    </details>
  )
}

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
        className="field min-h-9!"
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
