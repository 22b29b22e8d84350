import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Link } from 'react-router'
import type { Schemas, Session, SortieRow } from '../api/client'
import { useToday } from '../api/queries'
import { useWeather } from '../api/prepare'
import { dateIn, zoneWord } from '../design/times'
import { StageTrack } from './StageTrack'
import { Empty, Failed, Loading } from '../design/States'
import { capital, clockOf, dayOf, shortDayOf } from '../design/words'
import { NewSortie } from './NewSortie'
import { isLearner } from '../api/who'

type Board = Schemas['Today']

/** The board: what to do next, what is flown today, what waits for somebody, what was and what comes. */
export function Today({ session }: { session: Session }) {
  const today = useToday()
  if (today.isPending) return <Loading what={t`the board`} />
  if (today.isError) return <Failed error={today.error} again={() => void today.refetch()} />
  const { date, sorties, earlier, later, bookings } = today.data
  const staff = !isLearner(session.person)
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-4 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{dayOf(`${date}T12:00:00Z`)}</h1>
        <span className="text-soft">
          <Trans>
            {session.school?.name} · {session.school?.station} · times {zoneWord()}
            {session.school?.demo && <b className="ml-2 border border-ink px-1.5 text-ink">{t`demo`}</b>}
          </Trans>
        </span>
      </header>
      <p className="mt-3 mb-0 text-2xl leading-snug font-semibold">{today.data.next}</p>
      <Reported />
      <div className="mt-4 grid gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
        <section aria-labelledby="flying">
          <div className="flex items-center justify-between">
            <h2 id="flying" className="m-0 text-lg font-semibold">
              {t`Flying today`}
            </h2>
            {staff && (
              <span className="flex gap-2">
                <Link className="button" to="/bookings">
                  {t`Bookings`}
                </Link>
                <NewSortie date={date} />
              </span>
            )}
          </div>
          {sorties.length + bookings.length === 0 ? (
            <Empty>{t`No sortie today.`}</Empty>
          ) : (
            <Lessons sorties={sorties} bookings={bookings} />
          )}
          <h2 className="mt-7 mb-2 text-lg font-semibold">{t`Earlier`}</h2>
          {earlier.length === 0 ? (
            <Empty>{t`Nothing in the last seven days.`}</Empty>
          ) : (
            <Lessons sorties={earlier} dated />
          )}
          <h2 className="mt-7 mb-2 text-lg font-semibold">{t`To come`}</h2>
          {later.length === 0 ? (
            <Empty>{t`Nothing planned in the next seven days.`}</Empty>
          ) : (
            <Lessons sorties={later} dated />
          )}
        </section>
        {staff && <Waits board={today.data} />}
      </div>
    </>
  )
}

/** The station's report, and for whom it is outside the minima. */
function Reported() {
  const weather = useWeather()
  const report = weather.data?.report
  if (!report) return null
  const out = (weather.data?.stages ?? []).filter(({ against }) => against.length > 0)
  return (
    <p className="m-0 mt-1 text-soft">
      <span className="figures">{report.text}</span>
      {report.old && (
        <b className="ml-2 text-ink">
          {plural(report.age_minutes ?? 0, { one: '# minute old.', other: '# minutes old.' })}
        </b>
      )}
      {out.length === 0 ? (
        <b className="ml-2 text-ink">{t`Within every stage’s minima.`}</b>
      ) : (
        out.map(({ stage, against }) => (
          <b key={stage} className="ml-2 text-ink">
            {t`Not at ${stage} stage: ${against.join(', ')}.`}
          </b>
        ))
      )}
    </p>
  )
}

/** What is booked and not prepared yet. */
const Booked = ({ booking }: { booking: Board['bookings'][number] }) => (
  <li className="grid grid-cols-[4.5rem_minmax(9rem,1fr)_auto] items-center gap-x-4 border-b border-rule py-1.5">
    <span className="text-lg font-semibold">{clockOf(booking.from_at)}</span>
    <span className="leading-snug">
      <b>{booking.student.name}</b>
      <span className="text-soft"> {t`with ${booking.instructor.name}`}</span>
      <span className="block text-sm text-soft">
        {booking.aircraft.mark} · {capital(booking.kind)} · <b className="text-ink">{t`Booked: prepare it`}</b>
      </span>
    </span>
    <Link className="underline" to={`/bookings?day=${dateIn(booking.from_at)}&open=${booking.id}`}>
      <Trans>
        Open<span className="sr-only"> the booking of {booking.student.name}</span>
      </Trans>
    </Link>
  </li>
)

