import { t } from '@lingui/core/macro'
import type { FlyEvent, Planned } from '../../api/client'

interface ChecksProps {
  sortie: Planned
  live: FlyEvent[]
  tap: (text: string) => void
  locked: boolean
}

/** The manoeuvre's checks, ticked once each. */
export function Checks({ sortie, live, tap, locked }: ChecksProps) {
  const done = new Set(live.filter((event) => event.kind === 'check').map((event) => event.payload.value))
  return (
    <section aria-labelledby="checks" className="sheet p-3">
      <h2 id="checks" className="m-0 mb-1 text-base font-semibold">
        {t`Checks, ${done.size} of ${sortie.checks.length}`}
      </h2>
      <ul className="m-0 grid list-none gap-3 p-0">
        {sortie.checks.map((check) => (
          <li key={check}>
            <button
              type="button"
              className="flex min-h-16 w-full cursor-pointer items-center gap-2 text-left disabled:cursor-default"
              disabled={locked || done.has(check)}
              aria-pressed={done.has(check)}
              onClick={() => tap(check)}
            >
              <svg
                width="20"
                height="20"
                viewBox="0 0 20 20"
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
                aria-hidden="true"
                className="shrink-0"
              >
                <rect
                  x="2"
                  y="2"
                  width="16"
                  height="16"
                  fill={done.has(check) ? 'currentColor' : 'none'}
                  strokeDasharray={done.has(check) ? undefined : '3 2.500'}
                />
                {done.has(check) && <path d="m5 10 4 4 6-8" stroke="var(--sheet)" strokeWidth="2.400" />}
              </svg>
              {check}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
