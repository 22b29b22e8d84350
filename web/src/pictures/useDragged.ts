import { useRef, type KeyboardEvent, type PointerEvent } from 'react'

/** Feet along and right of the final course. */
export interface Shift {
  along: number
  across: number
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What moves a thing over the ground: dragged by the pointer, or by the arrow keys a step at a time. */
export function useDragged(shift: Shift, perFt: number, stepFt: number, put: (to: Shift) => void, done?: () => void) {
  const from = useRef<{ x: number; y: number } & Shift>(undefined)
  return {
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId)
      from.current = { x: event.clientX, y: event.clientY, ...shift }
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      if (!from.current) return
      put({
        along: from.current.along + (event.clientX - from.current.x) / perFt,
        across: from.current.across + (event.clientY - from.current.y) / perFt,
      })
    },
    onPointerUp: () => {
      from.current = undefined
      done?.()
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter') return done?.()
      const step = ARROWS[event.key]
      if (!step) return
      event.preventDefault()
      put({ along: shift.along + step[0] * stepFt, across: shift.across + step[1] * stepFt })
    },
  }
}
