import { t } from '@lingui/core/macro'
import type { Schemas } from '../api/client'
import { nameOf } from '../design/words'
import { Picture } from './Picture'
import { line, ticksWithRoom } from './scale'
import { useWidth } from './useWidth'

type Drawing = Schemas['SitePicture']
type Approach = Drawing['approaches'][number]
type Departure = Drawing['departures'][number]
type Under = Schemas['UnderLine']

interface Props {
  line: Approach | Departure
  kind: 'approach' | 'departure'
}

/** Feet shown beyond the spot, and how far out at most. */
const BEYOND_FT = 450
const OUT_FT = 1900
const FOOT = 26
/** Falling ground is shown so far under the spot, feet. */
const UNDER_FT = 160

/** The line from the side in true scale: the planned path, what stands under it with what it may be, the gate and the go-around. */
export function SiteSection({ line: one, kind }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const approach = kind === 'approach' ? (one as Approach) : undefined
  const under: Under[] = approach
    ? [...one.under, ...(approach.beyond ?? []).map((hit) => ({ ...hit, from_ft: -hit.to_ft, to_ft: -hit.from_ft }))]
    : one.under.map((hit) => ({ ...hit, from_ft: -hit.to_ft, to_ft: -hit.from_ft }))
  const path = one.path.map(([along = 0, height = 0]): [number, number] => [approach ? along : -along, height])
  const standing = under.filter(({ what }) => what !== 'ground')
  const [out, beyond] = windowOf(approach, standing)
  const top = Math.max(140, ...under.map(({ high_ft }) => high_ft * 1.15), ...heights(path, out, beyond)) * 1.08
  const ground = one.profile
    .map(([along = 0, feet = 0]): [number, number] => [approach ? along : -along, feet])
    .filter(([along]) => along <= out + 80 && along >= -beyond - 80)
    .sort((a, b) => b[0] - a[0])
  const under_ft = Math.min(UNDER_FT, Math.max(0, ...ground.map(([, feet]) => -feet)))
  const perFt = width / (out + beyond)
  const low = under_ft * perFt
  const height = Math.min(320, Math.max(120, top * perFt)) + low + FOOT
  const x = (feet: number) => (out - feet) * perFt
  const y = (feet: number) => height - FOOT - low - feet * perFt
  const named = namesThatFit(standing, x, y)
  return (
    <figure ref={ref} className="m-0">
      <Picture
        width={width}
        height={height}
        label={t`${nameOf(one.id)} from the side, true scale. ${under.length} things under it.${approach?.gate ? t` Break off by ${Math.round(approach.gate.height_ft)} ft, ${Math.round(approach.gate.distance_ft)} ft out.` : ''}`}
        className="border border-rule bg-sheet"
      >
        {ground.length > 1 && (
          <path
            d={`${line(ground.map(([along, feet]) => [x(along), y(Math.max(feet, -under_ft))]))}V${height - FOOT}H${x(ground.at(0)?.[0] ?? 0)}Z`}
            fill="var(--wash)"
            stroke="var(--ink-soft)"
            strokeWidth={1.2}
          />
        )}
        {standing.map((hit) => (
          <Stands key={`${hit.id} ${hit.from_ft}`} hit={hit} x={x} y={y} width={width} named={named.has(hit)} />
        ))}
        <path d={`M0 ${y(0)}H${width}`} stroke="var(--ink)" strokeWidth={1.6} />
        {ticksWithRoom(-beyond, out, 8, width).map((feet) => (
          <g key={feet}>
            <path d={`M${x(feet)} ${y(0)}v5`} stroke="var(--ink)" />
            <text x={x(feet)} y={height - 8} textAnchor="middle" fill="var(--ink-soft)">
              {feet === 0 ? t`spot` : Math.abs(feet)}
            </text>
          </g>
        ))}
        {approach && approach.away.length > 1 && (
          <path
            d={line(approach.away.map(([along = 0, feet = 0]) => [x(along), y(feet)]))}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={2.4}
            strokeDasharray="2 4"
          />
        )}
        <path
          d={line(path.map(([along, feet]) => [x(along), y(feet)]))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.2}
          strokeDasharray="8 5"
        />
        {approach?.last && <Notch at={x(approach.last.distance_ft)} y={y(approach.last.height_ft)} />}
        {approach?.gate && (
          <g>
            <path
              d={`M${x(approach.gate.distance_ft)} ${y(0)}V${y(approach.gate.height_ft) - 16}`}
              stroke="var(--ink)"
              strokeWidth={2.6}
            />
            <text
              x={x(approach.gate.distance_ft) + 7}
              y={y(approach.gate.height_ft) - 10}
              fontWeight={700}
              fill="var(--ink)"
              stroke="var(--sheet)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {Math.round(approach.gate.height_ft / 10) * 10} ft
            </text>
          </g>
        )}
      </Picture>
      <figcaption className="label mt-1">
        {approach
          ? t`Planned dashed, go-around from the gate dotted; heights over the spot, feet. What may be higher is outlined above what it likely is.`
          : t`The way out as it is flown, dashed; heights over the spot, feet.`}
      </figcaption>
    </figure>
  )
}

