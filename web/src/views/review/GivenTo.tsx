import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMemo } from 'react'
import type { Attempt, Exercise, Schemas } from '../../api/client'
import { useGiveAttempt, useMeasureFrom, useMoveSpot } from '../../api/lesson'
import { Pick } from '../../design/Pick'
import { useKeys } from '../../design/useKeys'

interface Props {
  attempt: Attempt
  exercises: Exercise[]
}

const NONE = 'none'
const OWN = 'own'

/** Which exercise of the lesson the attempt was one of; X gives it to the next one. It is measured again on its plan. */
export function GivenTo({ attempt, exercises }: Props) {
  const give = useGiveAttempt(attempt.sortie_id)
  const spot = useMoveSpot(attempt.sortie_id)
  const measure = useMeasureFrom(attempt.sortie_id)
  const { mutate } = give
  const now = attempt.exercise_id ?? NONE
  const next = useMemo(() => {
    const ids = [...exercises.map(({ id }) => id), NONE]
    return ids[(ids.indexOf(now) + 1) % ids.length] ?? NONE
  }, [exercises, now])
  const to = (id: string) => mutate({ id: attempt.id, exerciseId: id === NONE ? null : id })
  useKeys(
    useMemo(
      () => [
        {
          key: 'x',
          does: t`An attempt at the next exercise`,
          run: () => mutate({ id: attempt.id, exerciseId: next === NONE ? null : next }),
        },
      ],
      [attempt.id, mutate, next],
    ),
  )
  return (
    <div className="mt-2 grid gap-1">
      <label className="grid gap-0.5">
        <span className="label">
          <Trans>An attempt at {give.isPending && t`(measuring again…)`}</Trans>
        </span>
        <Pick
          value={now}
          disabled={give.isPending}
          choices={[
            ...exercises.map(({ id, title }, at) => ({ id, word: `${at + 1} ${title}` })),
            { id: NONE, word: t`none of this lesson` },
          ]}
          onChange={to}
        />
        {(give.error ?? spot.error ?? measure.error) && (
          <span role="alert" className="limit-note p-2">
            {(give.error ?? spot.error ?? measure.error)?.message}
          </span>
        )}
      </label>
      <label className="grid gap-0.5">
        <span className="label">
          <Trans>Measured from {measure.isPending && t`(measuring again…)`}</Trans>
        </span>
        <Pick
          value={attempt.spot_name ? OWN : 'exercise'}
          disabled={measure.isPending}
          choices={[
            { id: 'exercise', word: t`the exercise's spot` },
            { id: 'last_landing', word: t`where the one before ended` },
            { id: 'here', word: t`where it ended itself` },
            ...(attempt.spot_name ? [{ id: OWN, word: attempt.spot_name }] : []),
          ]}
          onChange={(from) => from !== OWN && measure.mutate({ id: attempt.id, from: from as Schemas['MeasuredFrom'] })}
        />
      </label>
      {attempt.exercise_id && (
        <button
          type="button"
          className="act justify-self-start text-sm"
          disabled={spot.isPending}
          onClick={() =>
            attempt.exercise_id && spot.mutate({ exerciseId: attempt.exercise_id, to: { attempt_id: attempt.id } })
          }
        >
          {t`The spot is where this one ended`}
        </button>
      )}
    </div>
  )
}
