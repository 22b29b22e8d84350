import { t } from '@lingui/core/macro'
import { Link } from 'react-router'
import type { Schemas } from '../api/client'
import { GradeGlyph } from '../design/GradeGlyph'
import { shortDayOf } from '../design/words'

type Entry = Schemas['StudentLessons']['history'][number]

/** The attempts at one manoeuvre, a mark each in order of time, the day beneath, the sign-off as a seam. */
export function AttemptMarks({ title, history, signedAt }: { title: string; history: Entry[]; signedAt?: string }) {
  const days = [...new Set(history.map((entry) => entry.on_day))]
  return (
    <section aria-label={t`Progress in ${title}`}>
      <h3 className="mb-2 font-semibold">{title}</h3>
      <ol className="flex flex-wrap items-end gap-0">
        {days.map((on) => (
          <li key={on} className="border-l border-rule px-3 pb-1">
            <div className="flex gap-2">
              {history
                .filter((entry) => entry.on_day === on)
                .map((entry) => (
                  <Link
                    key={entry.attempt_id}
                    to={`/sorties/${entry.sortie_id}/review?attempt=${entry.position ?? 1}`}
                    className="flex min-h-11 min-w-9 flex-col items-center justify-center no-underline"
                    aria-label={t`Attempt on ${shortDayOf(on)}`}
                  >
                    <GradeGlyph grade={entry.level} size={26} />
                    <span className="label">{entry.help === 'alone' ? '' : entry.help.replace('_', ' ')}</span>
                  </Link>
                ))}
            </div>
            <div className="label">{shortDayOf(on)}</div>
          </li>
        ))}
        {signedAt && (
          <li className="border-l-4 border-double border-ink py-2 pl-3 font-semibold">
            {t`Signed off ${shortDayOf(signedAt)}`}
          </li>
        )}
      </ol>
    </section>
  )
}
