import { decimal } from '#language/numbers'
import { least } from 'd3-array'
import { area, line } from 'd3-shape'
import type { Schemas } from '../api/client'
import { LETTER } from './placing'

const BOLD = 1.1

/** Nobody flies under the ground, and no lever goes below its stop: what a sensor reads there is its noise. */
const FROM_NOUGHT = ['agl_ft', 'collective_pct', 'throttle_pct']

export type Strip = Schemas['Strips']['strips'][number]

/** The band of the phase at the moment, otherwise the longest one. */
export function bandNow(strip: Strip, timeS: number | undefined) {
  const bands = (strip.bands ?? []).filter((band) => band.in_band_pct !== null && band.in_band_pct !== undefined)
  const here = bands.find((band) => timeS !== undefined && timeS >= band.from_s && timeS <= band.to_s)
  return here ?? bands.sort((a, b) => b.to_s - b.from_s - (a.to_s - a.from_s))[0]
}

/** Whether a phase's name has room between its line and the next one's. */
export const named = (phase: string, widthPx: number) => widthPx > phase.length * LETTER * BOLD + 8

/** Least and greatest of the channel and its bands: what its ends are called. */
export function ends(strip: Strip): [number, number] | undefined {
  const values = strip.points
    .flatMap(([, low, high]) => [low, high])
    .filter((v): v is number => v !== null && v !== undefined)
  const bands = (strip.bands ?? [])
    .flatMap((band) => [band.low, band.high])
    .filter((v): v is number => v !== null && v !== undefined)
  const all = [...values, ...(values.length > 0 ? bands : [])]
  if (all.length === 0) return undefined
  const floor = FROM_NOUGHT.includes(strip.channel) ? 0 : -Infinity
  return [Math.max(floor, Math.min(...all)), Math.max(floor, ...all)]
}

/** The same with a little room. */
export function extent(strip: Strip): [number, number] {
  const found = ends(strip)
  if (!found) return [0, 1]
  const [low, high] = found
  const room = (high - low || 1) * 0.06
  return [low - room, high + room]
}

type Point = Strip['points'][number]
type Scale = (value: number) => number

const recorded = ([t, low, high]: Point) => t != null && low != null && high != null
const timeOf = ([t]: Point) => t ?? 0
const lowOf = ([, low]: Point) => low ?? 0
const highOf = ([, , high]: Point) => high ?? 0

/** A line as thick as each bin is tall, from its least to its greatest value. Gaps stay gaps. */
export const ribbon = (strip: Strip, x: Scale, y: Scale): string =>
  area<Point>()
    .defined(recorded)
    .x((point) => x(timeOf(point)))
    .y0((point) => y(lowOf(point)))
    .y1((point) => y(highOf(point)))
    .digits(1)(strip.points) ?? ''

/** The middle of each bin as one line; gaps stay gaps. */
export const midline = (strip: Strip, x: Scale, y: Scale): string =>
  line<Point>()
    .defined(recorded)
    .x((point) => x(timeOf(point)))
    .y((point) => y((lowOf(point) + highOf(point)) / 2))
    .digits(1)(strip.points) ?? ''

/** The middle of the bin nearest to a moment. */
export function valueAt(strip: Strip, time: number): number | undefined {
  const bin = least(strip.points, (point) => Math.abs(timeOf(point) - time))
  return bin && recorded(bin) ? (lowOf(bin) + highOf(bin)) / 2 : undefined
}

/** A reading as text; a heading runs on past north without a jump, and is read as one. */
export const reading = (strip: Strip, value: number) =>
  decimal(strip.channel === 'hdg_deg' ? ((value % 360) + 360) % 360 : value, strip.digits)
