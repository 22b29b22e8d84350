import type { PathPoint, Plan, Schemas } from '../api/client'
import { figure } from '../design/words'
import { Picture } from './Picture'
import { LegNames, NorthMark, ScaleBar, SpotMark, WindOverGround } from './GroundMarks'
import { line, lowEnough, momentOf, ticks, trueScale, windowOf, type Window } from './scale'
import { GroundShapes } from './GroundShapes'
import { SpotHandle } from './SpotHandle'
import { useDragged, type Shift } from './useDragged'
import { useWidth } from './useWidth'

interface Props {
  plan: Plan
  flown?: PathPoint[]
  window?: Window
  /** The stretch across the final course that the picture shows, feet. */
  sides?: [number, number]
  spotName: string
  /** The moment to mark on the flown path. */
  timeS?: number | undefined
  /** How far the entry stands from where it was planned; drag or arrow keys move it. */
  shift?: Shift
  onShift?: (shift: Shift) => void
  /** Landings of one option, drawn where they would end. */
  option?: NonNullable<Schemas['Dispersion']['result']>['options'][number] | undefined
  /** What the school has drawn there. */
  ground?: Schemas['GroundShape'][]
  /** Takes the spot to another place: feet along and right of the course from where it is. */
  onSpot?: (alongFt: number, acrossFt: number) => void
}

const KEY_STEP_FT = 50
const REACH_WORDS: Record<string, string> = {
  glide: 'reach at house glide',
  stretch: 'stretched',
  slow: 'slow',
  delay: 'ten seconds later',
  s_turn: 'after an S-turn',
  circle: 'after a circle',
}
const REACH_DASH: Record<string, string> = {
  glide: '1 4',
  stretch: '8 3 1 3',
  slow: '3 3',
  delay: '12 4',
  s_turn: '6 2 2 2',
  circle: '2 6',
}

/** The plan view in true scale, final course to the right: spot, wind, planned and flown track, what each option reaches. */
export function GroundView({
  plan,
  flown,
  window: given,
  sides = [-1050, 1050],
  spotName,
  timeS,
  shift,
  onShift,
  option,
  ground = [],
  onSpot,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const view = lowEnough(given ?? windowOf(plan, flown ? [flown] : []), sides)
  const scale = trueScale(view, width)
  const height = (sides[1] - sides[0]) * scale.perFt
  const y = (across: number) => (across - sides[0]) * scale.perFt
  const entry = plan.path.find((point) => point.t_s >= 0)
  const around =
    new Set(plan.path.map((point) => point.phase)).size > 3 && plan.reaches.length === 0 && sides[1] - sides[0] > 1500
  const now = timeS === undefined ? undefined : momentOf(flown ?? [], timeS)
  const moved = shift ?? { along: 0, across: 0 }
  const by = `translate(${moved.along * scale.perFt} ${moved.across * scale.perFt})`

  return (
    <figure ref={ref} className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">From above, true scale</span>
        <span className="label">
          {plan.reaches.map((reach) => (
            <Key
              key={reach.option}
              dash={REACH_DASH[reach.option] ?? ''}
              text={REACH_WORDS[reach.option] ?? reach.option}
            />
          ))}
        </span>
      </figcaption>
      <Picture
        width={width}
        height={height}
        role={onShift || onSpot ? 'group' : 'img'}
        label={`Ground view in true scale, final course ${figure(plan.course_deg, 'ft')} degrees to the right, spot ${spotName}. Entry ${figure(plan.numbers.entry_distance_ft?.value, 'ft')} ft before the spot.`}
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
            transform={by}
            d={`${line(reach.points.map((p) => [scale.x(p.along_ft), y(p.across_ft)]))}Z`}
            fill={reach.option === 'glide' ? 'var(--band)' : 'none'}
            fillOpacity={0.55}
            stroke="var(--band-deep)"
            strokeWidth={reach.option === 'glide' ? 1.8 : 1.1}
            strokeDasharray={REACH_DASH[reach.option]}
            strokeLinecap="round"
          />
        ))}
        <GroundShapes
          shapes={ground}
          x={scale.x}
          y={y}
          perFt={scale.perFt}
          width={width}
          height={height}
          spotName={spotName}
        />
        <path
          transform={by}
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
        {now && <circle cx={scale.x(now.along_ft)} cy={y(now.across_ft)} r={6} fill="var(--ink)" />}
        {option && (
          <g transform={by} fill="var(--ink)" opacity={0.55}>
            {option.places.map(([along = 0, across = 0], index) => (
              <circle key={index} cx={scale.x(along)} cy={y(across)} r={1.4} />
            ))}
          </g>
        )}
        {entry && onShift && (
          <EntryHandle
            x={scale.x(entry.along_ft)}
            y={y(entry.across_ft)}
            perFt={scale.perFt}
            shift={moved}
            onShift={onShift}
          />
        )}
        {entry && !onShift && plan.reaches.length > 0 && (
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
        {around && <LegNames plan={plan} x={scale.x} y={y} />}
        {onSpot && (
          <rect
            className="cursor-crosshair"
            width={width}
            height={height}
            fill="transparent"
            onClick={(event) => {
              const box = event.currentTarget.getBoundingClientRect()
              const perPixel = width / box.width
              onSpot(
                Math.round(((event.clientX - box.left) * perPixel) / scale.perFt + view.fromFt),
                Math.round(((event.clientY - box.top) * perPixel) / scale.perFt + sides[0]),
              )
            }}
          />
        )}
        <SpotMark x={scale.x(0)} y={y(0)} name={spotName} width={width} />
        {onSpot && <SpotHandle x={scale.x(0)} y={y(0)} perFt={scale.perFt} onMove={onSpot} />}
        <ScaleBar scale={scale} width={width} y={height - 16} />
        <WindOverGround plan={plan} />
        <NorthMark course={plan.course_deg} x={width - 34} y={height - 34} />
      </Picture>
    </figure>
  )
}

interface HandleProps {
  x: number
  y: number
  perFt: number
  shift: Shift
  onShift: (shift: Shift) => void
}

/** The entry point, to be dragged over the ground or moved by the arrow keys. */
function EntryHandle({ x, y, perFt, shift, onShift }: HandleProps) {
  const put = ({ along, across }: Shift) =>
    onShift({ along: Math.min(Math.max(along, -3000), 3000), across: Math.min(Math.max(across, -1000), 1000) })
  const dragged = useDragged(shift, perFt, KEY_STEP_FT, put)
  return (
    <g
      transform={`translate(${x + shift.along * perFt} ${y + shift.across * perFt})`}
      role="slider"
      tabIndex={0}
      aria-label="Entry point: arrow keys move it by fifty feet"
      aria-valuemin={-3000}
      aria-valuemax={3000}
      aria-valuenow={Math.round(shift.along)}
      aria-valuetext={`${Math.round(shift.along)} ft along, ${Math.round(shift.across)} ft across from the plan`}
      className="cursor-grab touch-none"
      {...dragged}
    >
      <circle r={22} fill="transparent" />
      <rect
        x={-7}
        y={-7}
        width={14}
        height={14}
        transform="rotate(45)"
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.4}
      />
      <text y={-17} fontSize={11.5} fontWeight={600} textAnchor="middle" fill="var(--ink)">
        entry
      </text>
    </g>
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
