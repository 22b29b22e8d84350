import { useCallback, useEffect, useRef, useState } from 'react'
import { newMoment } from './moment'

export const SPEEDS = [0.5, 1, 2, 4, 8] as const

interface Span {
  from: number
  to: number
}

/** How long the moment has to rest before the address says it, ms. */
const RESTS_MS = 300
/** The address has tenths of a second. */
const ROUNDED_S = 0.06

/**
 * The moment of the attempt: chosen by hand, or run through a stretch of the recording, faster or slower than it was
 * flown, until the end or until asked to stop. The address has it once it rests.
 * @param attempt whose moment it is; another's begins anew
 * @param chosen what the address says
 * @param keep writes it into the address
 */
export function useReplay(
  attempt: string | undefined,
  span: Span | undefined,
  chosen: number | undefined,
  keep: (timeS: number) => void,
) {
  const [moment] = useState(newMoment)
  const [playing, setPlaying] = useState(false)
  const [speed, setSpeed] = useState<number>(1)
  const write = useRef(keep)
  const timer = useRef<number>(undefined)
  useEffect(() => {
    write.current = keep
  })
  const said = useRef<number>(undefined)
  const tell = useCallback((timeS: number) => {
    window.clearTimeout(timer.current)
    said.current = timeS
    write.current(timeS)
  }, [])
  // What the address says of itself, by a link or by going back; not what it was told here.
  useEffect(() => {
    if (chosen !== undefined && said.current !== undefined && Math.abs(chosen - said.current) < ROUNDED_S) return
    window.clearTimeout(timer.current)
    said.current = undefined
    moment.set(chosen)
  }, [attempt, chosen, moment])
  useEffect(() => () => window.clearTimeout(timer.current), [])

  const choose = useCallback(
    (timeS: number) => {
      moment.set(timeS)
      window.clearTimeout(timer.current)
      timer.current = window.setTimeout(() => tell(timeS), RESTS_MS)
    },
    [moment, tell],
  )

  useEffect(() => {
    if (!playing || !span) return
    let last: number | undefined
    let frame = 0
    const run = (now: number) => {
      const at = (moment.now() ?? span.from) + (last === undefined ? 0 : ((now - last) / 1000) * speed)
      last = now
      moment.set(Math.min(at, span.to))
      if (at >= span.to) {
        setPlaying(false)
        tell(span.to)
        return
      }
      frame = window.requestAnimationFrame(run)
    }
    frame = window.requestAnimationFrame(run)
    return () => window.cancelAnimationFrame(frame)
  }, [playing, speed, span, moment, tell])

  const toggle = useCallback(() => {
    const now = moment.now()
    if (playing) {
      setPlaying(false)
      if (now !== undefined) tell(now)
    } else if (span) {
      window.clearTimeout(timer.current)
      if (now === undefined || now >= span.to - 0.2) moment.set(span.from)
      setPlaying(true)
    }
  }, [playing, span, moment, tell])
  return { moment, choose, playing, toggle, speed, setSpeed }
}
