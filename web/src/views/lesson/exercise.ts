import { t } from '@lingui/core/macro'
import type { Exercise, Planned, Sortie } from '../../api/client'

/** A lesson's day with one of its exercises laid over it. */
export const planned = (sortie: Sortie, exercise: Exercise): Planned => ({
  ...exercise,
  ...sortie,
  exercise_id: exercise.id,
  exercise_title: exercise.title,
})

/** One of the lesson's exercises, the first where there is no such one. */
export function exerciseOf(sortie: Sortie, id: string | null | undefined): Exercise {
  const found = sortie.exercises.find((exercise) => exercise.id === id) ?? sortie.exercises[0]
  if (!found) throw new Error(t`A lesson has one exercise at least.`)
  return found
}
