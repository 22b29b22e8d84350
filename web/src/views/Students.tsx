import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Schemas, Standing } from '../api/client'
import { useCatalogue, useStudents } from '../api/queries'
import { HeadRow } from '../design/HeadRow'
import { GradeGlyph } from '../design/GradeGlyph'
import { FindField } from '../design/FindField'
import { MoreRows } from '../design/MoreRows'
import { Pick } from '../design/Pick'
import { useRested } from '../design/useRested'
import { Empty, Failed, Loading } from '../design/States'
import { capital, clockOf, GRADE_WORDS, shortDayOf } from '../design/words'
import { CheckSignOff } from './CheckSignOff'
import { Why } from '../design/Why'
import { WideTable } from '../design/WideTable'

type Row = Schemas['StudentRow']
type Sort = 'name' | 'due' | 'ready' | 'stuck'

const SORTS: { id: Sort; word: string }[] = [
  { id: 'name', word: t`by name` },
  { id: 'due', word: t`longest not flown first` },
  { id: 'ready', word: t`ready first` },
  { id: 'stuck', word: t`stuck first` },
]

/** The class at a glance: manoeuvre by student, who is ready, who is stuck on what, who has not flown for long. */
export function Students() {
  const [find, setFind] = useState('')
  const students = useStudents(useRested(find.trim(), 250))
  const catalogue = useCatalogue()
  const [sort, setSort] = useState<Sort>('name')
  if (students.isPending) return <Loading what={t`the students`} />
  if (students.isError) return <Failed error={students.error} again={() => void students.refetch()} />
  const rows = sorted(
    students.data.pages.flatMap(({ items }) => items),
    sort,
  )
  const flown = new Set(rows.flatMap((row) => row.standings.map(({ manoeuvre }) => manoeuvre)))
  const columns = (catalogue.data?.manoeuvres ?? []).filter(({ id }) => flown.has(id))
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{t`Students`}</h1>
        <div className="no-print flex flex-wrap items-center gap-2">
          <FindField what={t`a student`} value={find} onChange={setFind} />
          <Pick
            aria-label={t`Order`}
            className="w-56"
            value={sort}
            choices={SORTS.map(({ id, word }) => ({ id, word }))}
            onChange={(id) => setSort(id as Sort)}
          />
          <a className="button whitespace-nowrap" href="/api/class-list">
            {t`As CSV`}
          </a>
          <button type="button" className="button" onClick={() => window.print()}>
            {t`Print`}
          </button>
        </div>
      </header>
      {rows.length === 0 && <Empty>{find ? t`No student is called ${find}.` : t`No student yet.`}</Empty>}
      <WideTable outer="mt-3" className="w-full text-sm">
        <HeadRow heads={[t`Student`, t`Last flown`, ...columns.map(({ title }) => title), t`Next sortie`]} />
        <tbody>
          {rows.map((row) => (
            <tr key={row.id} className="border-t border-rule align-top">
              <td className="p-2 text-base font-semibold">
                <Link to={`/students/${row.id}`}>{row.name}</Link>
                <span className="label block font-normal">{capital(row.stage)}</span>
              </td>
              <td className="p-2 whitespace-nowrap">{lastFlown(row) ? shortDayOf(lastFlown(row) ?? '') : '—'}</td>
              {columns.map(({ id }) => (
                <td key={id} className="p-2">
                  <Cell standing={row.standings.find(({ manoeuvre }) => manoeuvre === id)} />
                </td>
              ))}
              <td className="p-2 whitespace-nowrap">
                {row.next_sortie ? `${shortDayOf(row.next_sortie)} ${clockOf(row.next_sortie)}` : '—'}
              </td>
            </tr>
          ))}
        </tbody>
      </WideTable>
      {students.hasNextPage && (
        <p className="label mt-2 mb-0">
          <Trans>
            {rows.length} of {students.data.pages[0]?.total} students, in order among those shown.
          </Trans>
        </p>
      )}
      <MoreRows
        more={students.hasNextPage}
        busy={students.isFetchingNextPage}
        next={() => void students.fetchNextPage()}
      />
      <CheckSignOff />
    </>
  )
}

const lastFlown = (row: Row) =>
  row.standings
    .map((standing) => standing.last_flown ?? '')
    .sort()
    .at(-1)
const count = (row: Row, is: (standing: Standing) => boolean | undefined) =>
  row.standings.filter((standing) => is(standing)).length

function sorted(rows: Row[], sort: Sort): Row[] {
  const copy = [...rows]
  switch (sort) {
    case 'due':
      return copy.sort((a, b) => (lastFlown(a) ?? '').localeCompare(lastFlown(b) ?? ''))
    case 'ready':
      return copy.sort((a, b) => count(b, isReady) - count(a, isReady))
    case 'stuck':
      return copy.sort((a, b) => count(b, (s) => s.stuck) - count(a, (s) => s.stuck))
    default:
      return copy
  }
}

const isReady = (standing: Standing) => standing.ready && !standing.signed_off

/** The latest level, which opens what the sign-off still wants. */
function Level({ standing }: { standing: Standing }) {
  const glyph = <GradeGlyph grade={standing.level ?? null} size={24} />
  const missing = standing.conditions.filter((condition) => !condition.met)
  if (missing.length === 0) return glyph
  return (
    <Why
      word={glyph}
      label={t`${standing.title}, ${GRADE_WORDS[standing.level ?? -1] ?? t`no grade`}: what is missing`}
    >
      <ul className="m-0 pl-4">
        {missing.map((condition) => (
          <li key={condition.text}>{condition.text}</li>
        ))}
      </ul>
    </Why>
  )
}

/** One student in one manoeuvre: the latest level, which way it goes, and the one word that matters. */
function Cell({ standing }: { standing: Standing | undefined }) {
  if (!standing) return null
  const word = standing.signed_off ? t`signed off` : standing.ready ? t`ready` : standing.stuck ? t`stuck` : ''
  return (
    <span className="grid justify-items-start gap-0.5">
      <span className="flex flex-wrap items-center gap-x-2">
        <Level standing={standing} />
        {standing.trend && standing.trend !== 'steady' && <Trend trend={standing.trend} />}
      </span>
      {word && <b>{word}</b>}
      {!word && standing.weakest_phase && (standing.level ?? 4) < 3 && (
        <span className="text-soft">{standing.weakest_phase}</span>
      )}
    </span>
  )
}

const SLOPES = { rising: 'M1 11 11 2m-5 0h5v5', steady: 'M1 7h11m-4-4 4 4-4 4', falling: 'M1 2 11 11m0-5v5H6' }

export function Trend({ trend }: { trend: 'rising' | 'steady' | 'falling' }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg width="14" height="13" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden="true">
        <path d={SLOPES[trend]} />
      </svg>
      {trend}
    </span>
  )
}
