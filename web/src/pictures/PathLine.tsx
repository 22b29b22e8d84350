import type { PathPoint } from '../api/client'
import { line } from './scale'

/** How a path is drawn, by whose it is: the plan dashed, what was flown solid, another attempt dotted over it. */
const DRAWN = {
  planned: { stroke: 'var(--ink)', strokeWidth: 'var(--stroke)', strokeDasharray: '7 5' },
  flown: { stroke: 'var(--ink)', strokeWidth: 2.4, strokeLinejoin: 'round' },
  other: { stroke: 'var(--band-deep)', strokeWidth: 2, strokeDasharray: '2 3' },
} as const

interface Props {
  kind: keyof typeof DRAWN
  points: PathPoint[] | undefined
  at: (point: PathPoint) => [number, number]
  transform?: string
}

/** A planned or flown path in a picture. */
export const PathLine = ({ kind, points, at, transform }: Props) =>
  points && <path {...DRAWN[kind]} d={line(points.map(at))} fill="none" transform={transform} />
