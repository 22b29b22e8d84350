import type { PathPoint, Plan } from '../api/client'
import { figure } from '../design/words'
import { line, ticks, trueScale, windowOf, type Window } from './scale'
import { useWidth } from './useWidth'

interface Props {
  plan: Plan
  flown?: PathPoint[]
  window?: Window
  /** How far to each side of the final course the picture goes, feet. */
  halfFt?: number
  spotName: string
}

/** The plan view in true scale, final course to the right: spot, wind, planned and flown track, what each option reaches. */
export function GroundView({ plan, flown, window: given, halfFt = 1050, spotName }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const view = given ?? windowOf(plan, flown ? [flown] : [])
  const scale = trueScale(view, width)
  const height = halfFt * 2 * scale.perFt
  const y = (across: number) => height / 2 + across * scale.perFt
  const entry = plan.path.find((point) => point.t_s >= 0)

  return (
    <figure ref={ref} className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">From above, same scale</span>
        <span className="label">
          <Key dash="1 4" text="reach at house glide" /> <Key dash="8 3 1 3" text="reach at best range" />
        </span>
      </figcaption>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block h-auto max-w-full"
        role="img"
        aria-label={`Ground view in true scale, final course ${figure(plan.course_deg, 'ft')} degrees to the right, spot ${spotName}. Entry ${figure(plan.numbers.entry_distance_ft?.value, 'ft')} ft before the spot.`}
      >
        {ticks(view.fromFt, view.toFt, 8).map((along) => (
          <line
            key={along}
            x1={scale.x(along)}
            x2={scale.x(along)}
            y1={0}
            y2={height}
            stroke="var(--rule)"
            strokeWidth={0.6}
          />
        ))}
        <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="var(--rule)" strokeWidth={1.2} />
        {plan.reaches.map((reach) => (
          <path
            key={reach.option}
            d={`${line(reach.points.map((p) => [scale.x(p.along_ft), y(p.across_ft)]))}Z`}
            fill={reach.option === 'glide' ? 'var(--band)' : 'none'}
            fillOpacity={0.55}
            stroke="var(--band-deep)"
            strokeWidth={1.6}
            strokeDasharray={reach.option === 'glide' ? '1 4' : '8 3 1 3'}
            strokeLinecap="round"
          />
        ))}
        <path
          d={line(plan.path.map((p) => [scale.x(p.along_ft), y(p.across_ft)]))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="var(--stroke)"
          strokeDasharray="7 5"
        />
        {flown && (
          <path
            d={line(flown.map((p) => [scale.x(p.along_ft), y(p.across_ft)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.4}
          />
        )}
        {entry && (
          <g>
            <path d={`M${scale.x(entry.along_ft)} ${y(0) - 14}v28`} stroke="var(--ink)" strokeWidth={2} />
            <text
              x={scale.x(entry.along_ft)}
              y={y(0) - 19}
              fontSize={11.5}
              fontWeight={600}
              textAnchor="middle"
              fill="var(--ink)"
            >
              entry
            </text>
          </g>
        )}
        <SpotMark x={scale.x(0)} y={y(0)} name={spotName} />
        <WindOverGround plan={plan} />
        <NorthMark course={plan.course_deg} x={width - 34} y={height - 34} />
      </svg>
    </figure>
  )
}

const Key = ({ dash, text }: { dash: string; text: string }) => (
  <span className="ml-3 inline-flex items-center gap-1.5">
    <svg width="26" height="8" aria-hidden="true">
      <path d="M1 4h24" stroke="var(--band-deep)" strokeWidth="2" strokeDasharray={dash} strokeLinecap="round" />
    </svg>
    {text}
  </span>
)

const SpotMark = ({ x, y, name }: { x: number; y: number; name: string }) => (
  <g>
    <circle cx={x} cy={y} r={7} fill="none" stroke="var(--ink)" strokeWidth={2} />
    <circle cx={x} cy={y} r={2} fill="var(--ink)" />
    <text x={x} y={y + 22} fontSize={11.5} textAnchor="middle" fill="var(--ink)">
      {name}
    </text>
  </g>
)

/** Three streamlines that run with the wind over the ground. */
function WindOverGround({ plan }: { plan: Plan }) {
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

const NorthMark = ({ course, x, y }: { course: number; x: number; y: number }) => (
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
