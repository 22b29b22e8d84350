import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { PathPoint, Plan, Schemas } from '../api/client'
import { AsTable } from '../design/AsTable'
import { Choice } from '../design/Choice'
import { figure } from '../design/words'
import { PathLine } from './PathLine'
import { Picture } from './Picture'
import { NorthMark, ScaleBar, SpotMark, SunMark, WindOverGround, type Sun } from './GroundMarks'
import { GroundLabels, REACH_WORDS } from './GroundLabels'
import { line, lowEnough, momentOf, ticks, trueScale, windowOf, type Window } from './scale'
import { GroundShapes } from './GroundShapes'
import { WatchedStretches } from './WatchedStretches'
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
  /** Landings by each option, drawn where they would end. */
  landings?: Landings[] | undefined
  /** How likely an option is to stop on the spot, 0 to 1. */
  chanceOf?: (option: Landings) => number
  /** What the school has drawn there. */
  ground?: Schemas['GroundShape'][]
  /** Takes the spot to another place: feet along and right of the course from where it is. */
  onSpot?: (alongFt: number, acrossFt: number) => void
  /** Where the sun stands as the lesson begins. */
  sun?: Sun
}

type Landings = NonNullable<Schemas['Dispersion']['result']>['options'][number]

const KEY_STEP_FT = 50
const NO_SHAPES: Schemas['GroundShape'][] = []

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
  landings,
  chanceOf,
  ground = NO_SHAPES,
  onSpot,
  sun,
}: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const view = lowEnough(given ?? windowOf(plan, flown ? [flown] : []), sides)
  const scale = trueScale(view, width)
  const height = (sides[1] - sides[0]) * scale.perFt
  const y = (across: number) => (across - sides[0]) * scale.perFt
  const at = (point: PathPoint): [number, number] => [scale.x(point.along_ft), y(point.across_ft)]
  const entry = plan.path.find((point) => point.t_s >= 0)
  const [chosen, setChosen] = useState('glide')
  const reach = plan.reaches.find((one) => one.option === chosen) ?? plan.reaches[0]
  const option = landings?.find((one) => one.option === reach?.option)
  const now = timeS === undefined ? undefined : momentOf(flown ?? [], timeS)
  const moved = shift ?? { along: 0, across: 0 }
  const by = `translate(${moved.along * scale.perFt} ${moved.across * scale.perFt})`

  return (
    <figure ref={ref} className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">{t`From above, true scale`}</span>
        {plan.reaches.length > 1 && (
          <Choice
            label={t`Reach that is drawn`}
            className="no-print flex flex-wrap"
            words={Object.fromEntries(plan.reaches.map(({ option: id }) => [id, REACH_WORDS[id] ?? id]))}
            value={reach?.option}
            onPick={setChosen}
            item="min-h-11 cursor-pointer border-b-2 border-transparent bg-transparent px-2 text-sm text-soft data-[state=on]:border-ink data-[state=on]:font-semibold data-[state=on]:text-ink"
          />
        )}
      </figcaption>
      <Picture
        width={width}
        height={height}
        role={onShift || onSpot ? 'group' : 'img'}
        label={t`Ground view in true scale, final course ${figure(plan.course_deg, 'ft')} degrees to the right, spot ${spotName}. Entry ${figure(plan.numbers.entry_distance_ft?.value, 'ft')} ft before the spot.`}
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
        {reach && (
          <path
            transform={by}
            d={`${line(reach.points.map((p) => [scale.x(p.along_ft), y(p.across_ft)]))}Z`}
            fill="var(--band)"
            fillOpacity={0.55}
            stroke="var(--band-deep)"
            strokeWidth={1.8}
            strokeDasharray="1 4"
            strokeLinecap="round"
          />
        )}
        <GroundShapes shapes={ground} x={scale.x} y={y} perFt={scale.perFt} spotName={spotName} />
        <g transform={by}>
          <WatchedStretches plan={plan} ids={['tail_rotor']} at={at} />
        </g>
        <PathLine kind="planned" points={plan.path} at={at} transform={by} />
        <PathLine kind="flown" points={flown} at={at} />
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
          </g>
        )}
        <GroundLabels
          plan={plan}
          flown={flown}
          ground={ground}
          spotName={spotName}
          fromFt={view.fromFt}
          toFt={view.toFt}
          leftFt={sides[0]}
          rightFt={sides[1]}
          width={width}
          alongFt={moved.along}
          acrossFt={moved.across}
          reach={reach}
          chance={option && chanceOf?.(option)}
          sunny={sun !== undefined}
        />
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
        <SpotMark x={scale.x(0)} y={y(0)} />
        {onSpot && <SpotHandle x={scale.x(0)} y={y(0)} perFt={scale.perFt} onMove={onSpot} />}
        <ScaleBar scale={scale} width={width} y={height - 16} />
        <WindOverGround plan={plan} />
        <NorthMark course={plan.course_deg} x={width - 34} y={height - 34} />
        {sun && <SunMark sun={sun} course={plan.course_deg} x={width - 34} y={40} />}
      </Picture>
      <AsTable
        of={t`From above`}
        heads={[t`From the spot, ft`, t`Right of the course, ft`, t`What stands there`]}
        rows={() =>
          plan.marks
            .filter(({ picture }) => picture !== 'side')
            .map((mark) => [figure(mark.along_ft, 'ft'), figure(mark.across_ft, 'ft'), mark.lines.join('; ')])
        }
      />
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
      aria-label={t`Entry point: arrow keys move it by fifty feet`}
      aria-valuemin={-3000}
      aria-valuemax={3000}
      aria-valuenow={Math.round(shift.along)}
      aria-valuetext={t`${Math.round(shift.along)} ft along, ${Math.round(shift.across)} ft across from the plan`}
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
    </g>
  )
}
