import type { Measure } from '../api/client'

type Held = Pick<Measure, 'value' | 'low' | 'high' | 'band_low' | 'band_high'>

/** Where a value lies in its band: the band solid, a margin on either side, the value as a tick, its range as a bar. */
export function BandRuler({ measure }: { measure: Held }) {
  const { value, low, high, band_low: bottom, band_high: top } = measure
  if (value === null || value === undefined || (bottom == null && top == null)) return null
  const width = top != null && bottom != null ? top - bottom : Math.abs(top ?? bottom ?? 1) * 0.5 || 1
  const from = (bottom ?? (top ?? 0) - width) - width * 0.75
  const to = (top ?? (bottom ?? 0) + width) + width * 0.75
  const x = (v: number) => 4 + Math.min(1, Math.max(0, (v - from) / (to - from))) * 92
  const left = bottom == null ? 4 : x(bottom)
  const right = top == null ? 96 : x(top)
  return (
    <svg width="100" height="16" viewBox="0 0 100 16" aria-hidden="true">
      <line x1="4" x2="96" y1="8" y2="8" stroke="var(--ink-faint)" strokeDasharray="1.500 2.500" />
      <rect
        x={left}
        y="4.500"
        width={Math.max(1, right - left)}
        height="7"
        fill="var(--band)"
        stroke="var(--band-deep)"
        strokeWidth="0.800"
      />
      {low != null && high != null && <path d={`M${x(low)} 8H${x(high)}`} stroke="var(--ink)" strokeWidth="1.600" />}
      <path d={`M${x(value)} 1v14`} stroke="var(--ink)" strokeWidth="2.600" />
    </svg>
  )
}
