import { scaleLinear } from 'd3-scale'
import { memo, useId } from 'react'
import { ends, extent, midline, reading, ribbon, type Strip } from './stripLines'

export type Span = { from: number; to: number }

export interface Props {
  strip: Strip
  top: number
  width: number
  x: (time: number) => number
  bridged: number[][]
  span: Span
  over: Strip | undefined
  shiftS: number
}

/** Room for a strip, and beside it for what it is called and for its ends, pixels. */
export const HEIGHT = 46
export const LEFT = 104
export const RIGHT = 92

/** The channel's band by phase, its line, what was bridged, its ends. */
export const StripShape = memo(function StripShape({ strip, top, width, x, bridged, span, over, shiftS }: Props) {
  const clip = useId()
  const inner = HEIGHT - 8
  const [low, high] = extent(strip)
  const [least, greatest] = ends(strip) ?? []
  const y = scaleLinear([low, high], [top + 4 + inner, top + 4])
  return (
    <>
      <clipPath id={clip}>
        <rect x={LEFT} y={top + 2} width={width - LEFT - RIGHT} height={HEIGHT - 4} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {(strip.bands ?? []).map((band) => {
          const upper = y(band.high ?? high)
          const lower = y(band.low ?? low)
          const [from, to] = [x(Math.max(band.from_s, span.from)), x(Math.min(band.to_s, span.to))]
          if (band.line)
            return (
              <path
                key={band.phase}
                d={[band.low, band.high].map((limit) => (limit == null ? '' : `M${from} ${y(limit)}H${to}`)).join('')}
                stroke="var(--limit)"
                strokeWidth={1.6}
                strokeDasharray="6 3"
                fill="none"
              />
            )
          return (
            <rect
              key={band.phase}
              x={from}
              y={upper}
              width={Math.max(0, to - from)}
              height={Math.max(1, lower - upper)}
              fill="var(--band)"
            />
          )
        })}
        {strip.points.length > 0 ? (
          <path
            d={ribbon(strip, x, y)}
            fill="var(--ink)"
            stroke="var(--ink)"
            strokeWidth={1.3}
            strokeLinejoin="round"
          />
        ) : (
          <line
            x1={LEFT}
            x2={width - RIGHT}
            y1={top + HEIGHT / 2}
            y2={top + HEIGHT / 2}
            stroke="var(--ink-faint)"
            strokeDasharray="5 5"
          />
        )}
        {over && (
          <path
            d={midline(over, (t) => x(t + shiftS), y)}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={2}
            strokeDasharray="2 3"
          />
        )}
        {bridged.map(([from, to]) => (
          <path
            key={from}
            d={`M${x(from ?? 0)} ${top + HEIGHT - 3}H${x(to ?? 0)}`}
            stroke="var(--ink)"
            strokeWidth={2.5}
            strokeDasharray="2 3"
          />
        ))}
      </g>
      {strip.reason && strip.points.length === 0 && (
        <text x={LEFT + 8} y={top + HEIGHT / 2 - 5} fill="var(--ink-soft)">
          {strip.reason}
        </text>
      )}
      <line x1={0} x2={width} y1={top + HEIGHT} y2={top + HEIGHT} stroke="var(--rule)" strokeWidth={0.8} />
      <text x={width - RIGHT + 6} y={top + 12} fill="var(--ink-soft)">
        {greatest === undefined ? '' : reading(strip, greatest)}
      </text>
      <text x={width - RIGHT + 6} y={top + HEIGHT - 4} fill="var(--ink-soft)">
        {least === undefined ? '' : reading(strip, least)}
      </text>
    </>
  )
})
