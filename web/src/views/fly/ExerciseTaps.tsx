import { t } from '@lingui/core/macro'
import type { Exercise, FlyEvent, Sortie } from '../../api/client'
import { begunIn } from './exerciseNow'

interface Props {
  sortie: Sortie
  live: FlyEvent[]
  now: Exercise
  locked: boolean
  tap: (to: Exercise) => void
}

/** A surprise stays covered until it is tapped: the student looks at the same sheet. */
const COVERED = t`Later`

/** The lesson's exercises, one tap each; how many attempts were begun, of how many that are planned. */
export function ExerciseTaps({ sortie, live, now, locked, tap }: Props) {
  if (sortie.exercises.length < 2) return null
  const begun = begunIn(sortie, live)
  return (
    <section aria-label={t`Exercise`} className="grid auto-cols-fr grid-flow-col gap-2 max-md:grid-flow-row">
      {sortie.exercises.map((row) => (
        <button
          key={row.id}
          type="button"
          className="tap flex-col text-base!"
          disabled={locked}
          aria-pressed={row.id === now.id}
          onClick={() => tap(row)}
        >
          {row.surprise && row.id !== now.id ? COVERED : row.title}
          <span className="text-sm font-normal">
            {row.task !== 'whole' && t`one control · `}
            {begun[row.id] ?? 0}
            {row.planned_count ? t` of ${row.planned_count}` : t` begun`}
          </span>
        </button>
      ))}
    </section>
  )
}
