import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { clsx } from 'clsx'
import { useState } from 'react'
import { Link, NavLink, useLocation } from 'react-router'
import type { Session } from '../api/client'
import { useSignOut } from '../api/session'
import { Choice, SEGMENT } from '../design/Choice'
import { useInSight } from '../design/useInSight'
import type { Mode } from '../design/useMode'
import { capital, MODE_WORDS } from '../design/words'
import { isLearner } from '../api/who'
import { useWaiting } from '../queue/useStored'
import { WaitingTaps } from './WaitingTaps'

const PLACES: { to: string; word: string; staff: boolean; chief?: boolean }[] = [
  { to: '/', word: t`Today`, staff: false },
  { to: '/bookings', word: t`Bookings`, staff: false },
  { to: '/students', word: t`Students`, staff: true },
  { to: '/sites', word: t`Sites`, staff: false },
  { to: '/fleet', word: t`Fleet`, staff: false },
  { to: '/method', word: t`Method`, staff: false },
  { to: '/people', word: t`People`, staff: true },
  { to: '/school', word: t`School`, staff: true, chief: true },
]

/** Beside the page its mark stands to the left; on a phone, where the places are one row, under it. */
const PLACE =
  'flex min-h-11 shrink-0 items-center border-l-4 px-3 no-underline max-md:border-b-4 max-md:border-l-0 max-md:pt-1 max-md:px-2'

interface Props {
  session: Session
  mode: Mode
  setMode: (mode: Mode) => void
}

/** A rail of words, the device's mode, and who is signed in. */
export function Rail({ session, mode, setMode }: Props) {
  const signOut = useSignOut()
  const person = session.person
  const staff = !isLearner(person)
  const [leaving, setLeaving] = useState(false)
  const [opened, setOpened] = useState(false)
  const { pathname } = useLocation()
  // On a phone the places are one row.
  const places = useInSight<HTMLElement>(pathname)
  const mine = useWaiting().filter((tap) => tap.person_id === person?.id && !tap.refused).length
  return (
    <header className="no-print border-r border-rule bg-wash max-md:border-r-0 max-md:border-b">
      <div className="flex h-full max-h-screen flex-col gap-1 p-3 md:sticky md:top-0 md:h-screen max-md:flex-row max-md:flex-wrap max-md:items-center max-md:gap-x-2 max-md:px-2 max-md:py-0.5">
        <div className="mb-3 flex items-center gap-2 max-md:mb-0">
          <Mark />
          <span className="text-xl font-bold tracking-tight max-md:sr-only">Fujin</span>
        </div>
        <nav
          ref={places}
          aria-label={t`Places`}
          className="flex flex-col gap-0.5 max-md:min-w-0 max-md:flex-1 max-md:flex-row max-md:overflow-x-auto [scrollbar-width:thin]"
        >
          {PLACES.filter(
            (place) => (staff || !place.staff) && (!place.chief || person?.role === 'chief_instructor'),
          ).map((place) => (
            <NavLink
              key={place.to}
              to={place.to}
              end={place.to === '/'}
              className={({ isActive }) =>
                clsx(PLACE, isActive ? 'border-ink font-bold text-ink' : 'border-transparent text-soft hover:text-ink')
              }
            >
              {place.word}
            </NavLink>
          ))}
          {!staff && person && (
            <NavLink
              to={`/students/${person.id}`}
              className={({ isActive }) =>
                clsx(PLACE, isActive ? 'border-ink font-bold' : 'border-transparent text-soft')
              }
            >
              {t`My record`}
            </NavLink>
          )}
        </nav>
        <button
          type="button"
          className="act px-1 md:hidden"
          aria-expanded={opened}
          aria-controls="device"
          onClick={() => setOpened(!opened)}
        >
          {opened ? t`Less` : t`More`}
        </button>
        <WaitingTaps person={person?.id} />
        <div
          id="device"
          className={clsx(
            'mt-auto flex flex-col gap-2 text-sm max-md:mt-0 max-md:w-full max-md:flex-row max-md:flex-wrap max-md:items-center max-md:gap-x-4 max-md:pb-2',
            !opened && 'max-md:hidden',
          )}
        >
          <div>
            <span aria-hidden="true" className="label max-md:hidden">
              {t`Light here`}
            </span>
            <Choice
              label={t`Light here`}
              words={MODE_WORDS}
              value={mode}
              onPick={setMode}
              item={`${SEGMENT} flex-1 px-1.5!`}
            />
          </div>
          <div className="leading-tight">
            <Link to="/me" className="inline-flex min-h-11 items-center font-semibold">
              {person?.name}
            </Link>
            <div className="label">{capital(person?.role ?? '')}</div>
          </div>
          {mine > 0 && leaving && (
            <p role="alert" className="limit-note m-0 p-2">
              {plural(mine, { one: '# tap still waits here.', other: '# taps still wait here.' })}{' '}
              {t`They stay, and are sent when you sign in on this device again.`}
            </p>
          )}
          <button
            type="button"
            className="act"
            onClick={() => (mine > 0 && !leaving ? setLeaving(true) : signOut.mutate())}
          >
            {mine > 0 && leaving ? t`Sign out all the same` : t`Sign out`}
          </button>
          <p className="label max-md:hidden">
            <Trans>
              <kbd>Ctrl K</kbd> go anywhere
              <br />
              <kbd>?</kbd> keys here
            </Trans>
          </p>
        </div>
      </div>
    </header>
  )
}

const Mark = () => (
  <svg
    width="30"
    height="30"
    viewBox="0 0 32 32"
    fill="none"
    stroke="currentColor"
    strokeWidth="2.400"
    strokeLinecap="round"
    strokeLinejoin="round"
    aria-hidden="true"
  >
    <path d="M10 5c-5 4-7.500 9-7 14 .5 5 4 8.500 9 8.500 5.500 0 9-4 9-9 0-4-2-7-5.500-9.500" />
    <path d="M10 5c1.500 2 3.500 3 5.500 4M10 5l3.500-1.500M15.500 9l3.500-2" />
    <path d="M13 18c5-3 10-3 17-1.500M12.500 22.500c5-1.500 9-1.500 13.500.500" />
  </svg>
)
