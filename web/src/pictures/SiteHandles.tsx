import { t } from '@lingui/core/macro'
import { useRef, type KeyboardEvent } from 'react'
import { clsx } from 'clsx'
import { nameOf } from '../design/words'
import { middle, roomOf, type Drawing, type Point, type Scaled } from './siteScale'

const KEY_STEP_M = 1
const ARROWS: Record<string, [number, number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
}
interface HandlesProps extends Scaled {
  picture: Drawing
  selected: string | undefined
  onSelect: (id: string) => void
  /** Moves what is selected by metres north and east; a corner of it where one is named. */
  onMove?: ((id: string, north: number, east: number, corner?: number) => void) | undefined
  perM: number
}

/** What may be taken and moved: every obstacle and spot, and the corners of what is selected. */
export function SiteHandles({ picture, selected, onSelect, onMove, x, y, perM }: HandlesProps) {
  const all = [
    ...picture.obstacles.map((one) => ({
      id: one.id,
      points: one.rings[0] ?? [],
      label: `${one.what} ${nameOf(one.id)}`,
    })),
    ...picture.spots.map((one) => ({ id: one.id, points: [one.at], label: t`spot ${nameOf(one.id)}` })),
    ...[...picture.approaches, ...picture.departures].map((one) => ({
      id: one.id,
      points: one.points,
      label: t`line ${nameOf(one.id)}`,
    })),
  ]
  const centres = all.map(({ id, points, label }) => ({
    id,
    label,
    key: id,
    corner: undefined as number | undefined,
    at: points.length === 1 ? (points[0] ?? [0, 0]) : middle(points),
  }))
  const corners = all
    .filter(({ id, points }) => onMove && id === selected && points.length > 1)
    .flatMap(({ id, points, label }) =>
      points.map((at, corner) => ({
        id,
        label: t`corner ${corner + 1} of ${label}`,
        key: `${id} ${corner}`,
        corner,
        at,
      })),
    )
  const handles = [...centres, ...corners]
  const radii = roomOf(handles.map(({ at: [n = 0, e = 0] }) => [x(e), y(n)]))
  return (
    <g>
      {handles.map(({ id, label, key, corner, at }, index) => (
        <Handle
          key={key}
          at={at}
          label={label}
          active={id === selected}
          radius={radii[index] ?? 0}
          x={x}
          y={y}
          perM={perM}
          onSelect={() => onSelect(id)}
          {...(onMove ? { onMove: (n: number, e: number) => onMove(id, n, e, corner) } : {})}
        />
      ))}
    </g>
  )
}

interface HandleProps extends Scaled {
  at: Point
  label: string
  active: boolean
  /** Around its middle, pixels. */
  radius: number
  perM: number
  onSelect: () => void
  onMove?: (north: number, east: number) => void
}

function Handle({ at: [n = 0, e = 0], label, active, radius, x, y, perM, onSelect, onMove }: HandleProps) {
  const from = useRef<{ px: number; py: number }>(undefined)
  return (
    <g
      transform={`translate(${x(e)} ${y(n)})`}
      role="button"
      tabIndex={0}
      aria-label={onMove ? t`${label}: arrow keys move it by a metre` : label}
      aria-pressed={active}
      className={clsx('touch-none', onMove ? 'cursor-grab' : 'cursor-pointer')}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        onSelect()
        from.current = { px: event.clientX, py: event.clientY }
      }}
      onPointerUp={(event) => {
        const began = from.current
        from.current = undefined
        if (!began || !onMove) return
        const [dx, dy] = [event.clientX - began.px, event.clientY - began.py]
        if (Math.hypot(dx, dy) > 3) onMove(-dy / perM, dx / perM)
      }}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === 'Enter' || event.key === ' ') onSelect()
        const step = ARROWS[event.key]
        if (!step || !onMove) return
        event.preventDefault()
        onMove(step[0] * KEY_STEP_M, step[1] * KEY_STEP_M)
      }}
    >
      <circle r={radius} fill="transparent" />
      {active && (
        <rect x={-5} y={-5} width={10} height={10} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.2} />
      )}
    </g>
  )
}
