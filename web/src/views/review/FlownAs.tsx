import { t } from '@lingui/core/macro'
import type { Attempt, Sortie } from '../../api/client'
import { useTellManner } from '../../api/review'
import { MANNER, taskWords } from '../fly/tapWords'
import { choicesOf, Pick } from '../../design/Pick'

const THROTTLE = { instructor: t`The instructor`, student: t`The student` } as const

/** How the attempt came about and what the student had in hand: a part-task is judged on that control alone. */
export function FlownAs({ attempt, sortie }: { attempt: Attempt; sortie: Sortie }) {
  const tell = useTellManner(sortie.id)
  const words = taskWords(sortie.aircraft.kind)
  const { manner, task, throttle_by: throttleBy } = attempt
  return (
    <div className="mt-3 grid grid-cols-2 gap-2 border-t border-rule pt-2">
      <label className="grid gap-0.5">
        <span className="label">{t`It was`}</span>
        <Pick
          value={manner}
          choices={choicesOf(MANNER)}
          onChange={(id) => tell.mutate({ attemptId: attempt.id, manner: id as typeof manner, task })}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="label">{t`The student had`}</span>
        <Pick
          value={task}
          choices={choicesOf(words)}
          onChange={(id) => tell.mutate({ attemptId: attempt.id, manner, task: id as typeof task })}
        />
      </label>
      {throttleBy && (
        <label className="col-span-2 grid gap-0.5">
          <span className="label">{t`Throttle moved by`}</span>
          <Pick
            value={throttleBy}
            choices={choicesOf(THROTTLE)}
            onChange={(id) =>
              tell.mutate({ attemptId: attempt.id, manner, task, throttle_by: id as typeof throttleBy })
            }
          />
        </label>
      )}
      {(task !== 'whole' || manner === 'demonstration') && (
        <p className="label col-span-2 m-0">
          {t`${task === 'whole' ? t`A demonstration` : t`Judged on the ${words[task].toLowerCase()} alone; a part-task`} does not count towards readiness.`}
        </p>
      )}
    </div>
  )
}
