import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import type { Sortie } from '../../api/client'
import { useLive, type Live, type Reading } from './useLive'

/** Steps in which a recording is still being taken; after them it is read like any other. */
const TAKEN = ['waiting for a worker', 'recording live', 'stopping']

type Recording = Sortie['recordings'][number]

export interface Flight extends Live {
  /** The recording that is being taken. */
  recording: Recording | undefined
  /** The one that was followed last, once it is taken no more. */
  taken: Recording | undefined
  /** The reading, as long as it is no old news. */
  now: Reading | undefined
}

/** The flight of a sortie as its recorder sends it, while it is recorded. */
export function useFlight(sortie: Sortie, onExercise: (id: string) => void): Flight {
  const queries = useQueryClient()
  const recording = sortie.recordings.find(
    (r) => r.source === 'live' && ['waiting', 'working'].includes(r.status) && TAKEN.includes(r.step),
  )
  const live = useLive(sortie.id, recording !== undefined, onExercise)
  // The sortie may say that it is over before the line says why, and then the line is closed.
  const [followed, setFollowed] = useState<string>()
  if (recording && recording.id !== followed) setFollowed(recording.id)
  const { ended } = live
  useEffect(() => {
    if (ended) void queries.invalidateQueries({ queryKey: ['sortie', sortie.id] })
  }, [ended, queries, sortie.id])
  return {
    ...live,
    recording,
    taken: recording ? undefined : sortie.recordings.find((r) => r.id === followed),
    now: recording && !live.stale ? live.reading : undefined,
  }
}
