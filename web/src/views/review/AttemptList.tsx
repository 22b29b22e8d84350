import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import type { Attempt, Exercise } from '../../api/client'
import { GradeGlyph } from '../../design/GradeGlyph'
import { resultWord } from '../../design/words'

interface Props {
  attempts: Attempt[]
  exercises: Exercise[]
  current: number
  select: (position: number) => void
}

type RowProps = Omit<Props, 'exercises'> & { label: string; headed?: boolean }

/** The attempts exercise by exercise, each with its level and the one thing to work on; what else the recording holds folded beneath. */
export function AttemptList({ attempts, exercises, current, select }: Props) {
  const asked = attempts.filter((attempt) => attempt.asked)
  const several = exercises.length > 1
  const beside = attempts.filter((attempt) => !attempt.asked)
  return (
    <>
      {exercises.map((exercise, at) => {
        const own = asked.filter((attempt) => attempt.exercise_id === exercise.id)
        return (
          own.length > 0 && (
            <Row
              key={exercise.id}
              label={several ? `${at + 1} ${exercise.title}` : t`Attempts`}
              headed={several}
              attempts={own}
              current={current}
              select={select}
            />
          )
        )
      })}
      {beside.length > 0 && (
        <details open={asked.length === 0 || beside.some((attempt) => attempt.position === current)}>
          <summary className="label min-h-11 cursor-pointer py-2.5">{t`Also in this recording: ${tally(beside)}`}</summary>
          <Row label={t`Also in this recording`} attempts={beside} current={current} select={select} />
        </details>
      )}
    </>
  )
}

/** `2 hovers, 1 take-off at hover power`. */
const tally = (attempts: Attempt[]) =>
  [...new Set(attempts.map((attempt) => attempt.title))]
    .map((title) => `${attempts.filter((a) => a.title === title).length} × ${title.toLowerCase()}`)
    .join(', ')

function Row({ label, headed = false, attempts, current, select }: RowProps) {
  return (
    <div className="min-w-0">
      {headed && <h2 className="m-0 text-sm font-semibold">{label}</h2>}
      <ol aria-label={label} className="m-0 flex list-none gap-2 overflow-x-auto p-0 pb-1">
        {attempts.map((attempt) => (
          <li key={attempt.id} className="shrink-0">
            <button
              type="button"
              aria-current={attempt.position === current}
              onClick={() => select(attempt.position)}
              className={clsx(
                'flex min-h-12 cursor-pointer items-center gap-2 border px-3 py-1 text-left leading-tight',
                attempt.position === current
                  ? 'border-2 border-ink bg-sheet'
                  : 'border-rule text-soft hover:border-ink',
                !attempt.counts && 'border-dashed',
              )}
            >
              <span className="text-lg font-bold">{attempt.position}</span>
              <GradeGlyph grade={level(attempt)} size={24} />
              <span className="max-w-44 text-sm">{summary(attempt)}</span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  )
}

/** The lowest of the instructor's grades; before there are any, of the proposal. */
function level(attempt: Attempt): number | null {
  const decided = new Map(attempt.grades.filter((g) => g.kind === 'instructor').map((g) => [g.phase, g.grade]))
  const grades = attempt.phases
    .map((phase) => decided.get(phase.id) ?? phase.proposed)
    .filter((g): g is number => g !== null && g !== undefined)
  return grades.length > 0 ? Math.min(...grades) : null
}

function summary(attempt: Attempt): string {
  if (!attempt.counts) return t`does not count`
  const ended = resultWord(attempt.result)
  if (ended) return ended
  if (attempt.shown === 'self_grade_first') return t`your grade first`
  if (attempt.shown === 'name_fault_first') return t`name the fault first`
  const fault = attempt.fault_details?.[0]?.title ?? t`no fault named`
  return attempt.asked ? fault : `${attempt.title}: ${fault.toLowerCase()}`
}
