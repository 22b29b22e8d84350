import { t } from '@lingui/core/macro'
import type { Schemas } from '../../api/client'
import { clockOf, fullDayOf } from '../../design/words'

type Entry = Schemas['AuditEntry']

/** What was changed, by whom, from what to what, with why; newest first. */
export const History = ({ entries, subjects = false }: { entries: Entry[]; subjects?: boolean }) => (
  <section aria-labelledby="history">
    <h2 id="history" className="m-0 text-lg font-semibold">
      {t`What was changed`}
    </h2>
    {entries.length === 0 && <p className="text-soft">{t`Nothing yet.`}</p>}
    <ul className="m-0 mt-2 list-none border-t border-rule p-0">
      {entries.map((entry) => (
        <li key={entry.id} className="grid gap-x-4 border-b border-rule py-2 sm:grid-cols-[11rem_1fr]">
          <span className="label">
            {fullDayOf(entry.at)}, {clockOf(entry.at)}
            <br />
            {entry.by}
          </span>
          <span>
            <b>
              {subjects ? `${entry.subject}: ` : ''}
              {entry.what}
            </b>
            {changes(entry).map((text) => (
              <span key={text} className="block">
                {text}
              </span>
            ))}
            {entry.why && <span className="block text-soft">{entry.why}</span>}
          </span>
        </li>
      ))}
    </ul>
  </section>
)

/** Ids say nothing to a reader. */
function changes({ was, became }: Entry): string[] {
  const before = was as Record<string, unknown>
  const after = became as Record<string, unknown>
  return [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter((name) => !name.endsWith('_id'))
    .map((name) => {
      const label = name.replaceAll('_', ' ')
      if (!(name in before)) return `${label}: ${said(after[name])}`
      if (!(name in after)) return t`${label} was ${said(before[name])}`
      return `${label}: ${said(before[name])} → ${said(after[name])}`
    })
}

function said(value: unknown): string {
  if (value === null || value === undefined || value === '') return t`nothing`
  return typeof value === 'string' ? value : JSON.stringify(value)
}
