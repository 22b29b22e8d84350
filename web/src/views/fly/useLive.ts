import { useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'

export type Reading = Schemas['LiveReading']
/** After so long without a reading the last one is old news, ms. */
const STALE_MS = 2500

interface Live {
  reading: Reading | undefined
  /** Why the line ended, when it has. */
  ended: string | undefined
  stale: boolean
  /** The attempt that ended last. */
  over: Schemas['LiveAttempt'] | undefined
  /** How far the last reading was behind the recorder's clock when it came, ms. */
  behindMs: number | undefined
}

const NOTHING: Live = { reading: undefined, over: undefined, ended: undefined, stale: false, behindMs: undefined }

/** The readings of a sortie's flight as they come, and which exercise it shows when that is another than before. The browser takes the line up again by itself when it drops. */
export function useLive(sortieId: string, on: boolean, onExercise: (id: string) => void): Live {
  const [live, setLive] = useState(NOTHING)
  const told = useRef(onExercise)
  useEffect(() => {
    told.current = onExercise
  })
  useEffect(() => {
    if (!on) return
    const events = new EventSource(`/api/sorties/${sortieId}/live`)
    let old: ReturnType<typeof setTimeout> | undefined
    events.onmessage = (event: MessageEvent<string>) => {
      const message = JSON.parse(event.data) as Schemas['LiveMessage']
      clearTimeout(old)
      const { reading, over, ended, exercise } = message
      if (exercise) told.current(exercise)
      if (reading) {
        setLive(({ over }) => ({
          reading,
          over,
          ended: undefined,
          stale: false,
          behindMs: Date.now() - reading.t_s * 1000,
        }))
        old = setTimeout(() => setLive((before) => ({ ...before, stale: true })), STALE_MS)
      }
      if (over) setLive((before) => ({ ...before, over }))
      if (ended) setLive((before) => ({ ...before, ended }))
    }
    return () => {
      clearTimeout(old)
      events.close()
    }
  }, [sortieId, on])
  return live
}
