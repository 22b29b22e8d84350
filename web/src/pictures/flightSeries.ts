import * as d3 from 'd3-array'
import type { Schemas } from '../api/client'
import { LETTER } from './placing'
import { ticksWithRoom } from './scale'

/** A recording's strips as numbers, ready to be drawn at any zoom. */
export interface Series {
  times: Float32Array
  strips: { label: string; unit: string; digits: number; values: Float32Array | undefined; low: number; high: number }[]
  attempts: Schemas['WholeFlight']['attempts']
}

export interface Span {
  from: number
  to: number
}

/** Minutes and seconds of a recording. */
export const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`

/** Whole seconds along a span, as many as have room for their clock, which ends with the strips. */
export const clockMarks = (span: Span, width: number) =>
  ticksWithRoom(span.from, span.to, 8, width, clock).filter(
    (at) =>
      Number.isInteger(at) &&
      ((at - span.from) / (span.to - span.from)) * width + (clock(at).length * LETTER) / 2 <= width,
  )

/** Closest zoom, seconds on the screen. */
const CLOSEST_S = 4

function floats(text: string): Float32Array {
  const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0))
  return new Float32Array(bytes.buffer)
}

export function seriesOf(flight: Schemas['WholeFlight']): Series {
  return {
    times: floats(flight.times),
    strips: flight.strips.map(({ label, unit, digits, values }) => {
      const numbers = values == null ? undefined : floats(values)
      const { low, high } = numbers ? extent(numbers) : { low: 0, high: 1 }
      return { label, unit, digits, values: numbers, low, high }
    }),
    attempts: flight.attempts,
  }
}

/** Least and greatest; a channel that never moved gets some room. */
function extent(values: Float32Array) {
  const [low, high] = d3.extent(values)
  if (low === undefined || high === undefined) return { low: Infinity, high: -Infinity }
  return low < high ? { low, high } : { low: low - 1, high: high + 1 }
}

export const whole = ({ times }: Series): Span => ({ from: times[0] ?? 0, to: times.at(-1) ?? 1 })

/** A span moved and scaled about a moment, kept inside the flight. */
export function moved(span: Span, all: Span, byS: number, zoom = 1, about = (span.from + span.to) / 2): Span {
  const length = Math.min(Math.max((span.to - span.from) * zoom, CLOSEST_S), all.to - all.from)
  const from = about - ((about - span.from) / (span.to - span.from)) * length + byS
  const kept = Math.min(Math.max(from, all.from), all.to - length)
  return { from: kept, to: kept + length }
}

/** First sample at or after a moment. */
export const indexAt = (times: Float32Array, at: number) => d3.bisectLeft(times, at)

/** Smallest and largest of every bin between two moments: nothing that stands out is lost. NaN where nothing was recorded. */
export function bins(series: Series, values: Float32Array, span: Span, count: number): Float32Array {
  const found = new Float32Array(count * 2).fill(NaN)
  const { times } = series
  const width = (span.to - span.from) / count
  let index = indexAt(times, span.from)
  for (let bin = 0; bin < count; bin++) {
    const until = span.from + width * (bin + 1)
    let low = Infinity
    let high = -Infinity
    for (; index < times.length && (times[index] ?? 0) < until; index++) {
      const value = values[index] ?? NaN
      if (value < low) low = value
      if (value > high) high = value
    }
    if (low <= high) {
      found[bin * 2] = low
      found[bin * 2 + 1] = high
    }
  }
  return found
}

/** The samples between two moments and one beside each, as [column, value]; undefined where they are more than the columns. */
export function samples(series: Series, values: Float32Array, span: Span, columns: number): Float32Array | undefined {
  const { times } = series
  const first = Math.max(0, indexAt(times, span.from) - 1)
  const last = Math.min(times.length - 1, indexAt(times, span.to))
  if (last - first >= columns) return undefined
  const perColumn = (span.to - span.from) / columns
  const found = new Float32Array((last - first + 1) * 2)
  for (let i = first; i <= last; i++) {
    found[(i - first) * 2] = ((times[i] ?? 0) - span.from) / perColumn
    found[(i - first) * 2 + 1] = values[i] ?? NaN
  }
  return found
}
