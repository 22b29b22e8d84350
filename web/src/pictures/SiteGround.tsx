import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { clsx } from 'clsx'
import type { Schemas } from '../api/client'
import { Picture } from './Picture'
import { HALF_LETTER, line, roundStep } from './scale'
import { useWidth } from './useWidth'

type Drawing = Schemas['SitePicture']
type Obstacle = Drawing['obstacles'][number]
type Point = number[]

interface Props {
  picture: Drawing
  name: string
  wind: string | null
  windFromDeg: number | null
  /** Near: the ground itself; all: the lines as well. */
  near: boolean
  /** The room of the disc over the ground, as marks. */
  room: boolean
  line: string | undefined
  selected: string | undefined
  onSelect: (id: string) => void
  /** Moves what is selected by metres north and east; a corner of it where one is named. */
  onMove?: ((id: string, north: number, east: number, corner?: number) => void) | undefined
  /** A tap on empty ground. */
  onTap?: ((north: number, east: number) => void) | undefined
}

const KEY_STEP_M = 1
const ARROWS: Record<string, [number, number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
}
const TALLEST = 0.78

/** The site from above, north up, in true scale: ground, what stands around it, spots with their room, lines with their strip. */
export function SiteGround(props: Props) {
  const { picture, name, near, room, selected, onTap, line: chosen } = props
  const [ref, width] = useWidth<HTMLDivElement>()
  const scale = scaleOf(picture, near, width)
  const { x, y, perM, height } = scale
  const tap = (event: PointerEvent<SVGRectElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const px = ((event.clientX - box.left) * width) / box.width
    const py = ((event.clientY - box.top) * height) / box.height
    onTap?.(scale.north(py), scale.east(px))
  }
  const lines = [...picture.approaches, ...picture.departures]
  return (
    <figure ref={ref} className="m-0">
      <Picture
        width={width}
        height={height}
        role="group"
        label={`${name} from above, north up, true scale. ${picture.obstacles.length} obstacles, ${picture.spots.length} spots, ${lines.length} lines.`}
        className="border border-rule bg-sheet"
      >
        <defs>
          <pattern id="wood" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
            <path d="M0 0v7" stroke="var(--ink-soft)" strokeWidth="1.2" />
          </pattern>
          <pattern id="water" width="14" height="8" patternUnits="userSpaceOnUse">
            <path d="M0 4q3.500-3 7 0t7 0" stroke="var(--ink-faint)" strokeWidth="1" fill="none" />
          </pattern>
          <marker id="way" viewBox="0 0 8 8" refX="4" refY="4" markerWidth="7" markerHeight="7" orient="auto">
            <path d="M1 1l6 3l-6 3" fill="none" stroke="var(--ink)" strokeWidth="1.600" />
          </marker>
        </defs>
        <rect
          width={width}
          height={height}
          fill="transparent"
          className={onTap ? 'cursor-crosshair' : ''}
          onPointerUp={tap}
        />
        {picture.landables.map((one, index) => (
          <path
            key={one.id ?? index}
            d={area(one.rings, x, y)}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={1.2}
            strokeDasharray="2 4"
            pointerEvents="none"
          />
        ))}
        <path
          d={area(picture.ground, x, y)}
          fill="var(--band)"
          fillOpacity={0.5}
          fillRule="evenodd"
          stroke="var(--band-deep)"
          strokeWidth={2}
          pointerEvents="none"
        />
        {room && <Room field={picture.field} x={x} y={y} perM={perM} />}
        {lines.map((one) => (
          <path
            key={one.id}
            d={`${line(one.corridor.map(([n = 0, e = 0]) => [x(e), y(n)]))}Z`}
            fill="var(--wash)"
            fillOpacity={one.id === chosen ? 0.6 : 0.18}
            stroke="var(--ink-faint)"
            strokeWidth={one.id === chosen ? 1 : 0.5}
            pointerEvents="none"
          />
        ))}
        {picture.obstacles.map((one) => (
          <Drawn key={one.id} obstacle={one} x={x} y={y} perM={perM} selected={one.id === selected} />
        ))}
        {lines.map((one) => (
          <path
            key={one.id}
            d={line(one.points.map(([n = 0, e = 0]) => [x(e), y(n)]))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={one.id === chosen ? 2.6 : 1.4}
            strokeDasharray={'gate' in one ? '8 5' : '8 4 2 4'}
            markerEnd="url(#way)"
            pointerEvents="none"
          />
        ))}
        {picture.spots.map((spot) => (
          <SpotRoom key={spot.id} spot={spot} x={x} y={y} perM={perM} />
        ))}
        {picture.approaches
          .filter(({ id }) => id === chosen)
          .map((one) => (
            <BreakOffMarks key={one.id} line={one} x={x} y={y} />
          ))}
        <Names picture={picture} x={x} y={y} width={width} height={height} chosen={chosen} />
        <Handles {...props} x={x} y={y} perM={perM} />
        <WindHere text={props.wind} fromDeg={props.windFromDeg} />
        <g transform={`translate(${width - 26} 30)`} stroke="var(--ink)" fill="none" strokeWidth={1.6}>
          <path d="M0 14v-26M-5 -6l5-7l5 7" />
          <text y={27} fontSize={11.5} fontWeight={600} textAnchor="middle" stroke="none" fill="var(--ink)">
            N
          </text>
        </g>
        <Bar perM={perM} width={width} y={height - 14} />
      </Picture>
    </figure>
  )
}

function scaleOf(picture: Drawing, near: boolean, width: number) {
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

/** What stands near enough to be shown with the ground, metres. */
const CLOSE_M = 170
const closeBy = ({ rings }: Obstacle) => rings.flat().filter(([n = 0, e = 0]) => Math.hypot(n, e) <= CLOSE_M)

type Scaled = { x: (east: number) => number; y: (north: number) => number }

const area = (rings: number[][][], x: Scaled['x'], y: Scaled['y']) =>
  rings.map((ring) => `${line(ring.map(([n = 0, e = 0]) => [x(e), y(n)]))}Z`).join('')

/** How much room the disc has: a filled mark where it is enough, an open one where it is not. */
function Room({ field, x, y, perM }: { field: Drawing['field']; perM: number } & Scaled) {
  const size = Math.max(1.4, Math.min(4, field.step_m * perM * 0.28))
  return (
    <g pointerEvents="none" aria-hidden="true">
      {field.points.map(([n = 0, e = 0, feet = 0]) => (
        <circle
          key={`${n} ${e}`}
          cx={x(e)}
          cy={y(n)}
          r={size}
          fill={feet >= field.wanted_ft ? 'var(--band-deep)' : 'none'}
          stroke={feet >= field.wanted_ft ? 'none' : 'var(--limit)'}
          strokeWidth={0.8}
          opacity={0.75}
        />
      ))}
      {field.proposed.map(({ at: [n = 0, e = 0], clearance_ft }) => (
        <text
          key={`${n} ${e}`}
          x={x(e)}
          y={y(n) + 4}
          fontSize={11}
          textAnchor="middle"
          fill="var(--ink)"
          fontWeight={700}
        >
          {Math.round(clearance_ft)} ft
        </text>
      ))}
    </g>
  )
}

function Drawn({ obstacle, x, y, perM, selected }: { obstacle: Obstacle; perM: number; selected: boolean } & Scaled) {
  const gone = obstacle.status === 'not_there'
  const danger = obstacle.status === 'open' || !obstacle.known
  const stroke = danger ? 'var(--limit)' : 'var(--ink)'
  const weight = selected ? 3.2 : 1.6
  if (obstacle.drawn === 'point') {
    const [n = 0, e = 0] = obstacle.rings[0]?.[0] ?? []
    const radius = Math.max(4, (obstacle.radius_m ?? 0) * perM)
    return (
      <g opacity={gone ? 0.35 : 1}>
        <circle
          cx={x(e)}
          cy={y(n)}
          r={radius}
          fill={obstacle.stands ? 'url(#wood)' : 'none'}
          stroke={stroke}
          strokeWidth={weight}
        />
        <circle cx={x(e)} cy={y(n)} r={1.8} fill={stroke} />
      </g>
    )
  }
  const wire = obstacle.what === 'wire'
  if (obstacle.drawn === 'line') {
    const points = (obstacle.rings[0] ?? []).map(([n = 0, e = 0]): [number, number] => [x(e), y(n)])
    return (
      <g opacity={gone ? 0.35 : 1} fill="none">
        <path d={line(points)} stroke={wire ? 'var(--limit)' : stroke} strokeWidth={wire ? weight + 1 : weight} />
        {wire &&
          points.map(([px, py]) => (
            <path
              key={`${px}`}
              d={`M${px - 5} ${py - 5}l10 10M${px + 5} ${py - 5}l-10 10`}
              stroke="var(--limit)"
              strokeWidth={2}
            />
          ))}
      </g>
    )
  }
  return (
    <path
      d={area(obstacle.rings, x, y)}
      fill={obstacle.what === 'water' ? 'url(#water)' : 'url(#wood)'}
      fillRule="evenodd"
      stroke={stroke}
      strokeWidth={weight}
      opacity={gone ? 0.35 : 1}
    />
  )
}

/** The disc, the room that is kept around it, and where the tail may point: a ring, broken where it may not. */
function SpotRoom({ spot, x, y, perM }: { spot: Drawing['spots'][number]; perM: number } & Scaled) {
  const [n = 0, e = 0] = spot.at
  const tail = spot.tail_m * perM
  return (
    <g transform={`translate(${x(e)} ${y(n)})`} fill="none" stroke="var(--ink)" pointerEvents="none">
      <circle
        r={spot.room_m * perM}
        strokeDasharray="3 4"
        strokeWidth={1}
        stroke={spot.main_enough ? 'var(--ink)' : 'var(--limit)'}
      />
      <circle r={spot.radius_m * perM} strokeWidth={1.4} />
      {spot.headings_clear.map(([from = 0, to = 0]) => (
        <path key={from} d={arc(tail, from + 180, to + 180)} strokeWidth={4} stroke="var(--band-deep)" />
      ))}
      <circle r={2.4} fill="var(--ink)" />
    </g>
  )
}

function arc(radius: number, fromDeg: number, toDeg: number) {
  const sweep = (toDeg - fromDeg + 360) % 360 || 359.9
  const end = (deg: number) =>
    `${radius * Math.sin((deg * Math.PI) / 180)} ${-radius * Math.cos((deg * Math.PI) / 180)}`
  return `M${end(fromDeg)}A${radius} ${radius} 0 ${sweep > 180 ? 1 : 0} 1 ${end(fromDeg + sweep)}`
}

/** The gate as a doorway across the line, the last possible point as a notch. */
function BreakOffMarks({ line: one, x, y }: { line: Drawing['approaches'][number] } & Scaled) {
  const [from, to] = [one.points[0], one.points[one.points.length - 1]]
  const angle = (Math.atan2((to?.[1] ?? 0) - (from?.[1] ?? 0), (to?.[0] ?? 0) - (from?.[0] ?? 0)) * 180) / Math.PI
  return (
    <g pointerEvents="none">
      {one.last && (
        <g transform={`translate(${x(one.last.at[1] ?? 0)} ${y(one.last.at[0] ?? 0)}) rotate(${angle})`}>
          <path d="M-11 0h8l3-6l3 6h8" fill="none" stroke="var(--limit)" strokeWidth={2.4} />
        </g>
      )}
      {one.gate && (
        <g transform={`translate(${x(one.gate.at[1] ?? 0)} ${y(one.gate.at[0] ?? 0)})`}>
          <path d="M-15 -6v12M15 -6v12M-15 0h30" transform={`rotate(${angle})`} stroke="var(--ink)" strokeWidth={2.6} />
          <text
            x={20}
            y={-8}
            fontSize={12}
            fontWeight={700}
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={3.5}
            paintOrder="stroke"
          >
            break off by {Math.round(one.gate.height_ft / 10) * 10} ft
          </text>
        </g>
      )}
    </g>
  )
}

interface NamesProps extends Scaled {
  picture: Drawing
  width: number
  height: number
  chosen: string | undefined
}

/** Names where they are free of each other: lines first, then what stands highest. */
function Names({ picture, x, y, width, height, chosen }: NamesProps) {
  const taken: { x: number; y: number; half: number }[] = []
  const free = (px: number, py: number, half: number) =>
    px > half &&
    px < width - half &&
    py > 12 &&
    py < height - 4 &&
    taken.every((one) => Math.abs(one.x - px) > one.half + half + 3 || Math.abs(one.y - py) > 13)
  const wanted = [
    ...picture.spots.map(({ id, at }) => ({ id, text: id, at, dy: 18, bold: true })),
    ...[...picture.approaches, ...picture.departures].map(({ id, points }) => ({
      id,
      text: id,
      at: inView(points, x, y, width, height),
      dy: -6,
      bold: id === chosen,
    })),
    ...[...picture.obstacles]
      .sort((a, b) => (b.top_ft ?? 999) - (a.top_ft ?? 999))
      .map((one) => ({
        id: one.id,
        text: obstacleName(one),
        at: middle(one.rings[0] ?? []),
        dy: -8,
        bold: !one.known || one.status === 'open',
      })),
  ]
  const placed = wanted.flatMap(({ id, text, at, dy, bold }) => {
    const half = text.length * HALF_LETTER
    const [px, py] = [x(at[1] ?? 0), y(at[0] ?? 0)]
    const spot = [dy, dy - 13, dy + 13, dy + 26].find((by) => free(px, py + by, half))
    if (spot === undefined) return []
    taken.push({ x: px, y: py + spot, half })
    return [{ id, text, px, py: py + spot, bold }]
  })
  return (
    <g pointerEvents="none" aria-hidden="true">
      {placed.map(({ id, text, px, py, bold }) => (
        <text
          key={id}
          x={px}
          y={py}
          fontSize={11.5}
          fontWeight={bold ? 700 : 400}
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </g>
  )
}

const obstacleName = ({ id, top_ft, known, status, stands }: Obstacle) => {
  const name = id.replaceAll('-', ' ')
  if (status === 'not_there') return `${name}: not there`
  const height = !known ? ', height not known' : stands && top_ft != null ? ` ${Math.round(top_ft)} ft` : ''
  return `${name}${height}${status === 'open' ? ', open' : ''}`
}

const middle = (ring: Point[]): Point => [
  ring.reduce((sum, [n = 0]) => sum + n, 0) / Math.max(1, ring.length),
  ring.reduce((sum, [, e = 0]) => sum + e, 0) / Math.max(1, ring.length),
]

/** A place on a line that the picture shows: as far from the ground as there is room. */
function inView(points: Point[], x: Scaled['x'], y: Scaled['y'], width: number, height: number): Point {
  const shares = [0.92, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.12]
  const [a = [0, 0], b = [0, 0]] = [points[0], points[points.length - 1]]
  const at = (share: number): Point => [
    (a[0] ?? 0) + ((b[0] ?? 0) - (a[0] ?? 0)) * share,
    (a[1] ?? 0) + ((b[1] ?? 0) - (a[1] ?? 0)) * share,
  ]
  const outward = Math.hypot(a[0] ?? 0, a[1] ?? 0) > Math.hypot(b[0] ?? 0, b[1] ?? 0)
  const found = shares
    .map((share) => at(outward ? 1 - share : share))
    .find(([n = 0, e = 0]) => {
      const [px, py] = [x(e), y(n)]
      return px > 60 && px < width - 60 && py > 24 && py < height - 24
    })
  return found ?? at(0.5)
}

interface HandlesProps extends Props, Scaled {
  perM: number
}

/** What may be taken and moved: every obstacle and spot, and the corners of what is selected. */
function Handles({ picture, selected, onSelect, onMove, x, y, perM }: HandlesProps) {
  const all = [
    ...picture.obstacles.map((one) => ({ id: one.id, points: one.rings[0] ?? [], label: `${one.what} ${one.id}` })),
    ...picture.spots.map((one) => ({ id: one.id, points: [one.at], label: `spot ${one.id}` })),
    ...[...picture.approaches, ...picture.departures].map((one) => ({
      id: one.id,
      points: one.points,
      label: `line ${one.id}`,
    })),
  ]
  return (
    <g>
      {all.map(({ id, points, label }) => {
        const at = points.length === 1 ? (points[0] ?? [0, 0]) : middle(points)
        return (
          <Handle
            key={id}
            at={at}
            label={label}
            active={id === selected}
            x={x}
            y={y}
            perM={perM}
            onSelect={() => onSelect(id)}
            {...(onMove ? { onMove: (n: number, e: number) => onMove(id, n, e) } : {})}
          />
        )
      })}
      {onMove &&
        all
          .filter(({ id, points }) => id === selected && points.length > 1)
          .flatMap(({ id, points, label }) =>
            points.map((at, corner) => (
              <Handle
                key={corner}
                at={at}
                label={`corner ${corner + 1} of ${label}`}
                active
                corner
                x={x}
                y={y}
                perM={perM}
                onSelect={() => onSelect(id)}
                onMove={(n, e) => onMove(id, n, e, corner)}
              />
            )),
          )}
    </g>
  )
}

interface HandleProps extends Scaled {
  at: Point
  label: string
  active: boolean
  corner?: boolean
  perM: number
  onSelect: () => void
  onMove?: (north: number, east: number) => void
}

function Handle({ at: [n = 0, e = 0], label, active, corner = false, x, y, perM, onSelect, onMove }: HandleProps) {
  const from = useRef<{ px: number; py: number }>(undefined)
  return (
    <g
      transform={`translate(${x(e)} ${y(n)})`}
      role="button"
      tabIndex={0}
      aria-label={onMove ? `${label}: arrow keys move it by a metre` : label}
      aria-pressed={active}
      className={clsx('touch-none', onMove ? 'cursor-grab' : 'cursor-pointer')}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        onSelect()
        from.current = { px: event.clientX, py: event.clientY }
      }}
      onPointerUp={(event) => {
        const began = from.current
        from.current = undefined
        if (!began || !onMove) return
        const [dx, dy] = [event.clientX - began.px, event.clientY - began.py]
        if (Math.hypot(dx, dy) > 3) onMove(-dy / perM, dx / perM)
      }}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === 'Enter' || event.key === ' ') onSelect()
        const step = ARROWS[event.key]
        if (!step || !onMove) return
        event.preventDefault()
        onMove(step[0] * KEY_STEP_M, step[1] * KEY_STEP_M)
      }}
    >
      <circle r={corner ? 12 : 14} fill="transparent" />
      {active && (
        <rect x={-5} y={-5} width={10} height={10} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.2} />
      )}
    </g>
  )
}

