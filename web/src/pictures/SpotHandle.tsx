import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { useDragged, type Shift } from './useDragged'

interface Props {
  x: number
  y: number
  perFt: number
  /** Where it was put, feet from where it stands along and right of the course. */
  onMove: (alongFt: number, acrossFt: number) => void
}

const STEP_FT = 25
const STILL: Shift = { along: 0, across: 0 }

/** The spot, to be dragged over the ground or moved by the arrow keys and put down with Enter. */
export function SpotHandle({ x, y, perFt, onMove }: Props) {
  const [shift, setShift] = useState(STILL)
  const put = ({ along, across }: Shift) => setShift({ along: Math.round(along), across: Math.round(across) })
  const done = () => {
    setShift(STILL)
    if (shift.along !== 0 || shift.across !== 0) onMove(shift.along, shift.across)
  }
  const dragged = useDragged(shift, perFt, STEP_FT, put, done)
  return (
    <g
      transform={`translate(${x + shift.along * perFt} ${y + shift.across * perFt})`}
      role="slider"
      tabIndex={0}
      aria-label={t`The spot: arrow keys move it by twenty-five feet, Enter puts it there`}
      aria-valuemin={-20000}
      aria-valuemax={20000}
      aria-valuenow={shift.along}
      aria-valuetext={t`${shift.along} ft along, ${shift.across} ft across from where it was`}
      className="cursor-grab touch-none"
      onBlur={done}
      {...dragged}
    >
      <circle r={22} fill="transparent" />
      <path d="M-16 0h32M0 -16v32" stroke="var(--ink)" strokeWidth={2} />
      <circle r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <circle r={2.5} fill="var(--ink)" />
    </g>
  )
}
