import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'

interface Props {
  x: number
  y: number
  perFt: number
  /** Where it was put, feet from where it stands along and right of the course. */
  onMove: (alongFt: number, acrossFt: number) => void
}

const STEP_FT = 25

/** The spot, to be dragged over the ground or moved by the arrow keys and put down with Enter. */
export function SpotHandle({ x, y, perFt, onMove }: Props) {
  const from = useRef<{ x: number; y: number }>(undefined)
  const [shift, setShift] = useState({ along: 0, across: 0 })
  const put = (to: typeof shift) => {
    setShift({ along: 0, across: 0 })
    if (to.along !== 0 || to.across !== 0) onMove(to.along, to.across)
  }
  const onPointerDown = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    from.current = { x: event.clientX, y: event.clientY }
  }
  const onPointerMove = (event: PointerEvent<SVGGElement>) => {
    if (!from.current) return
    setShift({
      along: Math.round((event.clientX - from.current.x) / perFt),
      across: Math.round((event.clientY - from.current.y) / perFt),
    })
  }
  const onPointerUp = () => {
    from.current = undefined
    put(shift)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') return put(shift)
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (!step) return
    event.preventDefault()
    setShift((now) => ({
      along: now.along + (step[0] ?? 0) * STEP_FT,
      across: now.across + (step[1] ?? 0) * STEP_FT,
    }))
  }
  return (
    <g
      transform={`translate(${x + shift.along * perFt} ${y + shift.across * perFt})`}
      role="slider"
      tabIndex={0}
      aria-label="The spot: arrow keys move it by twenty-five feet, Enter puts it there"
      aria-valuemin={-20000}
      aria-valuemax={20000}
      aria-valuenow={shift.along}
      aria-valuetext={`${shift.along} ft along, ${shift.across} ft across from where it was`}
      className="cursor-grab touch-none"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onKeyDown={onKeyDown}
      onBlur={() => put(shift)}
    >
      <circle r={22} fill="transparent" />
      <path d="M-16 0h32M0 -16v32" stroke="var(--ink)" strokeWidth={2} />
      <circle r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <circle r={2.5} fill="var(--ink)" />
    </g>
  )
}
