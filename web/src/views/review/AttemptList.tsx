import { clsx } from 'clsx'
import type { Attempt } from '../../api/client'
import { GradeGlyph } from '../../design/GradeGlyph'

interface Props {
  attempts: Attempt[]
  current: number
  select: (position: number) => void
}

/** The attempts in order, each with its level and the one thing to work on. */
export function AttemptList({ attempts, current, select }: Props) {
  return (
    <ol aria-label="Attempts" className="m-0 flex list-none gap-2 overflow-x-auto p-0 pb-1">
      {attempts.map((attempt) => (
        <li key={attempt.id}>
          <button
            type="button"
            aria-pressed={attempt.position === current}
            onClick={() => select(attempt.position)}
            className={clsx(
              'flex min-h-12 cursor-pointer items-center gap-2 border px-3 py-1 text-left leading-tight',
              attempt.position === current ? 'border-2 border-ink bg-sheet' : 'border-rule text-soft hover:border-ink',
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
  if (!attempt.counts) return 'does not count'
  if (attempt.result === 'go_around') return 'went around'
  if (attempt.shown === 'self_grade_first') return 'your grade first'
  return attempt.fault_details?.[0]?.title ?? 'no fault named'
}
