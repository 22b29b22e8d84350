import { t } from '@lingui/core/macro'
import { scaleLinear } from 'd3-scale'
import { useId } from 'react'
import type { Schemas } from '../api/client'
import { decimal } from '#language/numbers'
import { AsTable } from '../design/AsTable'
import { figure, unitWord } from '../design/words'
import { Labels } from './Labels'
import { alongLine, LETTER, textBox, type Label } from './placing'
import { Picture } from './Picture'
import { line, ticks, ticksWithRoom } from './scale'
import { thinned } from './thinned'
import { useWidth } from './useWidth'

type Shape = Schemas['ChartShape']
type Point = Schemas['ChartPoint']

const LEFT = 46
const BELOW = 36
const TOP = 10

interface Props {
  chart: Schemas['Chart']
  height?: number
  flown?: Point[]
  /** Where on it a moment stands. */
  now?: Point | undefined
}

/** One number against another: where not to go hatched and outlined, limits heavy, the plan dashed through it. */
export function Chart({ chart, height = 250, flown, now }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(420)
  const hatch = useId()
  const { x: xAxis, y: yAxis } = chart
  const x = scaleLinear([xAxis.low, xAxis.high], [LEFT, width - 12])
  const y = scaleLinear([yAxis.low, yAxis.high], [height - BELOW, TOP])
  const draw = (points: Point[]) => line(points.map((p) => [x(p.x), y(p.y)]))
  const clip = `${hatch}c`

  return (
    <figure ref={ref} className="m-0">
      <figcaption className="font-semibold">{chart.title}</figcaption>
      <Picture width={width} height={height} label={describe(chart)}>
        <defs>
          <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--limit)" strokeWidth="1.6" />
          </pattern>
          <clipPath id={clip}>
            <rect x={LEFT} y={TOP - 4} width={width - LEFT - 8} height={height - BELOW - TOP + 4} />
          </clipPath>
        </defs>
        <Axes chart={chart} x={x} y={y} width={width} height={height} />
        <g clipPath={`url(#${clip})`}>
          {chart.areas.map((area) => (
            <path
              key={area.id}
              d={`${draw(area.points)}Z`}
              fill={area.kind === 'band' ? 'var(--band)' : `url(#${hatch})`}
              stroke={area.kind === 'band' ? 'var(--band-deep)' : 'var(--limit)'}
              strokeWidth={1.4}
            />
          ))}
          {chart.lines.map((shape, index) => (
            <path key={shape.id} d={draw(shape.points)} fill="none" {...styleOf(shape, index)} />
          ))}
          {chart.track.length > 0 && (
            <path
              d={draw(chart.track)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="var(--stroke)"
              strokeDasharray="7 5"
            />
          )}
          {now && <circle cx={x(now.x)} cy={y(now.y)} r={6} fill="var(--ink)" />}
          {flown && <path d={draw(flown)} fill="none" stroke="var(--ink)" strokeWidth={2.4} />}
        </g>
        {chart.moments.map((moment) => (
          <circle key={moment.t_s} cx={x(moment.x)} cy={y(moment.y)} r={3} fill="var(--ink)" />
        ))}
        <Names chart={chart} x={x} y={y} width={width} height={height} />
      </Picture>
      <AsTable
        of={chart.title}
        heads={[
          t`What`,
          [chart.x.label, unitWord(chart.x.unit)].join(', '),
          [chart.y.label, unitWord(chart.y.unit)].join(', '),
        ]}
        rows={() =>
          [...chart.lines, ...chart.areas, { label: t`the plan`, points: chart.track }].flatMap(({ label, points }) =>
            thinned(points, 8).map((point) => [label, figure(point.x, chart.x.unit), figure(point.y, chart.y.unit)]),
          )
        }
      />
    </figure>
  )
}

const styleOf = (shape: Shape, index: number) =>
  shape.kind === 'limit'
    ? { stroke: 'var(--limit)', strokeWidth: 2, strokeDasharray: index > 1 ? '2 3' : undefined }
    : { stroke: 'var(--ink)', strokeWidth: index === 0 ? 1.3 : 2.2, strokeDasharray: index === 0 ? '1 4' : undefined }

interface DrawProps {
  chart: Schemas['Chart']
  x: (value: number) => number
  y: (value: number) => number
  width: number
  height: number
}

