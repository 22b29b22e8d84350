import { t } from '@lingui/core/macro'
import type { Attempt } from '../../api/client'
import { capital } from '../../design/words'
import { Pick } from '../../design/Pick'

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
        {t`Lay over it`}
        <Pick
          className="w-32"
          value={over?.position ?? ''}
          choices={[
            { id: '', word: t`nothing` },
            ...others.map(({ position }) => ({ id: position, word: t`Attempt ${position}` })),
          ]}
          onChange={(id) =>
            choose(id === '' ? undefined : { position: Number(id), event: over?.event ?? attempt.phases[0]?.id ?? '' })
          }
        />
      </label>
      {over && other && (
        <label className="label flex items-center gap-1.5">
          {t`on the beginning of`}
          <Pick
            className="w-32"
            value={over.event}
            choices={events.map((id) => ({ id, word: capital(id) }))}
            onChange={(event) => choose({ ...over, event })}
          />
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
