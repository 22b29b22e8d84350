import { DistanceRings } from './DistanceRings'
import { line } from './scale'

export interface Landing {
  position: number
  along_ft: number
  across_ft: number
}

interface Props {
  landings: Landing[]
  current: number
  select: (position: number) => void
}

const SIZE = 230
/** Standard deviations of a plane's normal distribution that hold half and nine tenths of it. */
const RINGS = [
  { share: 50, sigmas: 1.177 },
  { share: 90, sigmas: 2.146 },
]
const FEWEST_FOR_RINGS = 5
const ROUND = Array.from({ length: 49 }, (_, i) => (i / 48) * 2 * Math.PI)

/** Where each attempt ended about the spot, final course upwards, numbered in order; from five on the ellipses of half and nine tenths. */
export function TouchdownScatter({ landings, current, select }: Props) {
  const most = Math.max(60, ...landings.flatMap((l) => [Math.abs(l.along_ft), Math.abs(l.across_ft)])) * 1.2
  const at = (along: number, across: number): [number, number] => [
    SIZE / 2 + (across / most) * (SIZE / 2),
    SIZE / 2 - (along / most) * (SIZE / 2),
  ]
  const rings = landings.length >= FEWEST_FOR_RINGS ? ellipses(landings) : []
  return (
    <figure className="m-0">
      <figcaption className="font-semibold">Where they ended, final course upwards</figcaption>
      <svg
        width={SIZE}
        height={SIZE}
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        role="group"
        aria-label={`Touchdown scatter: ${landings.map((l) => `attempt ${l.position} ${describe(l)}`).join('; ')}`}
      >
        <DistanceRings size={SIZE} most={most} />
        <path d={`M${SIZE / 2} 4V${SIZE - 4}M4 ${SIZE / 2}H${SIZE - 4}`} stroke="var(--rule)" strokeWidth={0.9} />
        {rings.map((ring) => (
          <path
            key={ring.share}
            d={`${line(ring.points.map(([along, across]) => at(along, across)))}Z`}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={1.6}
            strokeDasharray={ring.share === 50 ? undefined : '5 4'}
          />
        ))}
        {landings.map((landing) => {
          const [x, y] = at(landing.along_ft, landing.across_ft)
          const chosen = landing.position === current
          return (
            <g key={landing.position} className="cursor-pointer" onClick={() => select(landing.position)}>
              <circle
                cx={x}
                cy={y}
                r={10}
                fill={chosen ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth={1.6}
              />
              <text
                x={x}
                y={y + 4}
                fontSize={11.5}
                fontWeight={700}
                textAnchor="middle"
                fill={chosen ? 'var(--paper)' : 'var(--ink)'}
              >
                {landing.position}
              </text>
            </g>
          )
        })}
      </svg>
      <p className="label m-0">
        {rings.length > 0
          ? 'Half of such landings end inside the solid line, nine in ten inside the dashed one.'
          : 'Ellipses are drawn from five landings on.'}
      </p>
    </figure>
  )
}

const describe = ({ along_ft: along, across_ft: across }: Landing) =>
  `${Math.abs(Math.round(along))} ft ${along < 0 ? 'short' : 'beyond'}, ${Math.abs(Math.round(across))} ft ${across < 0 ? 'left' : 'right'}`

/** Ellipses of equal likelihood from the landings' mean and covariance. */
function ellipses(landings: Landing[]) {
  const n = landings.length
  const along = landings.reduce((sum, l) => sum + l.along_ft, 0) / n
  const across = landings.reduce((sum, l) => sum + l.across_ft, 0) / n
  const a = landings.reduce((sum, l) => sum + (l.along_ft - along) ** 2, 0) / (n - 1)
  const c = landings.reduce((sum, l) => sum + (l.across_ft - across) ** 2, 0) / (n - 1)
  const b = landings.reduce((sum, l) => sum + (l.along_ft - along) * (l.across_ft - across), 0) / (n - 1)
  // Lower triangle of the covariance's root.
  const l11 = Math.sqrt(a)
  const l21 = l11 > 0 ? b / l11 : 0
  const l22 = Math.sqrt(Math.max(c - l21 * l21, 0))
  return RINGS.map(({ share, sigmas }) => ({
    share,
    points: ROUND.map((angle): [number, number] => {
      const [u, v] = [Math.cos(angle) * sigmas, Math.sin(angle) * sigmas]
      return [along + l11 * u, across + l21 * u + l22 * v]
    }),
  }))
}
