import { t } from '@lingui/core/macro'
import type { FlyEvent } from '../../api/client'
import { speak } from '../../design/speak'
import { Checks } from './Checks'
import type { Planned } from '../../api/client'

interface Props {
  sortie: Planned
  live: FlyEvent[]
  tap: (text: string) => void
  locked: boolean
}

/** The checks as a page before the flight: one large tap each, the next one read aloud if wanted. */
export function CheckPage({ sortie, live, tap, locked }: Props) {
  const done = new Set(live.filter((event) => event.kind === 'check').map((event) => event.payload.value))
  const next = sortie.checks.find((check) => !done.has(check))
  return (
    <div className="grid gap-3">
      <Checks
        sortie={sortie}
        live={live}
        locked={locked}
        tap={(text) => {
          tap(text)
          const after = sortie.checks.find((check) => check !== text && !done.has(check))
          if (window.speechSynthesis?.speaking && after) speak(after)
        }}
      />
      {next && (
        <button type="button" className="tap" onClick={() => speak(next)}>
          {t`Read the next one aloud`}
        </button>
      )}
    </div>
  )
}
