import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { PathPoint, Plan } from '../api/client'
import { AsTable } from '../design/AsTable'
import { capital, figure } from '../design/words'
import { decimal } from '#language/numbers'
import { Picture } from './Picture'
import { BELOW, SideShapes } from './SideShapes'
import { nearest, trueScale, windowOf, type Window } from './scale'
import { thinned } from './thinned'
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
  /** Which gate to draw; all of them unless named. */
  door?: string
  /** Also says along the path how high and how fast. */
  said?: boolean
  /** Moment in the recording that other pictures point at. */
  timeS?: number
  onTime?: (timeS: number) => void
}

const WIND_ROOM = 46

/** The side view in true scale: ground, wind, gates as doorways, the plan with its uncertainty, the flown path over it. */
export function DescentSection({ plan, flown, over, window: given, topFt, title, door, said, timeS, onTime }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
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
        label={t`${title}: side view in true scale. Entry at ${figure(plan.numbers.entry_height_ft?.value, 'ft')} ft, gate at ${figure(plan.numbers.gate_height_ft?.value, 'ft')} ft, flare at ${figure(plan.numbers.flare_height_ft?.value, 'ft')} ft. Arrow keys read the path.`}
        onPointerMove={onPointer}
        onPointerLeave={() => setCursor(undefined)}
        onKeyDown={onKey}
        role="slider"
        aria-orientation="horizontal"
        aria-valuemin={Math.round(view.fromFt)}
        aria-valuemax={Math.round(view.toFt)}
        aria-valuenow={Math.round(point?.along_ft ?? cursor ?? view.fromFt)}
        aria-valuetext={point ? pointWords(point) : t`nothing read yet`}
      >
        <SideShapes
          plan={plan}
          flown={flown}
          over={over}
          fromFt={view.fromFt}
          toFt={view.toFt}
          width={width}
          top={top}
          height={height}
          door={door}
          said={said}
        />
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
      <AsTable
        of={title}
        heads={[
          t`Second`,
          t`Phase`,
          t`From the spot, ft`,
          t`Height, ft`,
          t`Airspeed, kt`,
          t`Sink, ft/min`,
          t`Rotor, %`,
        ]}
        rows={() =>
          thinned(read).map((one) => [
            decimal(one.t_s, 0),
            capital(one.phase),
            figure(one.along_ft, 'ft'),
            figure(one.height_ft, 'ft'),
            figure(one.ias_kt, 'kt'),
            figure(one.sink_fpm, 'fpm'),
            figure(one.rotor_rpm_pct, 'pct'),
          ])
        }
      />
    </figure>
  )
}

const pointWords = (point: PathPoint) =>
  t`${figure(Math.abs(point.along_ft), 'ft')} ft ${point.along_ft < 0 ? t`before` : t`beyond`} the spot, ${figure(point.height_ft, 'ft')} ft high, ${figure(point.ias_kt, 'kt')} kt, sink ${figure(point.sink_fpm, 'fpm')} ft/min, rotor ${figure(point.rotor_rpm_pct, 'pct')} %`

function Readout({ point, flown }: { point: PathPoint | undefined; flown: boolean }) {
  if (!point)
    return <span className="label no-print">{t`Point at the path, or use the arrow keys, to read it off`}</span>
  return (
    <span className="label" aria-live="polite">
      <Trans>
        {flown ? t`flown` : t`planned`} · {figure(Math.abs(point.along_ft), 'ft')} ft{' '}
        {point.along_ft < 0 ? t`before` : t`beyond`} the spot ·{' '}
        <b className="text-ink">{figure(point.height_ft, 'ft')} ft</b> · {figure(point.ias_kt, 'kt')} kt · sink{' '}
        {figure(point.sink_fpm, 'fpm')} ft/min · rotor {figure(point.rotor_rpm_pct, 'pct')} %
      </Trans>
    </span>
  )
}
