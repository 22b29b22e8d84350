import { t } from '@lingui/core/macro'
import { Picture } from './Picture'
import { AsTable } from '../design/AsTable'
import type { Schemas } from '../api/client'
import { DistanceRings } from './DistanceRings'
import { line } from './scale'

type Landings = Schemas['AttemptPictures']['landings']
type Landing = Landings['points'][number]

interface Props {
  landings: Landings
  current: number
  select: (position: number) => void
}

const SIZE = 230
/** Where each attempt ended about the spot, final course upwards, numbered in order; from five on the ellipses of half and nine tenths. */
export function TouchdownScatter({ landings: { points, rings }, current, select }: Props) {
  const most = Math.max(60, ...points.flatMap((l) => [Math.abs(l.along_ft), Math.abs(l.across_ft)])) * 1.2
  const at = (along: number, across: number): [number, number] => [
    SIZE / 2 + (across / most) * (SIZE / 2),
    SIZE / 2 - (along / most) * (SIZE / 2),
  ]
  return (
    <figure className="m-0">
      <figcaption className="font-semibold">{t`Where they ended, final course upwards`}</figcaption>
      <Picture
        width={SIZE}
        height={SIZE}
        role="group"
        label={t`Touchdown scatter: ${points.map((l) => t`attempt ${l.position} ${describe(l)}`).join('; ')}`}
      >
        <DistanceRings size={SIZE} most={most} />
        <path d={`M${SIZE / 2} 4V${SIZE - 4}M4 ${SIZE / 2}H${SIZE - 4}`} stroke="var(--rule)" strokeWidth={0.9} />
        {rings.map((ring) => (
          <path
            key={ring.share_pct}
            d={`${line(ring.points.map(([along = 0, across = 0]) => at(along, across)))}Z`}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={1.6}
            strokeDasharray={ring.share_pct === 50 ? undefined : '5 4'}
          />
        ))}
        {points.map((landing) => {
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
              <text x={x} y={y + 4} fontWeight={700} textAnchor="middle" fill={chosen ? 'var(--paper)' : 'var(--ink)'}>
                {landing.position}
              </text>
            </g>
          )
        })}
      </Picture>
      <p className="label m-0">
        {rings.length > 0
          ? t`Half of such landings end inside the solid line, nine in ten inside the dashed one.`
          : t`Ellipses are drawn from five landings on.`}
      </p>
      <AsTable
        of={t`Where they ended`}
        heads={[t`Attempt`, t`From the spot`]}
        rows={() => points.map((landing) => [String(landing.position), describe(landing)])}
      />
    </figure>
  )
}

const describe = ({ along_ft: along, across_ft: across }: Landing) =>
  `${Math.abs(Math.round(along))} ft ${along < 0 ? t`short` : t`beyond`}, ${Math.abs(Math.round(across))} ft ${across < 0 ? t`left` : t`right`}`
