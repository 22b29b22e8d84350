import { useCallback } from 'react'
import { useSearchParams } from 'react-router'
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
  if (!found) throw new Error('A lesson has one exercise at least.')
  return found
}

/** Which exercise of the lesson is on screen: the address names its place, so that a link opens the same. */
export function useExercise(sortie: Sortie) {
  const [params, setParams] = useSearchParams()
  const place = Number.parseInt(params.get('exercise') ?? '1', 10)
  const index = Math.min(Math.max(Number.isNaN(place) ? 1 : place, 1), sortie.exercises.length) - 1
  const exercise = exerciseOf(sortie, sortie.exercises[index]?.id)
  const choose = useCallback(
    (at: number) => {
      setParams(
        (before) => {
          const next = new URLSearchParams(before)
          next.set('exercise', String(at + 1))
          return next
        },
        { replace: true },
      )
    },
    [setParams],
  )
  return { exercise, index, choose }
}
