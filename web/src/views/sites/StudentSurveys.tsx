import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Session } from '../../api/client'
import { useStudentNames } from '../../api/queries'
import { useAskForSurvey, type Site } from '../../api/sites'
import { isLearner } from '../../api/who'
import { GradeGlyph } from '../../design/GradeGlyph'
import { Pick } from '../../design/Pick'
import { shortDayOf } from '../../design/words'

/** Students' own surveys of the site: who was asked, who has handed in, how it was graded. */
export function StudentSurveys({ site, session }: { site: Site; session: Session }) {
  const staff = !isLearner(session.person)
  const students = useStudentNames(staff)
  const ask = useAskForSurvey(site.id)
  const [who, setWho] = useState('')
  if (!staff && site.surveys.length === 0) return null
  const asked = new Set(site.surveys.map(({ student_id }) => student_id))
  return (
    <section aria-label={t`Surveys by students`} className="mt-6">
      <h2 className="m-0 border-b border-ink pb-1 text-xl font-bold">
        {t`Surveyed by students, before they saw the school's`}
      </h2>
      <ul className="m-0 mt-2 grid list-none gap-1 p-0">
        {site.surveys.map((survey) => (
          <li key={survey.id} className="flex flex-wrap items-center gap-3 border-t border-rule py-1">
            <Link className="font-semibold" to={`/sites/${site.id}/survey/${survey.id}`}>
              {survey.student}
            </Link>
            <span className="text-soft">
              {survey.handed_in_at
                ? t`handed in ${shortDayOf(survey.handed_in_at)}`
                : t`asked by ${survey.asked_by}, not handed in`}
            </span>
            {survey.level != null && <GradeGlyph grade={survey.level} worded />}
            {survey.handed_in_at && survey.level == null && staff && (
              <span className="caution-edge pl-4">{t`to be graded`}</span>
            )}
          </li>
        ))}
      </ul>
      {staff && (
        <div className="mt-2 flex max-w-lg items-end gap-2">
          <label className="grid flex-1 gap-0.5">
            <span className="label">{t`Ask a student for a survey of their own`}</span>
            <Pick
              value={who}
              choices={[
                { id: '', word: t`choose` },
                ...(students.data ?? []).filter(({ id }) => !asked.has(id)).map(({ id, name }) => ({ id, word: name })),
              ]}
              onChange={setWho}
            />
          </label>
          <button
            type="button"
            className="button"
            disabled={who === '' || ask.isPending}
            onClick={() => ask.mutate(who, { onSuccess: () => setWho('') })}
          >
            {t`Ask`}
          </button>
        </div>
      )}
    </section>
  )
}
