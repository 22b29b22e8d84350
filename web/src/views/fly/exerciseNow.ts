import type { Exercise, FlyEvent, Sortie } from '../../api/client'
import { exerciseOf } from '../lesson/exercise'

/** The exercise that was tapped last, or the lesson's first. */
export function exerciseNow(sortie: Sortie, live: FlyEvent[]): Exercise {
  const tapped = live.filter((event) => event.kind === 'exercise').at(-1)?.payload.value
  return exerciseOf(sortie, tapped)
}

/** How many attempts were begun in each exercise, by its id. */
export function begunIn(sortie: Sortie, live: FlyEvent[]): Record<string, number> {
  const begun: Record<string, number> = {}
  let now = sortie.exercises[0]?.id ?? ''
  for (const { kind, payload } of live) {
    if (kind === 'exercise' && payload.value) now = payload.value
    if (kind === 'attempt') begun[now] = (begun[now] ?? 0) + 1
  }
  return begun
}
