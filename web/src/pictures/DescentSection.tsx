import { useId, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { PathPoint, Plan } from '../api/client'
import { figure } from '../design/words'
import { Labels } from './Labels'
import { marksOf } from './marksOf'
import { alongLine, LETTER, textBox, type Box } from './labels'
import { Picture } from './Picture'
import { line, nearest, ticks, ticksWithRoom, trueScale, windowOf, type Window } from './scale'
import { useWidth } from './useWidth'

interface Props {
  plan: Plan
  /** The flown path, drawn solid over the dashed plan. */
  flown?: PathPoint[]
  /** Another attempt's path, dotted. */
  over?: PathPoint[] | undefined
  window?: Window
  /** Height at the top of the picture, feet. */
  topFt?: number
  title: string
  /** Which gates to draw; all of them unless named. */
  doors?: string[]
  /** Also says along the path how high and how fast. */
  said?: boolean
  /** Moment in the recording that other pictures point at. */
  timeS?: number
  onTime?: (timeS: number) => void
}

const BELOW = 26
const WIND_ROOM = 46

/** The side view in true scale: ground, wind, gates as doorways, the plan with its uncertainty, the flown path over it. */
export function DescentSection({ plan, flown, over, window: given, topFt, title, doors, said, timeS, onTime }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const hatch = useId()
  const [cursor, setCursor] = useState<number>()
  const view = given ?? windowOf(plan, flown ? [flown] : [])
  const scale = trueScale(view, width)
  const highest = Math.max(...plan.path.map((p) => p.height_ft), ...(flown ?? []).map((p) => p.height_ft))
  // Room above the path for the wind.
  const top = topFt ?? Math.max(highest * 1.2, highest + WIND_ROOM / scale.perFt)
  const height = Math.max(90, top * scale.perFt) + BELOW
  const y = (heightFt: number) => height - BELOW - heightFt * scale.perFt
  const read = flown?.length ? flown : plan.path
  const marked = timeS !== undefined ? flown?.find((point) => point.t_s >= timeS) : undefined
  const up = ({ height_ft: feet }: { height_ft: number }) => y(feet)
  const shownGates = plan.gates.filter((gate) => gate.along_ft != null && (!doors || doors.includes(gate.id)))
  const point = cursor === undefined ? marked : nearest(read, cursor)

  const move = (along: number) => {
    setCursor(along)
    const hit = nearest(read, along)
    if (hit && flown?.length) onTime?.(hit.t_s)
  }
  const onPointer = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    move(view.fromFt + (event.clientX - box.left) / scale.perFt)
  }
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    move((cursor ?? point?.along_ft ?? view.fromFt) + (step * (view.toFt - view.fromFt)) / 120)
  }

  return (
    <figure ref={ref} className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">{title}</span>
        <Readout point={point} flown={Boolean(flown?.length)} />
      </figcaption>
      <Picture
        width={width}
        height={height}
        label={`${title}: side view in true scale. Entry at ${figure(plan.numbers.entry_height_ft?.value, 'ft')} ft, gate at ${figure(plan.numbers.gate_height_ft?.value, 'ft')} ft, flare at ${figure(plan.numbers.flare_height_ft?.value, 'ft')} ft. Arrow keys read the path.`}
        onPointerMove={onPointer}
        onPointerLeave={() => setCursor(undefined)}
        onKeyDown={onKey}
      >
        <defs>
          <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--rule)" strokeWidth="2" />
          </pattern>
        </defs>
        <Grid view={view} width={width} top={top} y={y} x={scale.x} />
        <rect x={0} y={y(0)} width={width} height={7} fill={`url(#${hatch})`} />
        <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth={1.6} />
        <Band plan={plan} x={scale.x} y={y} />
        <path
          d={line(plan.path.map((p) => [scale.x(p.along_ft), y(p.height_ft)]))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="var(--stroke)"
          strokeDasharray="7 5"
        />
        {over && (
          <path
            d={line(over.map((p) => [scale.x(p.along_ft), y(p.height_ft)]))}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={2}
            strokeDasharray="2 3"
          />
        )}
        {flown && (
          <path
            d={line(flown.map((p) => [scale.x(p.along_ft), y(p.height_ft)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.4}
            strokeLinejoin="round"
          />
        )}
        {shownGates.map((gate) => (
          <Doorway key={gate.id} gate={gate} plan={plan} scale={scale} y={y} />
        ))}
        <Labels
          labels={[
            ...marksOf(plan, ['gate'], scale.x, up, (mark) => shownGates.some((gate) => isAt(gate, mark))),
            ...(said
              ? marksOf(plan, ['side'], scale.x, up, (mark) => !shownGates.some((gate) => isAt(gate, mark)))
              : []),
          ]}
          bounds={{ left: 2, top: 2, right: width - 2, bottom: y(0) - 3 }}
          taken={[
            ...gridBoxes(top, y),
            ...windBox(plan, width),
            ...[plan.path, flown ?? []].flatMap((path) =>
              alongLine(path.map((p) => [scale.x(p.along_ft), y(p.height_ft)])),
            ),
            ...shownGates.map((gate) => doorBox(gate, plan, scale, y)),
          ]}
        />
        <Spot x={scale.x(0)} y={y(0)} />
        <WindArrow plan={plan} width={width} />
        {point && (
          <g>
            <line
              x1={scale.x(point.along_ft)}
              x2={scale.x(point.along_ft)}
              y1={0}
              y2={y(0)}
              stroke="var(--ink-soft)"
              strokeWidth={1}
            />
            <circle
              cx={scale.x(point.along_ft)}
              cy={y(point.height_ft)}
              r={4.5}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          </g>
        )}
      </Picture>
    </figure>
  )
}

function Readout({ point, flown }: { point: PathPoint | undefined; flown: boolean }) {
  if (!point) return <span className="label no-print">Point at the path, or use the arrow keys, to read it off</span>
  return (
    <span className="label" aria-live="polite">
      {flown ? 'flown' : 'planned'} · {figure(Math.abs(point.along_ft), 'ft')} ft{' '}
      {point.along_ft < 0 ? 'before' : 'beyond'} the spot ·{' '}
      <b className="text-ink">{figure(point.height_ft, 'ft')} ft</b> · {figure(point.ias_kt, 'kt')} kt · sink{' '}
      {figure(point.sink_fpm, 'fpm')} ft/min · rotor {figure(point.rotor_rpm_pct, 'pct')} %
    </span>
  )
}

interface GridProps {
  view: Window
  width: number
  top: number
  x: (ft: number) => number
  y: (ft: number) => number
}

function Grid({ view, width, top, x, y }: GridProps) {
  return (
    <g fontSize={11} fill="var(--ink-soft)">
      {ticks(0, top, 4).map((height) =>
        height === 0 ? null : (
          <g key={height}>
            <line x1={0} x2={width} y1={y(height)} y2={y(height)} stroke="var(--rule)" strokeWidth={0.7} />
            <text x={4} y={y(height) - 3}>
              {height} ft
            </text>
          </g>
        ),
      )}
      {ticksWithRoom(view.fromFt, view.toFt, 8, width, LETTER)
        .filter((along) => x(along) > 24 && x(along) < width - 24)
        .map((along, index) => (
          <text key={along} x={x(along)} y={y(0) + 20} textAnchor="middle">
            {along === 0 ? 'spot' : `${Math.abs(along).toLocaleString('en-GB')}${index === 0 ? ' ft' : ''}`}
          </text>
        ))}
    </g>
  )
}

function Band({ plan, x, y }: { plan: Plan; x: (ft: number) => number; y: (ft: number) => number }) {
  const down = plan.band.map((b): [number, number] => [x(b.low_ft), y(b.height_ft)])
  if (down.length === 0) return null
  const up = [...plan.band].reverse().map((b): [number, number] => [x(b.high_ft), y(b.height_ft)])
  return <path d={`${line([...down, ...up])}Z`} fill="var(--band)" opacity={0.75} />
}

const gridBoxes = (top: number, y: (ft: number) => number): Box[] =>
  ticks(0, top, 4)
    .filter((height) => height > 0)
    .map((height) => textBox(4, y(height) - 3, `${height} ft`))

/** The wind has the upper right corner. */
const windBox = (plan: Plan, width: number): Box[] =>
  plan.numbers.headwind_kt?.value ? [{ left: width - 112, top: 0, right: width, bottom: 40 }] : []

const isAt = (gate: Gate, mark: Plan['marks'][number]) => Math.abs((gate.along_ft ?? 0) - mark.along_ft) < 1

type Gate = Plan['gates'][number]

interface DoorwayProps {
  gate: Gate
  plan: Plan
  scale: { x: (ft: number) => number; perFt: number }
  y: (ft: number) => number
}

/** How wide and tall a gate's doorway is drawn, pixels from its middle. */
function doorway(gate: Gate, plan: Plan, perFt: number) {
  const near = [...plan.band].sort(
    (a, b) => Math.abs(a.height_ft - gate.height_ft) - Math.abs(b.height_ft - gate.height_ft),
  )[0]
  return {
    tall: Math.max(9, 26 * perFt),
    half: Math.max(9, near ? (Math.min(near.high_ft - near.low_ft, 700) / 2) * perFt : 0),
  }
}

function doorBox(gate: Gate, plan: Plan, scale: DoorwayProps['scale'], y: (ft: number) => number): Box {
  const { tall, half } = doorway(gate, plan, scale.perFt)
  const [x, level] = [scale.x(gate.along_ft ?? 0), y(gate.height_ft)]
  return { left: x - half - 2, right: x + half + 2, top: level - tall, bottom: level + tall }
}

/** A gate is a doorway that the path must pass through: posts at the edges of the planned spread, a sill between. */
function Doorway({ gate, plan, scale, y }: DoorwayProps) {
  const level = y(gate.height_ft)
  const { tall, half } = doorway(gate, plan, scale.perFt)
  const x = scale.x(gate.along_ft ?? 0)
  return (
    <g stroke="var(--ink)" strokeWidth={2} fill="none">
      <path d={`M${x - half} ${level - tall}v${tall * 2}M${x + half} ${level - tall}v${tall * 2}`} />
      <path d={`M${x - half} ${level}h${half * 2}`} strokeWidth={1} strokeDasharray="2 3" />
    </g>
  )
}

const Spot = ({ x, y }: { x: number; y: number }) => (
  <path d={`M${x} ${y}l-6 -11h12z`} fill="var(--ink)" aria-hidden="true" />
)

/** Wind along the final course as a streamer: longer for more, pointing where it blows. */
function WindArrow({ plan, width }: { plan: Plan; width: number }) {
  const along = plan.numbers.headwind_kt?.value
  if (!along) return null
  const length = Math.min(90, 18 + Math.abs(along) * 4)
  const right = width - 12
  const blowsLeft = along > 0
  const start = blowsLeft ? right : right - length
  const end = blowsLeft ? right - length : right
  const tip = blowsLeft ? 7 : -7
  return (
    <g stroke="var(--ink)" strokeWidth={1.6} fill="none">
      <path
        d={`M${start} 15c${(end - start) / 3} -6 ${((end - start) * 2) / 3} 6 ${end - start} 0m${tip} -5l${-tip} 5l${tip} 5`}
      />
      <text x={right} y={36} fontSize={11.5} textAnchor="end" stroke="none" fill="var(--ink)">
        {along >= 0 ? 'headwind' : 'tailwind'} {Math.abs(along).toFixed(0)} kt
      </text>
    </g>
  )
}
