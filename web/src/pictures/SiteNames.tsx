import { t } from '@lingui/core/macro'
import { nameOf } from '../design/words'
import { HALF_LETTER } from './scale'
import { middle, type Drawing, type Obstacle, type Point, type Scaled } from './siteScale'

interface NamesProps extends Scaled {
  picture: Drawing
  width: number
  height: number
  chosen: string | undefined
}

/** Names where they are free of each other: lines first, then what stands highest. */
export function SiteNames({ picture, x, y, width, height, chosen }: NamesProps) {
  const taken: { x: number; y: number; half: number }[] = []
  const free = (px: number, py: number, half: number) =>
    px > half &&
    px < width - half &&
    py > 12 &&
    py < height - 4 &&
    taken.every((one) => Math.abs(one.x - px) > one.half + half + 3 || Math.abs(one.y - py) > 13)
  const wanted = [
    ...picture.spots.map(({ id, at }) => ({ id, text: nameOf(id), at, dy: 18, bold: true })),
    ...[...picture.approaches, ...picture.departures].map(({ id, points }) => ({
      id,
      text: nameOf(id),
      at: inView(points, x, y, width, height),
      dy: -6,
      bold: id === chosen,
    })),
    ...[...picture.obstacles]
      .sort((a, b) => (b.top_ft ?? 999) - (a.top_ft ?? 999))
      .map((one) => ({
        id: one.id,
        text: obstacleName(one),
        at: middle(one.rings[0] ?? []),
        dy: -8,
        bold: !one.known || one.status === 'open',
      })),
  ]
  const placed = wanted.flatMap(({ id, text, at, dy, bold }) => {
    const half = text.length * HALF_LETTER
    const [px, py] = [x(at[1] ?? 0), y(at[0] ?? 0)]
    const spot = [dy, dy - 13, dy + 13, dy + 26].find((by) => free(px, py + by, half))
    if (spot === undefined) return []
    taken.push({ x: px, y: py + spot, half })
    return [{ id, text, px, py: py + spot, bold }]
  })
  return (
    <g pointerEvents="none" aria-hidden="true">
      {placed.map(({ id, text, px, py, bold }) => (
        <text
          key={id}
          x={px}
          y={py}
          fontWeight={bold ? 700 : 400}
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </g>
  )
}

const obstacleName = ({ id, top_ft, known, status, stands }: Obstacle) => {
  const name = nameOf(id)
  if (status === 'not_there') return t`${name}: not there`
  const height = !known ? t`, height not known` : stands && top_ft != null ? ` ${Math.round(top_ft)} ft` : ''
  return `${name}${height}${status === 'open' ? t`, open` : ''}`
}

/** A place on a line that the picture shows: as far from the ground as there is room. */
function inView(points: Point[], x: Scaled['x'], y: Scaled['y'], width: number, height: number): Point {
  const shares = [0.92, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.12]
  const [a = [0, 0], b = [0, 0]] = [points[0], points[points.length - 1]]
  const at = (share: number): Point => [
    (a[0] ?? 0) + ((b[0] ?? 0) - (a[0] ?? 0)) * share,
    (a[1] ?? 0) + ((b[1] ?? 0) - (a[1] ?? 0)) * share,
  ]
  const outward = Math.hypot(a[0] ?? 0, a[1] ?? 0) > Math.hypot(b[0] ?? 0, b[1] ?? 0)
  const found = shares
    .map((share) => at(outward ? 1 - share : share))
    .find(([n = 0, e = 0]) => {
      const [px, py] = [x(e), y(n)]
      return px > 60 && px < width - 60 && py > 24 && py < height - 24
    })
  return found ?? at(0.5)
}
