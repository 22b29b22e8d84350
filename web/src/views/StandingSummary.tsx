import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { Schemas, Standing } from '../api/client'
import { GradeGlyph } from '../design/GradeGlyph'
import { AttemptMarks } from '../pictures/AttemptMarks'
import { Trend } from './Students'

interface Props {
  standing: Standing
  history: Schemas['StudentLessons']['history']
  signedAt: string | undefined
}

/** Where a student stands in one manoeuvre: every attempt, the latest level, the trend, what to work on. */
export function StandingSummary({ standing, history, signedAt }: Props) {
  return (
    <div>
      <AttemptMarks
        title={standing.title}
        history={history.filter((entry) => entry.manoeuvre === standing.manoeuvre)}
        signedAt={signedAt}
      />
      <Stands standing={standing} />
    </div>
  )
}

/** The latest level, which way it goes, what to work on. */
export const Stands = ({ standing }: { standing: Standing }) => (
  <p className="mt-3 mb-0 flex flex-wrap items-center gap-x-6 gap-y-1">
    <span>
      {t`Latest:`} <GradeGlyph grade={standing.level} worded />
    </span>
    {standing.trend && (
      <span>
        {t`Trend:`} <Trend trend={standing.trend} />
      </span>
    )}
    {standing.weakest_phase && (
      <span>
        <Trans>
          Work on: <b>{standing.weakest_phase}</b>
        </Trans>
      </span>
    )}
  </p>
)
