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

/** The stretch of ground that holds the planned path and every flown one. */
export function windowOf(plan: Plan, flown: PathPoint[][] = []): Window {
  const all = [...plan.path, ...flown.flat()].map((point) => point.along_ft)
  const from = Math.max(Math.min(...all), (plan.path[0]?.along_ft ?? -5000) - 1500)
  const to = Math.min(Math.max(...all, 0), 2500)
  return { fromFt: from - 100, toFt: to + 500 }
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

export function nearest(points: PathPoint[], alongFt: number): PathPoint | undefined {
  let found: PathPoint | undefined
  for (const point of points) {
    if (!found || Math.abs(point.along_ft - alongFt) < Math.abs(found.along_ft - alongFt)) found = point
  }
  return found
}
