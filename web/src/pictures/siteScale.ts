import type { Schemas } from '../api/client'
import { line } from './scale'

export type Drawing = Schemas['SitePicture']
export type Obstacle = Drawing['obstacles'][number]
export type Point = number[]

export type Scaled = { x: (east: number) => number; y: (north: number) => number }

const TALLEST = 0.78

/** What stands near enough to be shown with the ground, metres. */
const CLOSE_M = 170
const closeBy = ({ rings }: Obstacle) => rings.flat().filter(([n = 0, e = 0]) => Math.hypot(n, e) <= CLOSE_M)

export function scaleOf(picture: Drawing, near: boolean, width: number) {
  const points: Point[] = [
    ...picture.ground.flat(),
    ...(near
      ? [...picture.spots.map(({ at }) => at), ...picture.obstacles.filter(({ stands }) => stands).flatMap(closeBy)]
      : [...picture.approaches, ...picture.departures].flatMap((one) => one.points)),
  ]
  const margin = near ? 30 : 40
  const norths = points.map(([n = 0]) => n)
  const easts = points.map(([, e = 0]) => e)
  const low = { n: Math.min(...norths) - margin, e: Math.min(...easts) - margin }
  const high = { n: Math.max(...norths) + margin, e: Math.max(...easts) + margin }
  const perM = Math.min(width / (high.e - low.e), (width * TALLEST) / (high.n - low.n))
  const height = Math.max(260, Math.min(width * TALLEST, (high.n - low.n) * perM))
  const middle = { n: (low.n + high.n) / 2, e: (low.e + high.e) / 2 }
  return {
    perM,
    height,
    x: (east: number) => width / 2 + (east - middle.e) * perM,
    y: (north: number) => height / 2 - (north - middle.n) * perM,
    east: (px: number) => middle.e + (px - width / 2) / perM,
    north: (py: number) => middle.n - (py - height / 2) / perM,
  }
}

export const area = (rings: number[][][], x: Scaled['x'], y: Scaled['y']) =>
  rings.map((ring) => `${line(ring.map(([n = 0, e = 0]) => [x(e), y(n)]))}Z`).join('')

export const middle = (ring: Point[]): Point => [
  ring.reduce((sum, [n = 0]) => sum + n, 0) / Math.max(1, ring.length),
  ring.reduce((sum, [, e = 0]) => sum + e, 0) / Math.max(1, ring.length),
]

/** As wide as a finger where there is room, never so wide that it covers the middle of the next. */
const FINGER_PX = 22
const NEAR_PX = 12

/** The radius that each can be taken by, pixels: half the way to the nearest other. */
export const roomOf = (places: readonly (readonly [number, number])[]): number[] =>
  places.map(([x, y], index) => {
    const others = places.filter((_, other) => other !== index).map(([ox, oy]) => Math.hypot(ox - x, oy - y))
    return Math.max(NEAR_PX, Math.min(FINGER_PX, ...others.map((far) => far / 2)))
  })
