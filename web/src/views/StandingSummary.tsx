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
      Latest: <GradeGlyph grade={standing.level} worded />
    </span>
    {standing.trend && (
      <span>
        Trend: <Trend trend={standing.trend} />
      </span>
    )}
    {standing.weakest_phase && (
      <span>
        Work on: <b>{standing.weakest_phase}</b>
      </span>
    )}
  </p>
)
