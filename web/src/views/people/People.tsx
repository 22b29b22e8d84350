import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Session } from '../../api/client'
import { usePeople, type Person } from '../../api/people'
import { HeadRow } from '../../design/HeadRow'
import { FindField } from '../../design/FindField'
import { MoreRows } from '../../design/MoreRows'
import { useRested } from '../../design/useRested'
import { Failed, Loading } from '../../design/States'
import { capital } from '../../design/words'
import { AddPerson } from './AddPerson'
import { ImportPeople } from './ImportPeople'
import { WideTable } from '../../design/WideTable'

/** Everybody of the school, what of theirs runs out, and who comes in next. */
export function People({ session }: { session: Session }) {
  const [find, setFind] = useState('')
  const people = usePeople(useRested(find.trim(), 250))
  const [gone, setGone] = useState(false)
  const chief = session.person?.role === 'chief_instructor'
  if (people.isPending) return <Loading what={t`the people`} />
  if (people.isError) return <Failed error={people.error} again={() => void people.refetch()} />
  const all = people.data.pages.flatMap(({ items }) => items)
  const here = all.filter((person) => gone || person.state !== 'left')
  const left = all.filter((person) => person.state === 'left').length
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{t`People`}</h1>
        <div className="flex flex-wrap gap-2">
          <FindField what={t`a person`} value={find} onChange={setFind} />
          {chief && (
            <>
              <AddPerson />
              <ImportPeople />
              <a className="button" href="/api/people-list">
                {t`As CSV`}
              </a>
            </>
          )}
        </div>
      </header>
      <WideTable outer="mt-3" className="w-full">
        <HeadRow heads={[t`Name`, t`Role`, t`Documents`, t`State`]} />
        <tbody>
          {here.map((person) => (
            <tr key={person.id} className="border-t border-rule align-top">
              <td className="p-2 font-semibold">
                <Link to={`/people/${person.id}`}>{person.name}</Link>
              </td>
              <td className="p-2">
                {capital(person.role)}
                {person.stage && <span className="label block">{t`${capital(person.stage)} stage`}</span>}
              </td>
              <td className="p-2">
                <Papers person={person} />
              </td>
              <td className="p-2">{person.state === 'active' ? '' : capital(person.state)}</td>
            </tr>
          ))}
        </tbody>
      </WideTable>
      <MoreRows more={people.hasNextPage} busy={people.isFetchingNextPage} next={() => void people.fetchNextPage()} />
      {left > 0 && (
        <button type="button" className="button mt-4" onClick={() => setGone(!gone)}>
          {gone ? t`Without those who left` : t`Also ${left} who left`}
        </button>
      )}
    </>
  )
}

/** What is missing, has run out or is about to: nothing where all is well. */
function Papers({ person }: { person: Person }) {
  const told = person.documents.filter((one) => one.state !== 'good')
  if (told.length === 0 && person.missing.length === 0) return <span className="text-soft">{t`in date`}</span>
  return (
    <ul className="m-0 list-none p-0">
      {person.missing.map((title) => (
        <li key={title} className="font-semibold">
          {t`${title}: none on file`}
        </li>
      ))}
      {told.map((one) => (
        <li key={one.id} className={one.state === 'due' ? '' : 'font-semibold'}>
          {one.text}
        </li>
      ))}
    </ul>
  )
}
