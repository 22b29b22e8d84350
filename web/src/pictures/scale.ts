import type { PathPoint, Plan } from '../api/client'

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

export const line = (points: [number, number][]) =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')

/** Round steps for a scale: about `count` of them over `span`. */
export function roundStep(span: number, count: number): number {
  const rough = span / count
  const power = 10 ** Math.floor(Math.log10(rough))
  return (([1, 2, 5, 10].find((step) => step * power >= rough) ?? 10) * power) as number
}

export function ticks(from: number, to: number, count: number): number[] {
  const step = roundStep(to - from, count)
  const first = Math.ceil(from / step) * step
  return Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, index) => first + index * step)
}

/** The point of a flown path at a moment. */
export const momentOf = (points: PathPoint[], timeS: number): PathPoint | undefined =>
  points.reduce<PathPoint | undefined>(
    (best, point) => (!best || Math.abs(point.t_s - timeS) < Math.abs(best.t_s - timeS) ? point : best),
    undefined,
  )

export function nearest(points: PathPoint[], alongFt: number): PathPoint | undefined {
  let found: PathPoint | undefined
  for (const point of points) {
    if (!found || Math.abs(point.along_ft - alongFt) < Math.abs(found.along_ft - alongFt)) found = point
  }
  return found
}
