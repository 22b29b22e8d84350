import { t } from '@lingui/core/macro'
import { Fragment } from 'react'
import type { Exercise, FlyEvent, Sortie } from '../../api/client'
import { Choice } from '../../design/Choice'
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
    <Choice
      label={t`Exercise`}
      className="grid auto-cols-fr grid-flow-col gap-2 max-md:grid-flow-row"
      words={Object.fromEntries(
        sortie.exercises.map((row) => [
          row.id,
          <Fragment key={row.id}>
            {row.surprise && row.id !== now.id ? COVERED : row.title}
            <span className="text-sm font-normal">
              {row.task !== 'whole' && t`one control · `}
              {begun[row.id] ?? 0}
              {row.planned_count ? t` of ${row.planned_count}` : t` begun`}
            </span>
          </Fragment>,
        ]),
      )}
      value={now.id}
      off={locked}
      onPick={(id) => {
        const row = sortie.exercises.find((one) => one.id === id)
        if (row) tap(row)
      }}
      item="tap flex-col text-base!"
    />
  )
}
