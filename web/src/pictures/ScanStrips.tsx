import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { scaleLinear } from 'd3-scale'
import { useMemo, type KeyboardEvent, type PointerEvent } from 'react'
import type { Attempt, Schemas } from '../api/client'
import { AsTable } from '../design/AsTable'
import { capital } from '../design/words'
import { Picture } from './Picture'
import { type Strip, bandNow, named, reading, valueAt } from './stripLines'
import { HEIGHT, LEFT, RIGHT, StripShape, type Props as ShapeProps, type Span } from './StripShape'
import { useWidth } from './useWidth'

interface Props {
  strips: Schemas['Strips']
  attempt: Attempt
  timeS: number | undefined
  onTime: (timeS: number) => void
  fault?: { from_s: number; to_s: number; title: string }
  /** Another attempt's strips, dotted, moved by so many seconds. */
  over?: { strips: Schemas['Strips']; shiftS: number } | undefined
}

const HEAD = 20

/** Aligned time strips: each channel with the phase's target band behind it, phase boundaries through all of them. */
export function ScanStrips({ strips, attempt, timeS, onTime, fault, over }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const { from_s: from, to_s: to } = strips
  const span = useMemo(() => ({ from, to }), [from, to])
  const x = useMemo(() => scaleLinear([from, to], [LEFT, width - RIGHT]), [from, to, width])
  const height = HEAD + strips.strips.length * HEIGHT + 16

  const onPointer = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    onTime(Math.min(span.to, Math.max(span.from, x.invert(event.clientX - box.left))))
  }
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -0.2, ArrowRight: 0.2, PageUp: -5, PageDown: 5 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    onTime(Math.min(span.to, Math.max(span.from, (timeS ?? attempt.start_s) + step)))
  }

  return (
    <div ref={ref}>
      <Picture
        width={width}
        height={height}
        label={t`Scan strips: rotor rpm, airspeed, sink and more over time, with the band of each phase. Arrow keys move the moment.`}
        role="slider"
        aria-valuemin={Number((span.from - attempt.start_s).toFixed(1))}
        aria-valuemax={Number((span.to - attempt.start_s).toFixed(1))}
        aria-valuenow={Number(((timeS ?? attempt.start_s) - attempt.start_s).toFixed(1))}
        aria-valuetext={said(strips.strips, attempt, timeS ?? attempt.start_s)}
        onPointerMove={onPointer}
        onKeyDown={onKey}
      >
        {fault && (
          <g>
            <rect
              x={x(fault.from_s)}
              y={HEAD - 4}
              width={Math.max(3, x(fault.to_s) - x(fault.from_s))}
              height={height - HEAD - 12}
              fill="var(--wash)"
            />
            <path d={`M${x(fault.from_s)} ${HEAD - 5}H${x(fault.to_s)}`} stroke="var(--ink)" strokeWidth={3} />
          </g>
        )}
        {strips.strips.map((strip, index) => (
          <StripRow
            key={strip.channel}
            strip={strip}
            top={HEAD + index * HEIGHT}
            width={width}
            x={x}
            timeS={timeS}
            bridged={strips.bridged}
            span={span}
            over={over?.strips.strips[index]}
            shiftS={over?.shiftS ?? 0}
          />
        ))}
        <Phases attempt={attempt} x={x} height={height} span={span} />
        {(attempt.taps ?? []).length > 0 && <title>{t`Taps from the cockpit are listed beside the phases`}</title>}
        {timeS !== undefined && timeS >= span.from && timeS <= span.to && (
          <g>
            <line x1={x(timeS)} x2={x(timeS)} y1={HEAD} y2={height - 14} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={x(timeS)} y={height - 2} textAnchor="middle" fill="var(--ink)">
              {decimal(timeS - attempt.start_s, 1)} s
            </text>
          </g>
        )}
      </Picture>
      <AsTable
        of={t`Scan strips`}
        heads={[
          t`Second`,
          t`Phase`,
          ...strips.strips.map((strip) => [strip.label, strip.unit].filter(Boolean).join(', ')),
        ]}
        rows={() => inRows(strips.strips, attempt)}
      />
    </div>
  )
}

