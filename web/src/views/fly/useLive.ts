import { useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'

export type Reading = Schemas['LiveReading']
/** After so long without a reading the last one is old news, ms. */
const STALE_MS = 2500

export interface Live {
  reading: Reading | undefined
  /** Why the line ended, when it has. */
  ended: string | undefined
  stale: boolean
  /** The attempt that ended last. */
  over: Schemas['LiveAttempt'] | undefined
  /** What the phase that goes on has come to. */
  soFar: Schemas['LiveLine'][]
  /** The wind that the drift of the last minutes shows. */
  wind: string | undefined
  /** How far the last reading was behind the recorder's clock when it came, ms. */
  behindMs: number | undefined
}

const NOTHING: Live = {
  reading: undefined,
  over: undefined,
  ended: undefined,
  stale: false,
  soFar: [],
  wind: undefined,
  behindMs: undefined,
}

/** What a message changes. */
function told({ reading, over, ended, so_far: soFar, wind }: Schemas['LiveMessage']): Partial<Live> {
  return {
    ...(reading && { reading, ended: undefined, stale: false, behindMs: Date.now() - reading.t_s * 1000 }),
    ...(over && { over }),
    ...(ended && { ended }),
    ...(soFar && { soFar }),
    ...(wind && { wind }),
  }
}

/** The readings of a sortie's flight as they come, and which exercise it shows when that is another than before. The browser takes the line up again by itself when it drops. */
export function useLive(sortieId: string, on: boolean, onExercise: (id: string) => void): Live {
  const [live, setLive] = useState(NOTHING)
  const other = useRef(onExercise)
  useEffect(() => {
    other.current = onExercise
  })
  useEffect(() => {
    if (!on) return
    const events = new EventSource(`/api/sorties/${sortieId}/live`)
    let old: ReturnType<typeof setTimeout> | undefined
    events.onmessage = (event: MessageEvent<string>) => {
      const message = JSON.parse(event.data) as Schemas['LiveMessage']
      if (message.exercise) other.current(message.exercise)
      setLive((before) => ({ ...before, ...told(message) }))
      if (!message.reading) return
      clearTimeout(old)
      old = setTimeout(() => setLive((before) => ({ ...before, stale: true })), STALE_MS)
    }
    return () => {
      clearTimeout(old)
      events.close()
    }
  }, [sortieId, on])
  return live
}
