import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { Exercise } from '../../api/client'

/** Who has what in a part-task, and when a surprise comes: nothing of a whole exercise that is announced. */
export function FlownHow({ exercise, flown }: { exercise: Exercise; flown: boolean }) {
  const { hands, surprise } = exercise
  if (!hands && !surprise) return null
  return (
    <section aria-label={t`How it is flown`} className="mt-1 grid gap-1">
      {surprise && (
        <p className="m-0 border-l-4 border-ink pl-3 text-lg font-semibold">
          <Trans>
            Surprise: {surprise}.{' '}
            {!flown && <span className="text-base font-normal">{t`The student does not see it yet.`}</span>}
          </Trans>
        </p>
      )}
      {hands && (
        <p className="m-0 border-l-4 border-ink pl-3 text-lg font-semibold">
          {hands.text}{' '}
          <span className="block text-base font-normal">{t`Judged: ${hands.judged.join(', ').toLowerCase()}.`}</span>
        </p>
      )}
    </section>
  )
}