function WindHere({ text, fromDeg }: { text: string | null; fromDeg: number | null }) {
  if (text === null || fromDeg === null)
    return (
      <text x={14} y={24} fontSize={12} fontWeight={700} fill="var(--limit)">
        no wind given
      </text>
    )
  return (
    <g transform="translate(48 30)" pointerEvents="none">
      <g transform={`rotate(${fromDeg + 90})`} stroke="var(--ink)" strokeWidth={1.6} fill="none">
        <path d="M-24 -7c16-4 24 4 40 0M-26 0c16-4 28 4 46 0M-24 7c16-4 24 4 40 0M14 -6l7 6l-7 6" />
      </g>
      <text y={36} fontSize={11.5} textAnchor="middle" fill="var(--ink)">
        {text}
      </text>
    </g>
  )
}

function Bar({ perM, width, y }: { perM: number; width: number; y: number }) {
  const feet = roundStep(width / perM / 0.3048 / 6, 1)
  const long = feet * 0.3048 * perM
  return (
    <g stroke="var(--ink)" strokeWidth={1.6} pointerEvents="none">
      <path d={`M14 ${y}h${long}M14 ${y - 4}v8M${14 + long} ${y - 4}v8`} fill="none" />
      <text x={20 + long} y={y + 4} fontSize={11.5} stroke="none" fill="var(--ink)">
        {feet} ft
      </text>
    </g>
  )
}
