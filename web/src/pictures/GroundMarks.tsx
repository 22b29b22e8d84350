import type { Plan } from '../api/client'
import { HALF_LETTER, roundStep, type TrueScale } from './scale'

/** The spot with its name, kept inside the picture. */
export const SpotMark = ({ x, y, name, width }: { x: number; y: number; name: string; width: number }) => (
  <g>
    <circle cx={x} cy={y} r={7} fill="none" stroke="var(--ink)" strokeWidth={2} />
    <circle cx={x} cy={y} r={2} fill="var(--ink)" />
    <text
      x={Math.min(Math.max(x, name.length * HALF_LETTER), width - name.length * HALF_LETTER)}
      y={y + 22}
      fontSize={11.5}
      textAnchor="middle"
      fill="var(--ink)"
    >
      {name}
    </text>
  </g>
)

/** Three streamlines that run with the wind over the ground. */
export function WindOverGround({ plan }: { plan: Plan }) {
  if (plan.wind_kt === 0) return null
  // Down the screen is right of the course; the wind blows towards from + 180.
  const angle = plan.wind_from_deg + 180 - plan.course_deg
  return (
    <g transform={`translate(52 26) rotate(${angle})`} stroke="var(--ink)" strokeWidth={1.6} fill="none">
      <path d="M-26 -7c17-4 26 4 44 0M-28 0c17-4 30 4 50 0M-26 7c17-4 26 4 44 0M16 -6l7 6l-7 6" />
      <g transform={`rotate(${-angle})`}>
        <text x={0} y={32} fontSize={11.5} textAnchor="middle" stroke="none" fill="var(--ink)">
          wind {plan.wind}
        </text>
      </g>
    </g>
  )
}

export const NorthMark = ({ course, x, y }: { course: number; x: number; y: number }) => (
  <g transform={`translate(${x} ${y})`}>
    <g transform={`rotate(${-course})`} stroke="var(--ink)" strokeWidth={1.6} fill="none">
      <path d="M-14 0h28M8 -5l6 5l-6 5" />
      <g transform={`translate(23 0) rotate(${course})`}>
        <text
          fontSize={11.5}
          fontWeight={600}
          textAnchor="middle"
          dominantBaseline="central"
          stroke="none"
          fill="var(--ink)"
        >
          N
        </text>
      </g>
    </g>
  </g>
)

/** How long a round number of feet is, at the bottom left. */
export function ScaleBar({ scale, width, y }: { scale: TrueScale; width: number; y: number }) {
  const feet = roundStep(width / scale.perFt / 6, 1)
  return (
    <g transform={`translate(14 ${y})`} stroke="var(--ink)" strokeWidth={1.4}>
      <path d={`M0 -4v8M0 0h${feet * scale.perFt}M${feet * scale.perFt} -4v8`} fill="none" />
      <text x={feet * scale.perFt + 6} y={4} fontSize={11.5} stroke="none" fill="var(--ink)">
        {feet.toLocaleString('en-GB')} ft
      </text>
    </g>
  )
}

/** A leg drawn shorter than this has no room for its name, pixels. */
const SHORTEST = 70

/** The name of each leg of a path that goes round, inside the turn beside its middle. */
export function LegNames({ plan, x, y }: { plan: Plan; x: (along: number) => number; y: (across: number) => number }) {
  const legs = [...new Set(plan.path.map((point) => point.phase))]
  const centre = {
    along: plan.path.reduce((sum, p) => sum + p.along_ft, 0) / plan.path.length,
    across: plan.path.reduce((sum, p) => sum + p.across_ft, 0) / plan.path.length,
  }
  const length = (points: Plan['path']) =>
    points.reduce(
      (most, p) =>
        Math.max(
          most,
          Math.hypot(x(p.along_ft) - x(points[0]?.along_ft ?? 0), y(p.across_ft) - y(points[0]?.across_ft ?? 0)),
        ),
      0,
    )
  return (
    <g fontSize={11.5} fontWeight={600} fill="var(--ink)" textAnchor="middle">
      {legs.map((leg) => {
        const points = plan.path.filter((point) => point.phase === leg)
        const middle = points[Math.floor(points.length / 2)]
        if (!middle || !points[0] || length(points) < SHORTEST) return null
        return (
          <text
            key={leg}
            x={x(middle.along_ft + (centre.along - middle.along_ft) * 0.12)}
            y={y(middle.across_ft + (centre.across - middle.across_ft) * 0.08) + 4}
          >
            {leg}
          </text>
        )
      })}
    </g>
  )
}
