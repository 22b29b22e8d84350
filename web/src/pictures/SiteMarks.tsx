import { t } from '@lingui/core/macro'
import { line } from './scale'
import { area, type Drawing, type Obstacle, type Scaled } from './siteScale'

/** How much room the disc has: a filled mark where it is enough, an open one where it is not. */
export function Room({ field, x, y, perM }: { field: Drawing['field']; perM: number } & Scaled) {
  const size = Math.max(1.4, Math.min(4, field.step_m * perM * 0.28))
  return (
    <g pointerEvents="none" aria-hidden="true">
      {field.points.map(([n = 0, e = 0, feet = 0]) => (
        <circle
          key={`${n} ${e}`}
          cx={x(e)}
          cy={y(n)}
          r={size}
          fill={feet >= field.wanted_ft ? 'var(--band-deep)' : 'none'}
          stroke={feet >= field.wanted_ft ? 'none' : 'var(--limit)'}
          strokeWidth={0.8}
          opacity={0.75}
        />
      ))}
      {field.proposed.map(({ at: [n = 0, e = 0], clearance_ft }) => (
        <text key={`${n} ${e}`} x={x(e)} y={y(n) + 4} textAnchor="middle" fill="var(--ink)" fontWeight={700}>
          {Math.round(clearance_ft)} ft
        </text>
      ))}
    </g>
  )
}

export function Drawn({
  obstacle,
  x,
  y,
  perM,
  selected,
}: { obstacle: Obstacle; perM: number; selected: boolean } & Scaled) {
  const gone = obstacle.status === 'not_there'
  const danger = obstacle.status === 'open' || !obstacle.known
  const stroke = danger ? 'var(--limit)' : 'var(--ink)'
  const weight = selected ? 3.2 : 1.6
  if (obstacle.drawn === 'point') {
    const [n = 0, e = 0] = obstacle.rings[0]?.[0] ?? []
    const radius = Math.max(4, (obstacle.radius_m ?? 0) * perM)
    return (
      <g opacity={gone ? 0.35 : 1}>
        <circle
          cx={x(e)}
          cy={y(n)}
          r={radius}
          fill={obstacle.stands ? 'url(#wood)' : 'none'}
          stroke={stroke}
          strokeWidth={weight}
        />
        <circle cx={x(e)} cy={y(n)} r={1.8} fill={stroke} />
      </g>
    )
  }
  const wire = obstacle.what === 'wire'
  if (obstacle.drawn === 'line') {
    const points = (obstacle.rings[0] ?? []).map(([n = 0, e = 0]): [number, number] => [x(e), y(n)])
    return (
      <g opacity={gone ? 0.35 : 1} fill="none">
        <path d={line(points)} stroke={wire ? 'var(--limit)' : stroke} strokeWidth={wire ? weight + 1 : weight} />
        {wire &&
          points.map(([px, py]) => (
            <path
              key={`${px}`}
              d={`M${px - 5} ${py - 5}l10 10M${px + 5} ${py - 5}l-10 10`}
              stroke="var(--limit)"
              strokeWidth={2}
            />
          ))}
      </g>
    )
  }
  return (
    <path
      d={area(obstacle.rings, x, y)}
      fill={obstacle.what === 'water' ? 'url(#water)' : 'url(#wood)'}
      fillRule="evenodd"
      stroke={stroke}
      strokeWidth={weight}
      opacity={gone ? 0.35 : 1}
    />
  )
}

/** The disc, the room that is kept around it, and where the tail may point: a ring, broken where it may not. */
export function SpotRoom({ spot, x, y, perM }: { spot: Drawing['spots'][number]; perM: number } & Scaled) {
  const [n = 0, e = 0] = spot.at
  const tail = spot.tail_m * perM
  return (
    <g transform={`translate(${x(e)} ${y(n)})`} fill="none" stroke="var(--ink)" pointerEvents="none">
      <circle
        r={spot.room_m * perM}
        strokeDasharray="3 4"
        strokeWidth={1}
        stroke={spot.main_enough ? 'var(--ink)' : 'var(--limit)'}
      />
      <circle r={spot.radius_m * perM} strokeWidth={1.4} />
      {spot.headings_clear.map(([from = 0, to = 0]) => (
        <path key={from} d={arc(tail, from + 180, to + 180)} strokeWidth={4} stroke="var(--band-deep)" />
      ))}
      <circle r={2.4} fill="var(--ink)" />
    </g>
  )
}

function arc(radius: number, fromDeg: number, toDeg: number) {
  const sweep = (toDeg - fromDeg + 360) % 360 || 359.9
  const end = (deg: number) =>
    `${radius * Math.sin((deg * Math.PI) / 180)} ${-radius * Math.cos((deg * Math.PI) / 180)}`
  return `M${end(fromDeg)}A${radius} ${radius} 0 ${sweep > 180 ? 1 : 0} 1 ${end(fromDeg + sweep)}`
}

/** The gate as a doorway across the line, the last possible point as a notch. */
export function BreakOffMarks({ line: one, x, y }: { line: Drawing['approaches'][number] } & Scaled) {
  const [from, to] = [one.points[0], one.points[one.points.length - 1]]
  const angle = (Math.atan2((to?.[1] ?? 0) - (from?.[1] ?? 0), (to?.[0] ?? 0) - (from?.[0] ?? 0)) * 180) / Math.PI
  return (
    <g pointerEvents="none">
      {one.last && (
        <g transform={`translate(${x(one.last.at[1] ?? 0)} ${y(one.last.at[0] ?? 0)}) rotate(${angle})`}>
          <path d="M-11 0h8l3-6l3 6h8" fill="none" stroke="var(--limit)" strokeWidth={2.4} />
        </g>
      )}
      {one.gate && (
        <g transform={`translate(${x(one.gate.at[1] ?? 0)} ${y(one.gate.at[0] ?? 0)})`}>
          <path d="M-15 -6v12M15 -6v12M-15 0h30" transform={`rotate(${angle})`} stroke="var(--ink)" strokeWidth={2.6} />
          <text
            x={20}
            y={-8}
            fontWeight={700}
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={3.5}
            paintOrder="stroke"
          >
            {t`break off by ${Math.round(one.gate.height_ft / 10) * 10} ft`}
          </text>
        </g>
      )}
    </g>
  )
}
