import { t } from '@lingui/core/macro'
import type { Plan } from '../../api/client'
import { bandText, gatePlace, saidFigure } from '../../design/words'

type Gate = Plan['gates'][number]

/** Each gate with the bands that let it be passed, and what to do when it is missed. */
export function Gates({ gates }: { gates: Gate[] }) {
  if (gates.length === 0) return null
  return (
    <section aria-label={t`Gates`}>
      <h2 className="m-0 text-base font-semibold">{t`Gates`}</h2>
      <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {gates.map((gate) => (
          <div key={gate.id} className="contents">
            <dt className="figures font-semibold">{gatePlace(gate)}</dt>
            <dd className="m-0">{[...bands(gate), gate.text].join('; ')}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

const bands = (gate: Gate) =>
  Object.values(gate.measures).map(({ low, high, unit }) => bandText(low, high, unit, undefined, saidFigure))
