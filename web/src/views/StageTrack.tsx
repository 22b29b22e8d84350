import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import { Link } from 'react-router'
import type { SortieRow } from '../api/client'
import { capital, clockOf, shortDayOf, STAGES, type StageName } from '../design/words'

/** The four stages as stations on one streamline: open, begun or done. Moving along it loses nothing. */
interface Props {
  sortie: SortieRow
  current?: StageName
  /** Closer together, for a list. */
  close?: boolean
}

export function StageTrack({ sortie, current, close = false }: Props) {
  // One of a list's rows is no place of the page to go to.
  const Frame = close ? 'div' : 'nav'
  return (
    <Frame
      role={close ? 'group' : undefined}
      aria-label={t`Stages of ${sortie.student.name}, ${shortDayOf(sortie.starts_at)} ${clockOf(sortie.starts_at)}`}
      className="no-print"
    >
      <ol className="flex flex-wrap items-center">
        {STAGES.map((stage, index) => (
          <li key={stage} className="flex items-center">
            {index > 0 && <Flow close={close} done={sortie.progress[STAGES[index - 1] ?? 'prepare'] === 'done'} />}
            <Link
              to={`/sorties/${sortie.id}/${stage}`}
              aria-current={stage === current ? 'step' : undefined}
              className={clsx(
                'flex min-h-11 items-center px-1 no-underline max-sm:px-0.5',
                close ? 'gap-1 text-sm' : 'gap-2 max-sm:gap-1',
                stage === current ? 'font-bold underline decoration-2 underline-offset-8' : 'text-soft hover:text-ink',
              )}
            >
              <Station state={sortie.progress[stage]} />
              {capital(stage)}
              <span className="sr-only">{sortie.progress[stage]}</span>
            </Link>
          </li>
        ))}
      </ol>
    </Frame>
  )
}

const Flow = ({ done, close }: { done: boolean; close: boolean }) => (
  <svg
    width="44"
    height="14"
    viewBox="0 0 44 14"
    fill="none"
    stroke="currentColor"
    strokeWidth="2"
    aria-hidden="true"
    // Where the type is larger, a phone has no room for it.
    className={clsx(
      'max-[22rem]:hidden max-sm:in-data-[mode=sun]:hidden',
      close ? 'w-5 max-sm:w-3' : 'mx-1 max-lg:w-6 max-sm:mx-0 max-sm:w-3',
    )}
  >
    <path d="M1 7c10-7 18 6 28 0 5-3 9-2 14 0" strokeDasharray={done ? undefined : '3 4'} />
  </svg>
)

const Station = ({ state }: { state: 'open' | 'begun' | 'done' }) => (
  <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true" fill="none" stroke="currentColor" strokeWidth="2">
    <circle
      cx="8"
      cy="8"
      r="6"
      fill={state === 'done' ? 'currentColor' : 'none'}
      strokeDasharray={state === 'open' ? '2.500 2.200' : undefined}
    />
    {state === 'begun' && <path d="M8 2a6 6 0 0 0 0 12z" fill="currentColor" stroke="none" />}
  </svg>
)
