import type { Attempt } from '../../api/client'
import { capital } from '../../design/words'

export interface Over {
  position: number
  /** The phase whose beginning both attempts are laid on. */
  event: string
}

interface Props {
  attempt: Attempt
  attempts: Attempt[]
  over: Over | undefined
  choose: (over: Over | undefined) => void
}

/** Another attempt of the same kind laid over this one, both on the beginning of a chosen phase. */
export function LayOver({ attempt, attempts, over, choose }: Props) {
  const others = attempts.filter((row) => row.id !== attempt.id && row.manoeuvre === attempt.manoeuvre)
  const other = others.find((row) => row.position === over?.position)
  if (others.length === 0) return null
  const events = attempt.phases.map((phase) => phase.id).filter((id) => other?.phases.some((phase) => phase.id === id))
  return (
    <span className="flex flex-wrap items-center gap-2">
      <label className="label flex items-center gap-1.5">
        Lay over it
        <select
          className="field min-h-9! w-32"
          value={over?.position ?? ''}
          onChange={(event) =>
            choose(
              event.target.value === ''
                ? undefined
                : { position: Number(event.target.value), event: over?.event ?? attempt.phases[0]?.id ?? '' },
            )
          }
        >
          <option value="">nothing</option>
          {others.map((row) => (
            <option key={row.id} value={row.position}>
              Attempt {row.position}
            </option>
          ))}
        </select>
      </label>
      {over && other && (
        <label className="label flex items-center gap-1.5">
          on the beginning of
          <select
            className="field min-h-9! w-32"
            value={over.event}
            onChange={(event) => choose({ ...over, event: event.target.value })}
          >
            {events.map((id) => (
              <option key={id} value={id}>
                {capital(id)}
              </option>
            ))}
          </select>
        </label>
      )}
    </span>
  )
}

/** Seconds by which the other attempt's recording is moved to lie on this one. */
export const shiftOf = (attempt: Attempt, other: Attempt, event: string) => {
  const begins = (row: Attempt) => row.phases.find((phase) => phase.id === event)?.start_s ?? row.start_s
  return begins(attempt) - begins(other)
}
