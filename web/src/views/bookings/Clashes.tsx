import { t } from '@lingui/core/macro'
import type { Clash } from '../../api/bookings'

const WORDS = { cannot: t`Not possible`, limit: t`Limit`, note: t`To know` }

/** What stands against a booking, a sentence each, the gravest first. */
export const Clashes = ({ clashes }: { clashes: Clash[] }) => (
  <ul className="m-0 grid list-none gap-1.5 p-0" aria-label={t`What stands against it`}>
    {clashes.map(({ id, level, text }) => (
      <li key={id + text} className={level === 'note' ? 'border border-rule p-2' : 'limit-note p-2'}>
        <b>{WORDS[level]}:</b> {text}
      </li>
    ))}
  </ul>
)