/** What each channel read as a phase began, in the middle of it, and at the end. */
const inRows = (strips: Strip[], attempt: Attempt) => {
  const { phases, end_s: end } = attempt
  const moments = phases.flatMap(({ id, start_s: from, end_s: to }) => [
    { at: from, word: t`${capital(id)} begins` },
    { at: (from + to) / 2, word: t`${capital(id)}, middle` },
  ])
  return [...moments, { at: end, word: t`Ends` }].map(({ at, word }) => [
    decimal(at - attempt.start_s, 1),
    word,
    ...strips.map((strip) => {
      const value = valueAt(strip, at)
      return value === undefined ? '—' : reading(strip, value)
    }),
  ])
}

/** The moment in words: its second, its phase, what each channel reads. */
function said(strips: Strip[], attempt: Attempt, timeS: number) {
  const phase = attempt.phases.find((one) => timeS >= one.start_s && timeS < one.end_s)
  const read = strips.flatMap((strip) => {
    const value = valueAt(strip, timeS)
    return value === undefined ? [] : [`${strip.label} ${reading(strip, value)} ${strip.unit}`]
  })
  return [t`${decimal(timeS - attempt.start_s, 1)} seconds`, ...(phase ? [phase.id] : []), ...read].join(', ')
}

function Phases({
  attempt,
  x,
  height,
  span,
}: {
  attempt: Attempt
  x: (t: number) => number
  height: number
  span: Span
}) {
  return (
    <g fill="var(--ink)">
      {attempt.phases.map((phase) => {
        if (phase.end_s <= span.from || phase.start_s >= span.to) return null
        return (
          <g key={phase.id}>
            <line
              x1={x(phase.start_s)}
              x2={x(phase.start_s)}
              y1={2}
              y2={height - 14}
              stroke="var(--ink-soft)"
              strokeWidth={1}
              strokeDasharray={phase.estimated ? '3 3' : undefined}
            />
            <text x={x(phase.start_s) + 4} y={12} fontWeight={600}>
              {named(phase.id, x(phase.end_s) - x(phase.start_s)) ? capital(phase.id) : ''}
            </text>
          </g>
        )
      })}
      <line
        x1={x(attempt.end_s)}
        x2={x(attempt.end_s)}
        y1={2}
        y2={height - 14}
        stroke="var(--ink-soft)"
        strokeWidth={1}
      />
    </g>
  )
}

interface RowProps extends ShapeProps {
  timeS: number | undefined
}

/** What the channel says now, over its shapes, which are drawn once. */
function StripRow({ timeS, ...shape }: RowProps) {
  const { strip, top, width } = shape
  const now = timeS === undefined ? undefined : valueAt(strip, timeS)
  const band = bandNow(strip, timeS)

  return (
    <g>
      <text x={0} y={top + 17} fontWeight={600} fill="var(--ink)">
        {strip.label}
      </text>
      <text
        x={0}
        y={top + 34}
        className={now === undefined ? '' : 'reading'}
        fill={now === undefined ? 'var(--ink-soft)' : 'var(--ink)'}
        fontWeight={now === undefined ? 400 : 600}
      >
        {now === undefined ? strip.unit : reading(strip, now)}
        {now !== undefined && (
          <tspan fontWeight={400} fill="var(--ink-soft)">
            {' '}
            {strip.unit}
          </tspan>
        )}
      </text>
      <StripShape {...shape} />
      {band && strip.points.length > 0 && (
        <text x={width} y={top + 27} fontWeight={600} textAnchor="end" fill="var(--ink)">
          {band.in_band_pct}
          <tspan fontWeight={400} fill="var(--ink-soft)">
            {t`% in`}
          </tspan>
        </text>
      )}
    </g>
  )
}