function windowOf(approach: Approach | undefined, under: Under[]): [number, number] {
  const outs = under.filter(({ from_ft }) => from_ft < OUT_FT).map(({ to_ft }) => Math.min(to_ft, OUT_FT) + 120)
  const ins = under.filter(({ to_ft }) => to_ft > -OUT_FT).map(({ from_ft }) => Math.max(from_ft, -OUT_FT * 0.7))
  if (!approach) return [120, Math.max(BEYOND_FT, ...ins.map((feet) => -feet + 160))]
  const gate = approach.gate?.distance_ft ?? 400
  return [Math.min(OUT_FT, Math.max(gate * 1.5 + 200, ...outs)), Math.max(BEYOND_FT, ...ins.map((feet) => -feet + 80))]
}

const heights = (path: [number, number][], out: number, beyond: number) =>
  path.filter(([along]) => along < out * 0.7 && along > -beyond * 0.7).map(([, feet]) => Math.min(feet, 320))

const topOf = (hit: Under) => `${nameOf(hit.id)} ${Math.round(hit.top_ft)} ft`

/** Whose name has room beside the others': the highest first. */
function namesThatFit(under: Under[], x: StandsProps['x'], y: StandsProps['y']) {
  const placed: { at: number; top: number; half: number }[] = []
  const fitting = [...under]
    .sort((a, b) => b.high_ft - a.high_ft)
    .filter((hit) => {
      const half = topOf(hit).length * 3.1
      const at = (x(hit.to_ft) + x(hit.from_ft)) / 2
      const top = y(hit.high_ft)
      if (placed.some((one) => Math.abs(one.at - at) < one.half + half && Math.abs(one.top - top) < 13)) return false
      placed.push({ at, top, half })
      return true
    })
  return new Set(fitting)
}

interface StandsProps {
  hit: Under
  x: (feet: number) => number
  y: (feet: number) => number
  width: number
  /** Its name has room. */
  named: boolean
}

/** What stands under the line, as likely, with what it may be above it. */
function Stands({ hit, x, y, width, named }: StandsProps) {
  const wide = Math.max(2, x(hit.from_ft) - x(hit.to_ft))
  const wire = hit.what === 'wire'
  const name = topOf(hit)
  const room = name.length * 3.1
  return (
    <g>
      {wire ? (
        <path d={`M${x(hit.to_ft)} ${y(hit.top_ft)}h${wide}`} stroke="var(--limit)" strokeWidth={3} />
      ) : (
        <rect
          x={x(hit.to_ft)}
          y={y(hit.top_ft)}
          width={wide}
          height={Math.max(1, y(0) - y(hit.top_ft))}
          fill="var(--ink-soft)"
          opacity={0.75}
        />
      )}
      <rect
        x={x(hit.to_ft)}
        y={y(hit.high_ft)}
        width={wide}
        height={Math.max(1, y(hit.top_ft) - y(hit.high_ft))}
        fill="none"
        stroke={wire ? 'var(--limit)' : 'var(--ink-soft)'}
        strokeDasharray="2 2"
      />
      {named && (
        <text
          x={Math.min(Math.max(x(hit.to_ft) + wide / 2, room), width - room)}
          y={y(hit.high_ft) - 5}
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {name}
        </text>
      )}
    </g>
  )
}

const Notch = ({ at, y }: { at: number; y: number }) => (
  <path d={`M${at - 9} ${y - 9}l9 9l9 -9`} fill="none" stroke="var(--limit)" strokeWidth={2.6} />
)
