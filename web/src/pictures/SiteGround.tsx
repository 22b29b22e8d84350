import { t } from '@lingui/core/macro'
import { type PointerEvent } from 'react'
import { Picture } from './Picture'
import { line, roundStep } from './scale'
import { SiteHandles } from './SiteHandles'
import { BreakOffMarks, Drawn, Room, SpotRoom } from './SiteMarks'
import { SiteNames } from './SiteNames'
import { area, scaleOf, type Drawing } from './siteScale'
import { useWidth } from './useWidth'

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
        label={t`${name} from above, north up, true scale. ${picture.obstacles.length} obstacles, ${picture.spots.length} spots, ${lines.length} lines.`}
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
        <SiteNames picture={picture} x={x} y={y} width={width} height={height} chosen={chosen} />
        <SiteHandles
          picture={picture}
          selected={selected}
          onSelect={props.onSelect}
          onMove={props.onMove}
          x={x}
          y={y}
          perM={perM}
        />
        <WindHere text={props.wind} fromDeg={props.windFromDeg} />
        <g transform={`translate(${width - 26} 30)`} stroke="var(--ink)" fill="none" strokeWidth={1.6}>
          <path d="M0 14v-26M-5 -6l5-7l5 7" />
          <text y={27} fontWeight={600} textAnchor="middle" stroke="none" fill="var(--ink)">
            N
          </text>
        </g>
        <Bar perM={perM} width={width} y={height - 14} />
      </Picture>
    </figure>
  )
}

function WindHere({ text, fromDeg }: { text: string | null; fromDeg: number | null }) {
  if (text === null || fromDeg === null)
    return (
      <text x={14} y={24} fontWeight={700} fill="var(--limit)">
        {t`no wind given`}
      </text>
    )
  return (
    <g transform="translate(48 30)" pointerEvents="none">
      <g transform={`rotate(${fromDeg + 90})`} stroke="var(--ink)" strokeWidth={1.6} fill="none">
        <path d="M-24 -7c16-4 24 4 40 0M-26 0c16-4 28 4 46 0M-24 7c16-4 24 4 40 0M14 -6l7 6l-7 6" />
      </g>
      <text y={36} textAnchor="middle" fill="var(--ink)">
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
      <text x={20 + long} y={y + 4} stroke="none" fill="var(--ink)">
        {feet} ft
      </text>
    </g>
  )
}
