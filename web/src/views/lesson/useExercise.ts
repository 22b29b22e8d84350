import { useCallback } from 'react'
import { useSearchParams } from 'react-router'
import type { Sortie } from '../../api/client'
import { exerciseOf } from './exercise'

/** Which exercise of the lesson is on screen: the address names its place, so that a link opens the same. */
export function useExercise(sortie: Sortie) {
  const [params, setParams] = useSearchParams()
  const place = Number.parseInt(params.get('exercise') ?? '1', 10)
  const index = Math.min(Math.max(Number.isNaN(place) ? 1 : place, 1), sortie.exercises.length) - 1
  const exercise = exerciseOf(sortie, sortie.exercises[index]?.id)
  const choose = useCallback(
    (at: number) => {
      setParams((before) => {
        const next = new URLSearchParams(before)
        next.set('exercise', String(at + 1))
        return next
      })
    },
    [setParams],
  )
  return { exercise, index, choose }
}
