import { t } from '@lingui/core/macro'
import type { FlyEvent, Sortie } from '../../api/client'
import { clockOf } from '../../design/words'
import { describe } from './tapWords'

/** The newest taps, newest first. */
export function Taps({ live, kind }: { live: FlyEvent[]; kind: Sortie['aircraft']['kind'] }) {
  const shown = live
    .filter((event) => event.kind !== 'check')
    .slice(-8)
    .reverse()
  return (
    <section aria-labelledby="taps">
      <h2 id="taps" className="m-0 mb-1 text-base font-semibold">
        {t`Last taps`}
      </h2>
      {shown.length === 0 && <p className="m-0 text-soft">{t`None yet.`}</p>}
      <ol className="m-0 list-none p-0 text-sm">
        {shown.map((event) => (
          <li key={event.id} className="border-t border-rule py-1">
            <span className="text-soft">{clockOf(event.at)}</span> {describe(event, kind)}
          </li>
        ))}
      </ol>
    </section>
  )
}
