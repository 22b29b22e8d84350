import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Link, useParams } from 'react-router'
import type { Attempt } from '../api/client'
import { useSortie } from '../api/queries'
import { useMeasuredAttempts } from '../api/review'
import { GradeGlyph } from '../design/GradeGlyph'
import { Failed, Loading } from '../design/States'
import { BestPicture } from './BestPicture'
import { capital, figure, fullDayOf, resultWord, withUnit } from '../design/words'

/** The flight in plain words for the student to take home: what to do next time first, then each attempt. */
export function DebriefPage() {
  const { id = '' } = useParams()
  const sortie = useSortie(id)
  const attempts = useMeasuredAttempts(id)
  if (sortie.isPending || attempts.isPending) return <Loading what={t`the debrief`} />
  if (sortie.isError) return <Failed error={sortie.error} again={() => void sortie.refetch()} />
  if (attempts.isError) return <Failed error={attempts.error} again={() => void attempts.refetch()} />
  const flown = attempts.data.filter((attempt) => attempt.asked)
  const beside = attempts.data.filter((attempt) => !attempt.asked)
  const row = sortie.data
  return (
    <article className="mx-auto max-w-3xl">
      <p className="label mb-0">
        {t`${fullDayOf(row.starts_at)} · ${row.aircraft.mark} ${row.aircraft.type_name} · with ${row.instructor.name}`}
      </p>
      <h1 className="mt-0 mb-1 border-b-2 border-ink pb-2 text-3xl font-bold">
        {row.student.name}: {row.title.toLowerCase()}
      </h1>
      <p className="mt-3 mb-4 text-xl">
        <b>{t`Next time:`}</b> {row.next_focus ?? nextOf(flown) ?? t`your instructor has not written it down yet.`}
      </p>
      {flown.length === 0 && <p>{t`No attempt of this lesson's exercises is in a recording yet.`}</p>}
      {row.exercises.map((exercise) => {
        const own = flown.filter((attempt) => attempt.exercise_id === exercise.id)
        return (
          own.length > 0 && (
            <section key={exercise.id} aria-label={exercise.title}>
              {row.exercises.length > 1 && (
                <h2 className="mt-5 mb-2 text-xl font-bold">
                  {exercise.title}
                  {exercise.objective && <span className="font-normal text-soft"> · {exercise.objective}</span>}
                </h2>
              )}
              <BestPicture sortieId={id} exercise={exercise} attempts={own} />
              <ol className="m-0 grid list-none gap-4 p-0">
                {own.map((attempt) => (
                  <li key={attempt.id} className="sheet p-3.5 break-inside-avoid">
                    <One attempt={attempt} />
                  </li>
                ))}
              </ol>
            </section>
          )
        )
      })}
      {beside.length > 0 && (
        <p className="label mt-3">
          {t`Also flown: ${[...new Set(beside.map((attempt) => attempt.title.toLowerCase()))].join(', ')}.`}
        </p>
      )}
      <p className="label mt-3">
        {t`A training aid: the flight manual, the operator, the authority and your instructor decide. Numbers come from the recorder, with its errors.`}
      </p>
      <div className="no-print mt-3 flex gap-3">
        <button type="button" className="button solid" onClick={() => window.print()}>
          {t`Print`}
        </button>
        <Link to={`/sorties/${id}/review`} className="button">
          {t`Look at the strips`}
        </Link>
      </div>
    </article>
  )
}

/** What most of the attempts ask to be worked on. */
function nextOf(attempts: Attempt[]): string | undefined {
  return attempts.find((attempt) => attempt.fault_details?.[0])?.fault_details?.[0]?.cue
}

function One({ attempt }: { attempt: Attempt }) {
  const fault = attempt.fault_details?.[0]
  const ended = resultWord(attempt.result)
  return (
    <>
      <h2 className="m-0 text-lg font-bold">
        {t`Attempt ${attempt.position}${ended ? `: ${ended}` : ''}${attempt.counts ? '' : t`: does not count`}`}
      </h2>
      {attempt.shown !== 'all' ? (
        <p className="mb-0">
          <Trans>
            {attempt.teaching ? t`Name the fault first in` : t`Grade yourself first in`}{' '}
            <Link to={`/sorties/${attempt.sortie_id}/review?attempt=${attempt.position}`}>Review</Link>: then{' '}
            {attempt.teaching
              ? t`what was played and recorded stands here`
              : t`your instructor’s grades stand here beside yours`}
            .
          </Trans>
        </p>
      ) : (
        <>
          {attempt.teaching && <Taught lesson={attempt.teaching} />}
          <dl className="m-0 mt-1 grid grid-cols-[auto_1fr_1fr] gap-x-5 gap-y-0.5">
            {attempt.phases
              .filter((phase) => of(attempt, phase.id, 'instructor') !== undefined || phase.proposed != null)
              .map((phase) => (
                <div key={phase.id} className="contents">
                  <dt className="font-semibold">{capital(phase.id)}</dt>
                  <dd className="m-0">
                    <GradeGlyph grade={of(attempt, phase.id, 'instructor')} worded />
                  </dd>
                  <dd className="m-0 text-soft">
                    {of(attempt, phase.id, 'self') !== undefined && (
                      <>
                        {t`you said`} <GradeGlyph grade={of(attempt, phase.id, 'self')} own />
                      </>
                    )}
                  </dd>
                </div>
              ))}
          </dl>
          {fault ? (
            <p className="mt-2 mb-0">
              <Trans>
                <b>{fault.title}.</b> {fault.cause} It showed in: {fault.evidence}. <b>“{fault.cue}”</b>
              </Trans>
            </p>
          ) : (
            <p className="mt-2 mb-0">{t`No fault is named in it.`}</p>
          )}
          {polished(attempt).length > 0 && (
            <p className="mt-1 mb-0">{t`Well done, better than the standard asks: ${polished(attempt).join(', ')}.`}</p>
          )}
        </>
      )}
    </>
  )
}

const of = (attempt: Attempt, phase: string, kind: 'self' | 'instructor') =>
  attempt.grades.filter((grade) => grade.phase === phase && grade.kind === kind).at(-1)?.grade

/** The measures that were better than the standard asks, in words. */
const polished = (attempt: Attempt) =>
  Object.entries(attempt.measures ?? {})
    .filter(([, measure]) => measure.verdict === 'polished')
    .map(
      ([, { label, value, unit, digits }]) => t`${label.toLowerCase()} ${withUnit(figure(value, unit, digits), unit)}`,
    )
    .slice(0, 5)

/** What the candidate found, and how the teaching was graded. */
function Taught({ lesson }: { lesson: NonNullable<Attempt['teaching']> }) {
  return (
    <>
      <p className="m-0">
        {t`Named: ${lesson.named?.title.toLowerCase() ?? t`nothing yet`}${lesson.named?.cue ? t`, with “${lesson.named.cue}”` : ''}. Played: ${lesson.played?.title.toLowerCase() ?? t`not said`}. Recorded: ${lesson.recorded?.join(t`, then `).toLowerCase() || t`no fault`}.`}
      </p>
      <dl className="m-0 mt-1 grid grid-cols-[auto_1fr] gap-x-5 gap-y-0.5">
        {lesson.items
          .filter((item) => item.grade != null)
          .map((item) => (
            <div key={item.id} className="contents">
              <dt className="font-semibold">{item.title}</dt>
              <dd className="m-0">
                <GradeGlyph grade={item.grade} worded />
              </dd>
            </div>
          ))}
      </dl>
    </>
  )
}
