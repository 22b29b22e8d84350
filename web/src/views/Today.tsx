import { Link } from 'react-router'
import type { Session, SortieRow } from '../api/client'
import { useToday } from '../api/queries'
import { StageTrack } from './StageTrack'
import { Empty, Failed, Loading } from '../design/States'
import { clockOf, dayOf, shortDayOf } from '../design/words'
import { NewSortie } from './NewSortie'
import { isLearner } from '../api/who'

/** The board: what is flown today, what waits for somebody, what was and what comes. */
export function Today({ session }: { session: Session }) {
  const today = useToday()
  if (today.isPending) return <Loading what="the board" />
  if (today.isError) return <Failed error={today.error} again={() => void today.refetch()} />
  const { date, sorties, earlier, later, attention } = today.data
  const staff = !isLearner(session.person)
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-4 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{dayOf(`${date}T12:00:00Z`)}</h1>
        <span className="text-soft">
          {session.school.name} · {session.school.station} · times UTC
        </span>
      </header>
      <div className="mt-4 grid gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
        <section aria-labelledby="flying">
          <div className="flex items-center justify-between">
            <h2 id="flying" className="m-0 text-lg font-semibold">
              Flying today
            </h2>
            {staff && <NewSortie date={date} />}
          </div>
          {sorties.length === 0 ? <Empty>No sortie today.</Empty> : <Board sorties={sorties} />}
          <h2 className="mt-7 mb-2 text-lg font-semibold">Earlier</h2>
          {earlier.length === 0 ? <Empty>Nothing in the last seven days.</Empty> : <Board sorties={earlier} dated />}
          <h2 className="mt-7 mb-2 text-lg font-semibold">To come</h2>
          {later.length === 0 ? (
            <Empty>Nothing planned in the next seven days.</Empty>
          ) : (
            <Board sorties={later} dated />
          )}
        </section>
        {staff && (
          <aside aria-labelledby="attention">
            <h2 id="attention" className="m-0 mb-2 text-lg font-semibold">
              Waiting for somebody
            </h2>
            {attention.length === 0 && <Empty>Nothing waits.</Empty>}
            <ul className="m-0 grid list-none gap-2 p-0">
              {attention.map((item) => (
                <li key={item.kind + item.text} className={item.kind === 'aircraft' ? 'limit-note p-3' : 'sheet p-3'}>
                  <Link
                    to={
                      item.kind === 'aircraft'
                        ? '/fleet'
                        : item.kind === 'review'
                          ? `/sorties/${item.sortie_id ?? ''}/review`
                          : `/students/${item.student_id ?? ''}`
                    }
                  >
                    {item.text}
                  </Link>
                </li>
              ))}
            </ul>
          </aside>
        )}
      </div>
    </>
  )
}

function Board({ sorties, dated = false }: { sorties: SortieRow[]; dated?: boolean }) {
  return (
    <ul className="m-0 list-none border-t border-rule p-0">
      {sorties.map((sortie) => (
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
              <span className="font-normal text-soft"> with {sortie.instructor.name}</span>
            </div>
            <div className="text-sm text-soft">
              {sortie.aircraft.mark} · {sortie.title} · <b className="text-ink">{sortie.next_step}</b>
            </div>
          </div>
          <div className="max-lg:col-span-2">
            <StageTrack sortie={sortie} close />
          </div>
        </li>
      ))}
    </ul>
  )
}

function stageToOpen(sortie: SortieRow): string {
  if (sortie.progress.prepare !== 'done') return 'prepare'
  if (sortie.attempts) return sortie.progress.review === 'done' ? 'record' : 'review'
  return 'fly'
}
