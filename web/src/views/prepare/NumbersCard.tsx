import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { ReactNode } from 'react'
import type { Plan, Sortie } from '../../api/client'
import { Figure, KeyFigure } from '../../design/Figure'
import { saidFigure } from '../../design/words'

type PlanNumber = Plan['numbers'][string]

interface Props {
  plan: Plan
  sortie: Sortie
  /** What today's numbers call for, under the numbers to fly by. */
  first: ReactNode
  /** What stands between what is watched and the details. */
  children: ReactNode
}

/** The details by what they are about, the model's own last. */
const GROUP_WORDS = {
  air: t`Air and load`,
  power: t`Power`,
  rotor: t`Rotor`,
  glide: t`Glide and descent`,
  turn: t`Turn`,
  ground: t`Over the ground`,
  model: t`What the model works with`,
} as const

/** The numbers to fly by, largest first; what to watch; then, folded, why they are so and the details by subject. */
export function NumbersCard({ plan, sortie, first: calls, children }: Props) {
  const first = plan.key_numbers.slice(0, 3)
  const second = plan.key_numbers.slice(3, 6)
  const rest = Object.entries(plan.numbers).filter(([name]) => ![...first, ...second].includes(name))
  const watched = rest.filter(([, { group }]) => group === 'watch')
  const groups = (Object.keys(GROUP_WORDS) as (keyof typeof GROUP_WORDS)[])
    .map((group) => ({ group, rows: rest.filter(([, number]) => number.group === group) }))
    .filter(({ rows }) => rows.length > 0)
  const { power_off: off, low_warning: warning } = plan.rotor_rpm_bands
  return (
    <section aria-label={t`Numbers`} className="sheet old-apart p-3.5">
      <div className="grid grid-cols-[repeat(3,auto)] justify-between gap-x-2 border-b-2 border-ink pb-2 max-[22rem]:grid-cols-2">
        {first.map((name) => (
          <Big key={name} number={plan.numbers[name]} size="text-[1.7rem]" />
        ))}
      </div>
      {second.length > 0 && (
        <div className="grid grid-cols-3 gap-x-2 border-b border-rule py-2">
          {second.map((name) => (
            <Big key={name} number={plan.numbers[name]} size="text-xl" />
          ))}
        </div>
      )}
      <div className="no-print">{calls}</div>
      <h2 className="m-0 mt-2 text-base font-semibold">{t`To watch`}</h2>
      <dl className="figures m-0 grid gap-y-0.5 text-[0.93rem] print:gap-y-0 print:text-[0.8rem]">
        <div className="grid grid-cols-[1fr_auto] gap-x-2">
          <dt className="text-soft">{t`Rotor rpm, power off`}</dt>
          <dd className="m-0 text-right font-semibold">
            <Trans>
              {off[0]} to {off[1]}
              <span className="unit">%, warning {warning}</span>
            </Trans>
          </dd>
        </div>
        {watched.map(([name, number]) => (
          <Row key={name} number={number} />
        ))}
        <div className="grid grid-cols-[1fr_auto] gap-x-2">
          <dt className="text-soft">{t`Fuel`}</dt>
          <dd className="m-0 text-right font-semibold">
            {sortie.fuel_minutes}
            <span className="unit">min</span>
          </dd>
        </div>
      </dl>
      <div className="mt-2">{children}</div>
      <details className="no-print mt-2">
        <summary className="min-h-11 cursor-pointer py-2.5 text-sm underline">{t`Why, and the details`}</summary>
        <dl className="figures m-0 grid gap-y-0.5 text-[0.93rem]">
          {[...first, ...second].map((name) => (
            <Row key={name} number={plan.numbers[name]} reasons />
          ))}
        </dl>
        {groups.map(({ group, rows }) => (
          <section key={group} aria-label={GROUP_WORDS[group]}>
            <h3 className="m-0 mt-2 border-b border-rule text-sm font-semibold">{GROUP_WORDS[group]}</h3>
            <dl className="figures m-0 grid gap-y-0.5 text-[0.93rem]">
              {rows.map(([name, number]) => (
                <Row key={name} number={number} reasons />
              ))}
            </dl>
          </section>
        ))}
      </details>
      <p className="label mt-2 mb-0">
        <Trans>
          Worked out by a flight model of an invented type: an estimate. Sink ±6 %, distances 5 to 95 %.{' '}
          <a href="/method#model">What the model leaves out</a>
        </Trans>
      </p>
    </section>
  )
}

const spread = (number: PlanNumber) =>
  number.low != null && number.high != null
    ? t`${saidFigure(number.low, number.unit, number.digits)} to ${saidFigure(number.high, number.unit, number.digits)}`
    : ''

function Big({ number, size }: { number: PlanNumber | undefined; size: string }) {
  if (!number) return null
  return (
    <div>
      <div className="label">{number.label}</div>
      <div className={`${size} leading-tight font-bold`}>
        <KeyFigure number={number} />
      </div>
      <div className="text-xs leading-tight text-soft">{number.value == null ? number.reason : spread(number)}</div>
    </div>
  )
}

function Row({ number, reasons = false }: { number: PlanNumber | undefined; reasons?: boolean }) {
  if (!number) return null
  return (
    <div className="grid grid-cols-[1fr_auto] gap-x-2">
      <dt className="text-soft">{number.label}</dt>
      <dd className="m-0 text-right font-semibold">
        {reasons ? (
          <Figure value={number.value} unit={number.unit} digits={number.digits} />
        ) : (
          <KeyFigure number={number} />
        )}
      </dd>
      {number.value == null && number.reason && <dd className="col-span-2 m-0 text-xs text-soft">{number.reason}</dd>}
      {reasons && <dd className="col-span-2 m-0 mb-1 text-xs text-soft">{number.why}</dd>}
    </div>
  )
}
