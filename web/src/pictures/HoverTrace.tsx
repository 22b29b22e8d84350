import type { PathPoint } from '../api/client'
import { DistanceRings } from './DistanceRings'
import { line, momentOf } from './scale'

const SIZE = 230
const WITHIN = 0.95

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

/** The drift of a hover about its middle, final course upwards: darker is higher; the circle holds 95 % of the time. */
export function HoverTrace({ points, timeS }: { points: PathPoint[]; timeS: number | undefined }) {
  if (points.length < 4) return null
  const along = median(points.map((p) => p.along_ft))
  const across = median(points.map((p) => p.across_ft))
  const drift = points.map((p) => Math.hypot(p.along_ft - along, p.across_ft - across)).sort((a, b) => a - b)
  const circle = drift[Math.min(drift.length - 1, Math.floor(drift.length * WITHIN))] ?? 0
  const most = Math.max(5, drift.at(-1) ?? 0) * 1.2
  const at = (p: PathPoint): [number, number] => [
    SIZE / 2 + ((p.across_ft - across) / most) * (SIZE / 2),
    SIZE / 2 - ((p.along_ft - along) / most) * (SIZE / 2),
  ]
  const heights = points.map((p) => p.height_ft)
  const [low, high] = [Math.min(...heights), Math.max(...heights)]
  const tone = (p: PathPoint) => 0.25 + (0.75 * (p.height_ft - low)) / Math.max(high - low, 1)
  const now = timeS === undefined ? undefined : momentOf(points, timeS)
  return (
    <figure className="m-0 mt-3">
      <figcaption className="font-semibold">Hover trace, final course upwards</figcaption>
      <svg
        width={SIZE}
        height={SIZE}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="img"
        aria-label={`Hover trace: 95 % of the time within ${circle.toFixed(1)} ft, ${low.toFixed(1)} to ${high.toFixed(1)} ft high.`}
      >
        <DistanceRings size={SIZE} most={most} />
        {points.slice(1).map((p, i) => (
          <path
            key={p.t_s}
            d={line([at(points[i] ?? p), at(p)])}
            stroke="var(--ink)"
            strokeOpacity={tone(p)}
            strokeWidth={2.4}
            strokeLinecap="round"
          />
        ))}
        <circle
          cx={SIZE / 2}
          cy={SIZE / 2}
          r={(circle / most) * (SIZE / 2)}
          fill="none"
          stroke="var(--band-deep)"
          strokeWidth={1.8}
          strokeDasharray="5 4"
        />
        {now && <circle cx={at(now)[0]} cy={at(now)[1]} r={6} fill="var(--ink)" />}
      </svg>
      <p className="label m-0">
        95 % of the time within {circle.toFixed(1)} ft; {low.toFixed(1)} to {high.toFixed(1)} ft high, darker is higher.
      </p>
    </figure>
  )
}
