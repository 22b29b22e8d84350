import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import type { Plan } from '../api/client'
import { decimal } from '#language/numbers'
import type { Box } from './placing'
import { roundStep, type TrueScale } from './scale'

export const SpotMark = ({ x, y }: { x: number; y: number }) => (
  <g>
    <circle cx={x} cy={y} r={7} fill="none" stroke="var(--ink)" strokeWidth={2} />
    <circle cx={x} cy={y} r={2} fill="var(--ink)" />
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
        <text x={0} y={32} textAnchor="middle" stroke="none" fill="var(--ink)">
          {t`wind ${plan.wind}`}
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
        <text fontWeight={600} textAnchor="middle" dominantBaseline="central" stroke="none" fill="var(--ink)">
          N
        </text>
      </g>
    </g>
  </g>
)

export interface Sun {
  azimuth_deg: number
  elevation_deg: number
}

/** Where the sun stands: its disc on the side that it shines from, and how high. */
export function SunMark({ sun, course, x, y }: { sun: Sun; course: number; x: number; y: number }) {
  if (sun.elevation_deg <= 0) return null
  return (
    <g transform={`translate(${x} ${y})`}>
      <g transform={`rotate(${sun.azimuth_deg - course})`} stroke="var(--ink)" strokeWidth={1.6}>
        <path d="M-14 0h22" strokeDasharray="2 3" />
        <circle cx={15} r={5.5} fill="var(--sheet)" />
      </g>
      <text x={27} y={-22} textAnchor="end" fill="var(--ink)">
        {t`sun ${decimal(sun.elevation_deg, 0)}°`}
      </text>
    </g>
  )
}

/** How long a round number of feet is, at the bottom left. */
export function ScaleBar({ scale, width, y }: { scale: TrueScale; width: number; y: number }) {
  const feet = roundStep(width / scale.perFt / 6, 1)
  return (
    <g transform={`translate(14 ${y})`} stroke="var(--ink)" strokeWidth={1.4}>
      <path d={`M0 -4v8M0 0h${feet * scale.perFt}M${feet * scale.perFt} -4v8`} fill="none" />
      <text x={feet * scale.perFt + 6} y={4} stroke="none" fill="var(--ink)">
        {feet.toLocaleString(locale)} ft
      </text>
    </g>
  )
}

/** Where wind, sun, north and scale stand: no text lies over them. */
export const cornersOf = (plan: Plan, width: number, height: number, sunny = false): Box[] => [
  ...(sunny ? [{ left: width - 66, top: 0, right: width, bottom: 64 }] : []),
  ...(plan.wind_kt === 0 ? [] : [{ left: 0, top: 0, right: 112, bottom: 66 }]),
  { left: 0, top: height - 26, right: width / 6 + 90, bottom: height },
  { left: width - 66, top: height - 68, right: width, bottom: height },
]
