import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Link, useParams } from 'react-router'
import type { Session } from '../api/client'
import { useStudent, useStudentLessons } from '../api/queries'
import { HeadRow } from '../design/HeadRow'
import { MoreRows } from '../design/MoreRows'
import { Empty, Failed, Loading } from '../design/States'
import { capital, clockOf, hoursOf, shortDayOf } from '../design/words'
import { Blocks } from './Blocks'
import { SoloSection } from './solo/SoloSection'
import { Conditions } from './Conditions'
import { NextLesson } from './NextLesson'
import { Stands } from './StandingSummary'
import { ProgressMap } from '../pictures/ProgressMap'
import { isLearner } from '../api/who'
import { WideTable } from '../design/WideTable'

/** One student's record: where they stand, every attempt, sorties, flight time, sign-offs. */
export function StudentPage({ session }: { session: Session }) {
  const { id = '' } = useParams()
  const student = useStudent(id)
  const lessons = useStudentLessons(id)
  if (student.isPending || lessons.isPending) return <Loading what={t`the record`} />
  if (student.isError) return <Failed error={student.error} again={() => void student.refetch()} />
  if (lessons.isError) return <Failed error={lessons.error} again={() => void lessons.refetch()} />
  const { name, stage, standings, blocks, advice, sign_offs: signOffs, total_minutes: total, reactions } = student.data
  const { sorties, flights, history } = lessons
  const more = (
    <MoreRows
      more={lessons.hasNextPage}
      busy={lessons.isFetchingNextPage}
      next={() => void lessons.fetchNextPage()}
      what={t`earlier lessons`}
    />
  )
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-4 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{name}</h1>
        <span className="text-soft">
          <Trans>
            Stage {stage} · <Link to={`/people/${id}/log`}>{hoursOf(total)} logged</Link>
          </Trans>
        </span>
      </header>
      {!isLearner(session.person) && advice.length > 0 && <NextLesson id={id} advice={advice} />}
      {standings.length === 0 && (
        <Empty>{t`Nothing graded yet. The record begins with the first reviewed sortie.`}</Empty>
      )}
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-5">
        {standings.length > 0 && (
          <section aria-labelledby="progress" className="sheet p-4">
            <h2 id="progress" className="m-0 text-lg font-semibold">
              {t`Progress`}
            </h2>
            <ProgressMap
              standings={standings}
              history={history}
              signOffs={signOffs}
              detail={(standing) => (
                <div className="grid gap-4 border border-rule p-4 xl:grid-cols-2">
                  <div>
                    <Stands standing={standing} />
                    <Link
                      className="mt-3 inline-block underline"
                      to={`/students/${id}/side-by-side?manoeuvre=${standing.manoeuvre}`}
                    >
                      <Trans>
                        Attempts side by side<span className="sr-only">: {standing.title}</span>
                      </Trans>
                    </Link>
                  </div>
                  <Conditions standing={standing} studentId={id} staff={!isLearner(session.person)} />
                </div>
              )}
            />
            {more}
          </section>
        )}
        {blocks.length > 0 && <Blocks blocks={blocks} />}
        {stage !== 'instructor' && <SoloSection student={id} name={name} staff={!isLearner(session.person)} />}
        {reactions.length > 0 && (
          <section>
            <h2 className="text-lg font-semibold">{t`Reaction to a power loss`}</h2>
            <p className="m-0">
              {reactions.map(({ manner, median_s: median, attempts }) => (
                <span key={manner} className="mr-6">
                  <Trans>
                    {capital(manner)}: <b className="figures">{decimal(median, 1)}</b>
                    <span className="unit">s</span> until the collective is down, middle of {attempts}
                  </Trans>
                </span>
              ))}
            </p>
            {reactions.length === 1 && reactions[0]?.manner === 'announced' && (
              <p className="label m-0">{t`No surprise failure is recorded yet to compare it with.`}</p>
            )}
          </section>
        )}
        {signOffs.length > 0 && (
          <section>
            <h2 className="text-lg font-semibold">{t`Sign-offs`}</h2>
            <ul className="m-0 list-none p-0">
              {signOffs.map((row) => (
                <li key={row.id} className="border-t border-rule py-2">
                  <Trans>
                    <Link to={`/sign-offs/${row.id}`}>{row.title}</Link>, {shortDayOf(row.signed_at)}, by {row.by}
                    {row.withdrawn && (
                      <b>
                        {' '}
                        <Trans>(withdrawn: {row.withdrawn_reason})</Trans>
                      </b>
                    )}
                  </Trans>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section>
          <h2 className="text-lg font-semibold">{t`Sorties and flight time`}</h2>
          <WideTable className="w-full">
            <HeadRow heads={[t`Day`, t`Aircraft`, t`Manoeuvre`, t`Flight time`, t`Next time`, t`State`]} />
            <tbody>
              {sorties.map((sortie) => {
                const entry = flights.find((row) => row.sortie_id === sortie.id)
                return (
                  <tr key={sortie.id} className="border-t border-rule">
                    <td className="p-2 whitespace-nowrap">
                      <Link to={`/sorties/${sortie.id}/review`}>
                        {shortDayOf(sortie.starts_at)} {clockOf(sortie.starts_at)}
                      </Link>
                    </td>
                    <td className="p-2">{sortie.aircraft.mark}</td>
                    <td className="p-2">{sortie.title}</td>
                    <td className="p-2 whitespace-nowrap">
                      {entry ? `${hoursOf(entry.minutes)} ${entry.role.replaceAll('_', ' ')}` : '—'}
                    </td>
                    <td className="p-2">{sortie.next_focus ?? '—'}</td>
                    <td className="p-2">{capital(sortie.next_step)}</td>
                  </tr>
                )
              })}
            </tbody>
          </WideTable>
          {more}
        </section>
      </div>
    </>
  )
}
