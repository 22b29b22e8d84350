import { locale } from '#language/i18n'
import { least, ticks, tickStep } from 'd3-array'
import { line as pathOf } from 'd3-shape'
import type { PathPoint, Plan } from '../api/client'
import { LETTER } from './placing'

/** Half a letter's width at the pictures' type size, pixels. */
export const HALF_LETTER = 3.1

/** A window onto the ground in feet, drawn with one scale for both axes. */
export interface Window {
  fromFt: number
  toFt: number
}

export interface TrueScale {
  x: (alongFt: number) => number
  perFt: number
}

export const trueScale = (window: Window, width: number): TrueScale => {
  const perFt = width / (window.toFt - window.fromFt)
  return { x: (along) => (along - window.fromFt) * perFt, perFt }
}

/** How far beyond the plan a flown path may widen the picture, feet. */
const FLOWN_BEYOND_FT = 1500

/** The stretch of ground that holds the planned path and what was flown near it. */
export function windowOf(plan: Plan, flown: PathPoint[][] = []): Window {
  const planned = [0, ...plan.path.map((point) => point.along_ft)]
  const [low, high] = [Math.min(...planned), Math.max(...planned)]
  const near = flown
    .flat()
    .map((point) => point.along_ft)
    .filter((along) => along > low - FLOWN_BEYOND_FT && along < high + FLOWN_BEYOND_FT)
  const [from, to] = [Math.min(low, ...near), Math.max(high, ...near)]
  const margin = Math.max(60, (to - from) * 0.06)
  return { fromFt: from - margin, toFt: to + margin }
}

/** The stretch across the course that holds the plan and what was flown, feet, right of it positive. */
export function sidesOf(plan: Plan, flown: PathPoint[] = [], atLeastFt = 0): [number, number] {
  const { fromFt, toFt } = windowOf(plan)
  const room = Math.max((toFt - fromFt) * 0.14, atLeastFt)
  const sides = [...plan.path, ...flown].map((point) => point.across_ft)
  return [Math.min(-room, Math.min(...sides) - room * 0.6), Math.max(room, Math.max(...sides) + room * 0.6)]
}

/** A window widened, if need be, so that what lies across it stays on one screen. */
export function lowEnough(window: Window, sides: [number, number], tallest = 0.72): Window {
  const missing = (sides[1] - sides[0]) / tallest - (window.toFt - window.fromFt)
  if (missing <= 0) return window
  return { fromFt: window.fromFt - missing / 2, toFt: window.toFt + missing / 2 }
}

/** Round numbers along a scale, as many of at most `most` as have room for their words. */
export function ticksWithRoom(
  low: number,
  high: number,
  most: number,
  width: number,
  word: (value: number) => string = (value) => value.toLocaleString(locale),
): number[] {
  for (let count = most; count > 1; count -= 1) {
    const found = ticks(low, high, count)
    const room = (Math.abs((found[1] ?? high) - (found[0] ?? low)) / (high - low)) * width
    const letters = Math.max(...found.map((value) => word(value).length), 1)
    if (room > (letters + 2) * LETTER) return found
  }
  return ticks(low, high, 1)
}

const draw = pathOf().digits(1)

/** Points as a path, to a tenth of a pixel. */
export const line = (points: [number, number][]) => draw(points) ?? ''

/** Round steps for a scale: about `count` of them over `span`. */
export const roundStep = (span: number, count: number) => tickStep(0, span, count)

/** The point of a flown path at a moment. */
export const momentOf = (points: PathPoint[], timeS: number): PathPoint | undefined =>
  least(points, (point) => Math.abs(point.t_s - timeS))

/** The point of a path nearest to a distance from the spot. */
export const nearest = (points: PathPoint[], alongFt: number): PathPoint | undefined =>
  least(points, (point) => Math.abs(point.along_ft - alongFt))

export { ticks }
