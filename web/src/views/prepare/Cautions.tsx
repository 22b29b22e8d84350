import { t } from '@lingui/core/macro'
import type { Plan } from '../../api/client'

interface Props {
  plan: Plan
  /** The standing notes, or what today's numbers call for. */
  notes: boolean
  /** False where the limits stand at the decision already. */
  limits?: boolean
}

/** What to watch: today's limits marked and cautions hatched, or the notes that hold on every day. */
export function Cautions({ plan, notes, limits = true }: Props) {
  const shown = plan.cautions.filter(({ level }) => (level === 'note') === notes && (limits || level !== 'limit'))
  if (shown.length === 0) return null
  return (
    <section aria-label={notes ? t`Always` : t`Cautions`} className="my-3 print:my-1">
      <ul className="m-0 grid list-none gap-1.5 p-0 text-sm leading-snug print:gap-0.5">
        {shown.map((caution) => (
          <li
            key={caution.id}
            className={
              caution.level === 'limit'
                ? 'limit-note p-2 font-semibold'
                : caution.level === 'caution'
                  ? 'caution-edge py-1 pl-4 print:py-0'
                  : 'py-0.5 pl-4 text-soft print:py-0'
            }
          >
            {caution.level === 'limit' && <span className="block text-xs">{t`Limit`}</span>}
            {caution.text}
          </li>
        ))}
      </ul>
    </section>
  )
}
