import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '../../api/client'
import { useGradeSurvey } from '../../api/sites'
import { GradeGlyph } from '../../design/GradeGlyph'
import { HeadRow } from '../../design/HeadRow'
import { VerdictMark } from '../../design/VerdictMark'
import { nameOf, shortDayOf, withUnit } from '../../design/words'
import { POINTS, STATUSES } from './siteWords'

type Survey = Schemas['SiteSurvey']

const VERDICT_WORDS: Record<string, string> = {
  same: t`the same`,
  left_out: t`left out`,
  otherwise: t`judged otherwise`,
  found: t`found`,
  missed: t`missed`,
  height: t`another height`,
  extra: t`only the student has it`,
}
const ASK = Object.fromEntries(POINTS.map(({ group, about, ask }) => [`${group}.${about}`, ask]))

interface ComparedProps {
  survey: Survey
  staff: boolean
  comparison: NonNullable<Survey['comparison']>
}

/** The student's survey beside the school's, what differs first, and its grade. */
export function SurveyCompared({ survey, staff, comparison }: ComparedProps) {
  const off = comparison.points.filter(({ verdict }) => verdict !== 'same')
  const wrong = comparison.obstacles.filter(({ verdict }) => verdict !== 'found')
  return (
    <>
      <p className="text-lg">
        {off.length === 0 && wrong.length === 0
          ? t`Everything was seen as the school has it.`
          : t`${comparison.points.length - off.length} of ${comparison.points.length} points and ${comparison.obstacles.length - wrong.length} of ${comparison.obstacles.length} obstacles as the school has them.`}{' '}
        <Link to={`/sites/${survey.site_id}`}>{t`To the site`}</Link>
      </p>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <Rows
          title={t`Obstacles`}
          rows={comparison.obstacles}
          unit=" ft"
          name={({ id, what }) => `${nameOf(id)} (${what})`}
        />
        <Rows
          title={t`Points of the survey`}
          rows={comparison.points}
          unit=""
          name={({ id }) => ASK[id] ?? nameOf(id)}
        />
      </div>
      <Flown flown={survey.flown} />
      <Grade survey={survey} staff={staff} proposed={comparison.proposed_level} />
    </>
  )
}

/** What the student's own flights there showed of what had been surveyed. */
function Flown({ flown }: { flown: Survey['flown'] }) {
  if (flown.length === 0)
    return <p className="label mt-4">{t`No recorded flight of this student’s to this site yet.`}</p>
  return (
    <table className="figures mt-4 w-full max-w-4xl border-collapse text-sm">
      <caption className="pb-1 text-left text-base font-semibold">{t`What the recordings showed`}</caption>
      <HeadRow heads={['', t`Measured`, '', '', t`Flown`]} />
      <tbody>
        {flown.map((one) => (
          <tr key={`${one.sortie_id} ${one.position} ${one.point} ${one.measure}`} className="border-t border-rule">
            <td className="p-1.5">{ASK[one.point] ?? nameOf(one.point)}</td>
            <td className="p-1.5">{one.label}</td>
            <td className="p-1.5 whitespace-nowrap">
              {withUnit(String(Math.round(one.value)), one.unit)}{' '}
              {one.low != null && one.high != null && (
                <span className="text-soft">{t`(${Math.round(one.low)} to ${Math.round(one.high)})`}</span>
              )}
            </td>
            <td className="p-1.5">
              <VerdictMark verdict={one.verdict} />
            </td>
            <td className="p-1.5 whitespace-nowrap">
              <Link to={`/sorties/${one.sortie_id}/review?attempt=${one.position}`}>
                {t`${shortDayOf(one.flown_on)}, attempt ${one.position}`}
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

type Row = Schemas['SurveyRow']

function Rows({ title, rows, unit, name }: { title: string; rows: Row[]; unit: string; name: (row: Row) => string }) {
  const differs = (row: Row) => !['same', 'found'].includes(row.verdict)
  const value = (text: string | null) => (text === null ? '—' : (STATUSES[text] ?? `${text}${unit}`))
  return (
    <table className="figures w-full border-collapse text-sm">
      <caption className="pb-1 text-left text-base font-semibold">{title}</caption>
      <HeadRow heads={['', t`School`, t`Student`, '']} />
      <tbody>
        {[...rows]
          .sort((a, b) => Number(differs(b)) - Number(differs(a)))
          .map((row) => (
            <tr key={row.id} className="border-t border-rule align-top">
              <td className="p-1.5">{name(row)}</td>
              <td className="p-1.5 whitespace-nowrap">{value(row.school)}</td>
              <td className="p-1.5 whitespace-nowrap">{value(row.student)}</td>
              <td className={differs(row) ? 'caution-edge p-1.5 pl-4 font-semibold' : 'p-1.5 text-soft'}>
                {VERDICT_WORDS[row.verdict]}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  )
}

function Grade({ survey, staff, proposed }: { survey: Survey; staff: boolean; proposed: number }) {
  const grade = useGradeSurvey(survey.id)
  const [note, setNote] = useState(survey.note ?? '')
  return (
    <section aria-label={t`Grade`} className="sheet mt-5 max-w-3xl p-4">
      <h2 className="m-0 text-base font-semibold">{t`Surveying`}</h2>
      {survey.level != null ? (
        <p className="mb-1 flex items-center gap-2">
          <GradeGlyph grade={survey.level} worded /> {survey.note}
        </p>
      ) : (
        <p className="label mb-1">{t`Not graded yet.`}</p>
      )}
      {staff && (
        <>
          <p className="label">{t`What was missed proposes:`}</p>
          <GradeGlyph grade={proposed} worded />
          <label className="mt-2 grid gap-0.5">
            <span className="label">{t`The one thing to say`}</span>
            <input className="field" value={note} maxLength={400} onChange={(event) => setNote(event.target.value)} />
          </label>
          <div className="mt-2 flex flex-wrap gap-2">
            {[1, 2, 3, 4].map((level) => (
              <button
                key={level}
                type="button"
                className="button"
                disabled={grade.isPending}
                onClick={() => grade.mutate({ level, note })}
              >
                <GradeGlyph grade={level} worded />
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  )
}
