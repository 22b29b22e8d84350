import { t } from '@lingui/core/macro'
import type { Schemas } from '../api/client'
import { dateIn } from '../design/times'
import { NewSortie } from './NewSortie'

interface Props {
  id: string
  advice: Schemas['Student']['advice']
}

/** What the next lesson could be, each exercise with why; one button makes it. */
export const NextLesson = ({ id, advice }: Props) => (
  <section aria-label={t`Next lesson`} className="sheet mt-4 flex flex-wrap items-center justify-between gap-4 p-4">
    <div>
      <h2 className="m-0 text-lg font-semibold">{t`The next lesson could be`}</h2>
      <ol className="m-0 list-decimal pl-6">
        {advice.map(({ manoeuvre, reason }) => (
          <li key={manoeuvre}>{reason}</li>
        ))}
      </ol>
    </div>
    <NewSortie
      date={dateIn(new Date().toISOString())}
      word={t`Plan this`}
      known={{
        student: id,
        exercises: advice.map(({ manoeuvre, settings, count }) => ({ manoeuvre, settings, planned_count: count })),
      }}
    />
  </section>
)
