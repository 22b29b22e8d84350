import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import type { PathPoint, Schemas } from '../api/client'
import { Picture } from './Picture'
import { DistanceRings } from './DistanceRings'
import { line, momentOf } from './scale'

const SIZE = 230
interface Props {
  points: PathPoint[]
  hover: NonNullable<Schemas['AttemptPictures']['hover']>
  timeS: number | undefined
}

/** The drift of a hover about its middle, final course upwards: darker is higher; the circle holds 95 % of the time. */
export function HoverTrace({ points, hover, timeS }: Props) {
  if (points.length < 4) return null
  const { along_ft: along, across_ft: across, within_ft: circle, low_ft: low, high_ft: high } = hover
  const most = Math.max(5, circle ?? 0, ...points.map((p) => farthest(p.along_ft - along, p.across_ft - across))) * 1.2
  const at = (p: PathPoint): [number, number] => [
    SIZE / 2 + ((p.across_ft - across) / most) * (SIZE / 2),
    SIZE / 2 - ((p.along_ft - along) / most) * (SIZE / 2),
  ]
  const tone = (p: PathPoint) => 0.25 + (0.75 * (p.height_ft - low)) / Math.max(high - low, 1)
  const within = circle == null ? '' : t`95 % of the time within ${decimal(circle, 1)} ft; `
  const said = t`${within}${decimal(low, 1)} to ${decimal(high, 1)} ft high`
  const now = timeS === undefined ? undefined : momentOf(points, timeS)
  return (
    <figure className="m-0 mt-3">
      <figcaption className="font-semibold">{t`Hover trace, final course upwards`}</figcaption>
      <Picture width={SIZE} height={SIZE} label={t`Hover trace: ${said}.`}>
        <DistanceRings size={SIZE} most={most} />
        {points.slice(1).map((p, i) => (
          <path
            key={p.t_s}
            d={line([at(points[i] ?? p), at(p)])}
            stroke="var(--ink)"
            strokeOpacity={tone(p)}
            strokeWidth={2.4}
            strokeLinecap="round"
          />
        ))}
        {circle != null && (
          <circle
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={(circle / most) * (SIZE / 2)}
            fill="none"
            stroke="var(--band-deep)"
            strokeWidth={1.8}
            strokeDasharray="5 4"
          />
        )}
        {now && <circle cx={at(now)[0]} cy={at(now)[1]} r={6} fill="var(--ink)" />}
      </Picture>
      <p className="label m-0">{t`${said}, darker is higher.`}</p>
    </figure>
  )
}

/** The larger of the two, either way: what a square picture has to hold. */
const farthest = (along: number, across: number) => Math.max(Math.abs(along), Math.abs(across))
