import { useId } from 'react'
import type { PathPoint, Plan } from '../api/client'
import { line } from './scale'

interface Props {
  plan: Plan
  /** Those that this picture shows. */
  ids: Plan['watched'][number]['id'][]
  at: (point: PathPoint) => [number, number]
}

/** Under the path, hatched in the colour of limits: where more care is asked than its line says. The words stand beside it. */
export function WatchedStretches({ plan, ids, at }: Props) {
  const hatch = useId()
  const shown = plan.watched.filter(({ id }) => ids.includes(id))
  if (shown.length === 0) return null
  return (
    <g fill="none" data-watched={shown.map(({ id }) => id).join(' ')}>
      <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="5" stroke="var(--limit)" strokeWidth="2.4" />
      </pattern>
      {shown.map(({ id, from_s: from, until_s: until }) => (
        <path
          key={`${id} ${from}`}
          d={line(plan.path.filter((point) => point.t_s >= from && point.t_s <= until).map(at))}
          stroke={`url(#${hatch})`}
          strokeWidth={13}
          strokeLinejoin="round"
        />
      ))}
    </g>
  )
}
