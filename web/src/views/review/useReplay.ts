import { useEffect, useRef, useState } from 'react'

export const SPEEDS = [0.5, 1, 2, 4, 8] as const

interface Span {
  from: number
  to: number
}

/** Runs the moment through a stretch of the recording, faster or slower than it was flown; it stops at the end or when asked. */
export function useReplay(span: Span | undefined, chosen: number | undefined, choose: (timeS: number) => void) {
  const [playing, setPlaying] = useState<number>()
  const [speed, setSpeed] = useState<number>(1)
  const begun = playing !== undefined
  const at = useRef(0)
  const keep = useRef(choose)
  useEffect(() => {
    keep.current = choose
  })

  useEffect(() => {
    if (!begun || !span) return
    let last: number | undefined
    let frame = 0
    const run = (now: number) => {
      at.current += last === undefined ? 0 : ((now - last) / 1000) * speed
      last = now
      if (at.current >= span.to) {
        setPlaying(undefined)
        keep.current(span.to)
        return
      }
      setPlaying(at.current)
      frame = window.requestAnimationFrame(run)
    }
    frame = window.requestAnimationFrame(run)
    return () => window.cancelAnimationFrame(frame)
  }, [begun, speed, span])

  const toggle = () => {
    if (begun) {
      setPlaying(undefined)
      choose(at.current)
    } else if (span) {
      at.current = chosen === undefined || chosen >= span.to - 0.2 ? span.from : chosen
      setPlaying(at.current)
    }
  }
  return { moment: playing ?? chosen, playing: begun, toggle, speed, setSpeed }
}