function Axes({ chart, x, y, width, height }: DrawProps) {
  return (
    <g fill="var(--ink-soft)">
      {ticks(chart.y.low, chart.y.high, 5).map((value) => (
        <g key={value}>
          <line x1={LEFT} x2={width - 8} y1={y(value)} y2={y(value)} stroke="var(--rule)" strokeWidth={0.7} />
          <text x={LEFT - 6} y={y(value) + 4} textAnchor="end">
            {value}
          </text>
        </g>
      ))}
      {ticksWithRoom(chart.x.low, chart.x.high, 7, width - LEFT - 12)
        .filter((value) => x(value) + (String(value).length * LETTER) / 2 <= width)
        .map((value) => (
          <text key={value} x={x(value)} y={height - BELOW + 17} textAnchor="middle">
            {value}
          </text>
        ))}
      <line x1={LEFT} x2={width - 8} y1={y(chart.y.low)} y2={y(chart.y.low)} stroke="var(--ink)" strokeWidth={1.3} />
      <text x={width - 8} y={height - 4} textAnchor="end" fill="var(--ink)">
        {chart.x.label}, {unitWord(chart.x.unit)}
      </text>
      <text x={LEFT + 4} y={TOP + 4} fill="var(--ink)">
        {chart.y.label}, {unitWord(chart.y.unit)}
      </text>
    </g>
  )
}

/** Each shape's name beside it: none over another, nor over the plan. */
function Names({ chart, x, y, width, height }: DrawProps) {
  const bounds = { left: LEFT + 2, top: TOP, right: width - 4, bottom: height - BELOW - 2 }
  const kept = (value: number, low: number, high: number) => Math.min(Math.max(value, low + 1), high - 1)
  const place = (p: Point) => ({
    x: kept(x(p.x), bounds.left, bounds.right),
    y: kept(y(p.y), bounds.top, bounds.bottom),
  })
  const labels = [...chart.areas, ...chart.lines].flatMap((shape): Label[] => {
    const area = shape.kind === 'avoid' || shape.kind === 'band'
    const seen = shape.points.filter((p) => p.x <= chart.x.high && p.y <= chart.y.high)
    const [first, ...or] = (area ? [middle(shape.points), ...shape.points] : alongShape(seen)).flatMap((p) =>
      p ? [place(p)] : [],
    )
    if (!first) return []
    const weight = shape.kind === 'limit' ? 2 : 1
    return [{ key: `${shape.id}-${shape.label}`, ...first, or, lines: [shape.label], weight }]
  })
  const seconds = chart.moments.map((moment): Label => ({
    key: `second ${moment.t_s}`,
    x: x(moment.x),
    y: y(moment.y),
    lines: [t`${decimal(moment.t_s, 0)} s`],
    weight: 3,
  }))
  const title = textBox(LEFT + 4, TOP + 4, `${chart.y.label}, ${unitWord(chart.y.unit)}`)
  const track = alongLine(chart.track.map((p) => [x(p.x), y(p.y)]))
  return <Labels labels={[...labels, ...seconds]} bounds={bounds} taken={[title, ...track]} />
}

/** Where along a line its name may stand, from its middle to its ends. */
const ALONG = [0.5, 0.65, 0.35, 0.8, 0.2, 0.9, 0.1]

const alongShape = (points: Point[]): Point[] =>
  ALONG.flatMap((part) => {
    const at = part * (points.length - 1)
    const [from, to] = [points[Math.floor(at)], points[Math.ceil(at)]]
    if (!from || !to) return []
    const between = at - Math.floor(at)
    return [{ x: from.x + (to.x - from.x) * between, y: from.y + (to.y - from.y) * between }]
  })

const middle = (points: Point[]): Point | undefined =>
  points.length === 0
    ? undefined
    : {
        x: points.reduce((sum, p) => sum + p.x, 0) / points.length,
        y: points.reduce((sum, p) => sum + p.y, 0) / points.length,
      }

const describe = (chart: Schemas['Chart']) =>
  t`${chart.title}: ${chart.y.label} in ${unitWord(chart.y.unit)} against ${chart.x.label} in ${unitWord(chart.x.unit)}; shows ${[
    ...chart.areas,
    ...chart.lines,
  ]
    .map((shape) => shape.label)
    .join(', ')}${chart.track.length ? t` and the plan` : ''}.`
