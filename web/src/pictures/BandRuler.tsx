import type { Measure } from '../api/client'

/** Where a value lies in its band: the band solid, a margin hatched on either side, the value as a tick. */
export function BandRuler({ measure }: { measure: Pick<Measure, 'value' | 'low' | 'high'> }) {
  const { value, low, high } = measure
  if (value === null || value === undefined || (low == null && high == null)) return null
  const width = high != null && low != null ? high - low : Math.abs(high ?? low ?? 1) * 0.5 || 1
  const from = (low ?? (high ?? 0) - width) - width * 0.75
  const to = (high ?? (low ?? 0) + width) + width * 0.75
  const x = (v: number) => 4 + Math.min(1, Math.max(0, (v - from) / (to - from))) * 92
  const left = low == null ? 4 : x(low)
  const right = high == null ? 96 : x(high)
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
      <path d={`M${x(value)} 1v14`} stroke="var(--ink)" strokeWidth="2.600" />
    </svg>
  )
}
