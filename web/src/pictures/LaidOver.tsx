import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import type { PathPoint } from '../api/client'
import { Picture } from './Picture'
import { line, momentOf, ticks, ticksWithRoom, trueScale } from './scale'
import { useWidth } from './useWidth'

export interface Flown {
  number: number
  path: PathPoint[]
  /** The moment that all of them are laid on; none is the spot. */
  eventS: number | undefined
}

interface Props {
  flown: Flown[]
  title: string
  /** What they are laid on, in short. */
  zero: string
}

const BELOW = 24
/** Above the highest path, pixels. */
const ABOVE = 22

/** Several attempts from the side, laid on one moment or on the spot, true scale: the last one bold, each with its number. */
export function LaidOver({ flown, title, zero }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const laid = flown
    .filter((one) => one.path.length > 2)
    .map(({ number, path, eventS }) => {
      const origin = eventS === undefined ? 0 : (momentOf(path, eventS)?.along_ft ?? 0)
      return { number, points: path.map((point) => ({ along: point.along_ft - origin, height: point.height_ft })) }
    })
  if (laid.length === 0) return null
  const along = laid.flatMap((one) => one.points.map((point) => point.along))
  const top = Math.max(...laid.flatMap((one) => one.points.map((point) => point.height)))
  const margin = (Math.max(...along) - Math.min(...along)) * 0.04 + 20
  const view = { fromFt: Math.min(...along) - margin, toFt: Math.max(...along) + margin }
  const scale = trueScale(view, width)
  const height = Math.max(60, top * scale.perFt) + ABOVE + BELOW
  const y = (feet: number) => height - BELOW - feet * scale.perFt
  return (
    <figure ref={ref} className="m-0">
      <figcaption className="font-semibold">{title}</figcaption>
      <Picture
        width={width}
        height={height}
        label={t`${title}: attempts ${laid.map((one) => one.number).join(', ')} from the side, true scale.`}
      >
        {ticks(0, top, 4).map((feet) => (
          <g key={feet}>
            <path d={`M0 ${y(feet)}H${width}`} stroke="var(--rule)" strokeWidth={feet === 0 ? 1.8 : 0.7} />
            {feet > 0 && (
              <text x={4} y={y(feet) - 4} fill="var(--ink-soft)">
                {feet} ft
              </text>
            )}
          </g>
        ))}
        {ticksWithRoom(view.fromFt, view.toFt, 8, width)
          .filter((feet) => scale.x(feet) > 20 && scale.x(feet) < width - 20)
          .map((feet) => (
            <text key={feet} x={scale.x(feet)} y={height - 8} textAnchor="middle" fill="var(--ink-soft)">
              {feet === 0 ? zero : Math.abs(feet).toLocaleString(locale)}
            </text>
          ))}
        <path d={`M${scale.x(0)} 0V${height - BELOW}`} stroke="var(--ink-soft)" strokeDasharray="2 4" />
        {laid.map((one, i) => {
          const last = i === laid.length - 1
          // Numbers stand on their own paths, one after the other along them, for paths lie close together.
          const share = laid.length > 1 ? 0.3 + (0.45 * i) / (laid.length - 1) : 0.5
          const at = one.points[Math.floor(one.points.length * share)]
          return (
            <g key={one.number}>
              <path
                d={line(one.points.map((point) => [scale.x(point.along), y(point.height)]))}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={last ? 2.8 : 1.3}
                strokeOpacity={last ? 1 : 0.75}
              />
              {at && (
                <text
                  x={scale.x(at.along)}
                  y={y(at.height) - 5}
                  fontWeight={last ? 700 : 400}
                  textAnchor="middle"
                  fill="var(--ink)"
                  stroke="var(--paper)"
                  strokeWidth={3}
                  paintOrder="stroke"
                >
                  {one.number}
                </text>
              )}
            </g>
          )
        })}
      </Picture>
    </figure>
  )
}
