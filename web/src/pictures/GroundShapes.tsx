import type { Schemas } from '../api/client'
import type { Label } from './placing'
import { line } from './scale'

type Shape = Schemas['GroundShape']

interface Props {
  shapes: Shape[]
  x: (alongFt: number) => number
  y: (acrossFt: number) => number
  perFt: number
  /** Drawn already, as the spot. */
  spotName: string
}

/** Narrower than this a line that has a width is not seen, pixels. */
const THINNEST = 2
/** A runway without a width is drawn so wide, feet. */
const USUAL_WIDTH_FT = 60
const PAVED = ['runway', 'strip']

/** What the school has drawn on the ground, true to scale: runways, pads, areas, lines, obstacles with their height. */
export function GroundShapes({ shapes, x, y, perFt, spotName }: Props) {
  return (
    <g aria-hidden="true">
      {seen(shapes, spotName).map((shape) => (
        <Drawn key={shape.name} shape={shape} x={x} y={y} perFt={perFt} />
      ))}
    </g>
  )
}

const seen = (shapes: Shape[], spotName: string) =>
  shapes.filter((shape) => shape.name !== spotName || shape.drawn !== 'point')

/** What each is called, at its middle. */
export const shapeLabels = ({ shapes, x, y, spotName }: Omit<Props, 'perFt'>): Label[] =>
  seen(shapes, spotName).map((shape) => ({
    key: shape.name,
    ...middleOf(shape, x, y),
    lines: [words(shape)],
    weight: 0,
  }))

const words = ({ name, height_ft: feet }: Shape) => (feet ? `${name}, ${Math.round(feet)} ft` : name)

function middleOf({ points }: Shape, x: Props['x'], y: Props['y']) {
  const mean = (of: (point: Shape['points'][number]) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / Math.max(1, points.length)
  return { x: x(mean((p) => p.along_ft)), y: y(mean((p) => p.across_ft)) }
}

function Drawn({ shape, x, y, perFt }: { shape: Shape } & Pick<Props, 'x' | 'y' | 'perFt'>) {
  const points = shape.points.map((point): [number, number] => [x(point.along_ft), y(point.across_ft)])
  const [at] = points
  if (!at) return null
  if (shape.drawn === 'area')
    return <path d={`${line(points)}Z`} fill="none" stroke="var(--ink-soft)" strokeWidth={1.2} strokeDasharray="2 3" />
  if (shape.drawn === 'line') {
    const paved = PAVED.includes(shape.kind)
    const feet = shape.width_ft ?? (paved ? USUAL_WIDTH_FT : 0)
    const wide = Math.max(feet * perFt, THINNEST)
    return (
      <g fill="none">
        {paved && <path d={line(points)} stroke="var(--ink-soft)" strokeWidth={wide + 2} />}
        <path
          d={line(points)}
          stroke={paved ? 'var(--sheet)' : 'var(--ink-soft)'}
          strokeWidth={paved ? Math.max(wide, 1) : 1.4}
        />
        {paved && <path d={line(points)} stroke="var(--ink-soft)" strokeWidth={0.8} strokeDasharray="9 7" />}
      </g>
    )
  }
  if (shape.kind === 'obstacle')
    return <path d={`M${at[0] - 6} ${at[1] + 5}l6-11l6 11z`} fill="var(--ink)" stroke="var(--paper)" />
  return (
    <rect x={at[0] - 4} y={at[1] - 4} width={8} height={8} fill="none" stroke="var(--ink-soft)" strokeWidth={1.5} />
  )
}
