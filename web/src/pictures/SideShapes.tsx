import { decimal } from '#language/numbers'
import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import { memo, useId } from 'react'
import type { PathPoint, Plan } from '../api/client'
import { Labels } from './Labels'
import { alongLine, LINE, textBox, type Box } from './placing'
import { marksOf } from './marksOf'
import { PathLine } from './PathLine'
import { WatchedStretches } from './WatchedStretches'
import { line, ticks, ticksWithRoom, trueScale, type Window } from './scale'

interface Props {
  plan: Plan
  flown: PathPoint[] | undefined
  over: PathPoint[] | undefined
  fromFt: number
  toFt: number
  width: number
  /** Feet at the top of the picture, and pixels of the whole of it. */
  top: number
  height: number
  door: string | undefined
  said: boolean | undefined
}

/** Room under the ground, pixels. */
export const BELOW = 26

/** All of the side view that stays where it is while a moment is pointed at: drawn once. */
export const SideShapes = memo(function SideShapes({
  plan,
  flown,
  over,
  fromFt,
  toFt,
  width,
  top,
  height,
  door,
  said,
}: Props) {
  const hatch = useId()
  const view = { fromFt, toFt }
  const scale = trueScale(view, width)
  const y = (heightFt: number) => height - BELOW - heightFt * scale.perFt
  const at = (point: PathPoint): [number, number] => [scale.x(point.along_ft), y(point.height_ft)]
  const up = ({ height_ft: feet }: { height_ft: number }) => y(feet)
  const shownGates = plan.gates.filter((gate) => gate.along_ft != null && (door === undefined || door === gate.id))
  return (
    <>
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--rule)" strokeWidth="2" />
        </pattern>
      </defs>
      <Grid view={view} width={width} top={top} y={y} x={scale.x} />
      <rect x={0} y={y(0)} width={width} height={7} fill={`url(#${hatch})`} />
      <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth={1.6} />
      <Band plan={plan} x={scale.x} y={y} />
      <WatchedStretches plan={plan} ids={['avoid_area', 'flap']} at={at} />
      <PathLine kind="planned" points={plan.path} at={at} />
      <PathLine kind="other" points={over} at={at} />
      <PathLine kind="flown" points={flown} at={at} />
      {shownGates.map((gate) => (
        <Doorway key={gate.id} gate={gate} plan={plan} scale={scale} y={y} />
      ))}
      <Labels
        labels={[
          ...marksOf(plan, ['gate'], scale.x, up, (mark) => shownGates.some((gate) => isAt(gate, mark))),
          ...(said ? marksOf(plan, ['side'], scale.x, up, (mark) => !shownGates.some((gate) => isAt(gate, mark))) : []),
        ]}
        bounds={{ left: 2, top: 2, right: width - 2, bottom: y(0) - 3 }}
        taken={[
          ...gridBoxes(top, y),
          ...windBox(plan, width),
          ...[plan.path, flown ?? []].flatMap((path) => alongLine(path.map(at))),
          ...shownGates.map((gate) => doorBox(gate, plan, scale, y)),
        ]}
      />
      <Spot x={scale.x(0)} y={y(0)} />
      <WindArrow plan={plan} width={width} />
    </>
  )
})

interface GridProps {
  view: Window
  width: number
  top: number
  x: (ft: number) => number
  y: (ft: number) => number
}

function Grid({ view, width, top, x, y }: GridProps) {
  return (
    <g fill="var(--ink-soft)">
      {heights(top, y).map((height) =>
        height === 0 ? null : (
          <g key={height}>
            <line x1={0} x2={width} y1={y(height)} y2={y(height)} stroke="var(--rule)" strokeWidth={0.7} />
            {y(height) > LINE && (
              <text x={4} y={y(height) - 3}>
                {height} ft
              </text>
            )}
          </g>
        ),
      )}
      {ticksWithRoom(view.fromFt, view.toFt, 8, width)
        .filter((along) => x(along) > 24 && x(along) < width - 24)
        .map((along, index) => (
          <text key={along} x={x(along)} y={y(0) + 20} textAnchor="middle">
            {along === 0 ? t`spot` : `${Math.abs(along).toLocaleString(locale)}${index === 0 ? ' ft' : ''}`}
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

/** Round heights, as many of four as have a line's room between them. */
const heights = (top: number, y: (ft: number) => number) =>
  [4, 3, 2, 1].map((count) => ticks(0, top, count)).find(([low = 0, next = top]) => y(low) - y(next) > LINE + 3) ?? []

const gridBoxes = (top: number, y: (ft: number) => number): Box[] =>
  heights(top, y)
    .filter((height) => height > 0 && y(height) > LINE)
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
      <text x={right} y={36} textAnchor="end" stroke="none" fill="var(--ink)">
        {along >= 0 ? t`headwind` : t`tailwind`} {decimal(Math.abs(along), 0)} kt
      </text>
    </g>
  )
}