function Waits({ board }: { board: Board }) {
  const { attention, due } = board
  return (
    <aside aria-labelledby="attention">
      <h2 id="attention" className="m-0 mb-2 text-lg font-semibold">
        {t`Waiting for somebody`}
      </h2>
      {attention.length === 0 && <Empty>{t`Nothing waits.`}</Empty>}
      <ul className="m-0 grid list-none gap-2 p-0">
        {attention.map((item) => (
          <li key={item.kind + item.text} className={item.kind === 'aircraft' ? 'limit-note p-3' : 'sheet p-3'}>
            <Link to={placeOf(item)}>{item.text}</Link>
          </li>
        ))}
      </ul>
      {due.length > 0 && (
        <>
          <h2 className="mt-5 mb-2 text-lg font-semibold">{t`Not flown for long`}</h2>
          <ul className="m-0 list-none p-0">
            {due.map(({ student, text }) => (
              <li key={student.id} className="border-t border-rule py-1.5">
                <Link to={`/students/${student.id}`}>{student.name}</Link> {text}
              </li>
            ))}
          </ul>
        </>
      )}
    </aside>
  )
}

function placeOf(item: Board['attention'][number]): string {
  switch (item.kind) {
    case 'aircraft':
      return '/fleet'
    case 'review':
      return `/sorties/${item.sortie_id ?? ''}/review`
    case 'document':
      return `/people/${item.person_id ?? ''}`
    default:
      return `/students/${item.student_id ?? ''}`
  }
}

interface LessonsProps {
  sorties: SortieRow[]
  bookings?: Board['bookings']
  dated?: boolean
}

/** Lessons in order of time, and between them what is only booked. */
function Lessons({ sorties, bookings = [], dated = false }: LessonsProps) {
  const before = (sortie: SortieRow | undefined, after?: SortieRow) =>
    bookings
      .filter(({ from_at: at }) => (!after || at >= after.starts_at) && (!sortie || at < sortie.starts_at))
      .map((booking) => <Booked key={booking.id} booking={booking} />)
  return (
    <ul className="m-0 list-none border-t border-rule p-0">
      {sorties.flatMap((sortie, i) => [
        ...before(sortie, sorties[i - 1]),
        <li
          key={sortie.id}
          className="grid grid-cols-[4.5rem_minmax(9rem,1fr)_auto] items-center gap-x-4 border-b border-rule py-1.5 max-lg:grid-cols-[4.5rem_1fr]"
        >
          <div className="leading-tight">
            <div className="text-lg font-semibold">{clockOf(sortie.starts_at)}</div>
            {dated && <div className="label">{shortDayOf(sortie.starts_at)}</div>}
          </div>
          <div className="min-w-0 leading-snug">
            <div className="font-semibold">
              <Link to={`/sorties/${sortie.id}/${stageToOpen(sortie)}`} className="no-underline hover:underline">
                {sortie.student.name}
              </Link>
              <span className="font-normal text-soft"> {t`with ${sortie.instructor.name}`}</span>
            </div>
            <div className="text-sm text-soft">
              {sortie.aircraft.mark} · {sortie.title} · <b className="text-ink">{sortie.next_step}</b>
            </div>
          </div>
          <div className="max-lg:col-span-2">
            <StageTrack sortie={sortie} close />
          </div>
        </li>,
      ])}
      {before(undefined, sorties.at(-1))}
    </ul>
  )
}

function stageToOpen(sortie: SortieRow): string {
  if (sortie.progress.prepare !== 'done') return 'prepare'
  if (sortie.attempts) return sortie.progress.review === 'done' ? 'record' : 'review'
  return 'fly'
}
