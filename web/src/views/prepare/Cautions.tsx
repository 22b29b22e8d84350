import type { Plan } from '../../api/client'

/** What to watch today: limits first and marked, then cautions hatched, then the standing notes. */
export function Cautions({ plan }: { plan: Plan }) {
  return (
    <section aria-label="Cautions" className="mt-3">
      <ul className="m-0 grid list-none gap-1.5 p-0 text-sm leading-snug">
        {plan.cautions.map((caution) => (
          <li
            key={caution.id}
            className={
              caution.level === 'limit'
                ? 'limit-note p-2 font-semibold'
                : caution.level === 'caution'
                  ? 'caution-edge py-1 pl-4'
                  : 'py-0.5 pl-4 text-soft'
            }
          >
            {caution.level === 'limit' && <span className="block text-xs">Limit</span>}
            {caution.text}
          </li>
        ))}
      </ul>
    </section>
  )
}
