import { useState, type ReactNode } from 'react'
import type { Plan, Sortie } from '../../api/client'
import { Figure, KeyFigure } from '../../design/Figure'
import { figure } from '../../design/words'

type PlanNumber = Plan['numbers'][string]

interface Props {
  plan: Plan
  sortie: Sortie
  /** What stands between the numbers to fly by and the working numbers. */
  children: ReactNode
}

/** The numbers to fly by, largest first; the working numbers beneath, each with its reason. */
export function NumbersCard({ plan, sortie, children }: Props) {
  const [reasons, setReasons] = useState(false)
  const first = plan.key_numbers.slice(0, 3)
  const second = plan.key_numbers.slice(3, 6)
  const rest = Object.entries(plan.numbers).filter(([name]) => !plan.key_numbers.includes(name))
  const { power_off: off, low_warning: warning } = plan.rotor_rpm_bands
  return (
    <section aria-label="Numbers" className="sheet p-3.5">
      <div className="grid grid-cols-[repeat(3,auto)] justify-between gap-x-2 border-b-2 border-ink pb-2">
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
      {children}
      <div className="mt-2 flex items-baseline justify-between">
        <span className="label">
          Rotor band, power off {off[0]}–{off[1]} %, warning {warning} %
        </span>
        <button
          type="button"
          className="no-print min-h-11 cursor-pointer bg-transparent text-sm underline"
          aria-pressed={reasons}
          onClick={() => setReasons(!reasons)}
        >
          {reasons ? 'Hide the reasons' : 'Why these numbers'}
        </button>
      </div>
      <dl className="figures m-0 grid gap-y-0.5 text-[0.93rem] print:gap-y-0 print:text-[0.8rem]">
        {reasons && plan.key_numbers.map((name) => <Row key={name} number={plan.numbers[name]} reasons={reasons} />)}
        {rest.map(([name, number]) => (
          <Row key={name} number={number} reasons={reasons} />
        ))}
        <div className="grid grid-cols-[1fr_auto] gap-x-2">
          <dt className="text-soft">Fuel</dt>
          <dd className="m-0 text-right font-semibold">
            {sortie.fuel_minutes}
            <span className="unit">min</span>
          </dd>
        </div>
      </dl>
      <p className="label mt-2 mb-0">
        Worked out by a flight model of an invented type: an estimate. Sink ±6 %, distances 5 to 95 %.{' '}
        <a href="/method#model">What the model leaves out</a>
      </p>
    </section>
  )
}

const spread = (number: PlanNumber) =>
  number.low != null && number.high != null
    ? `${figure(number.low, number.unit, number.digits)} to ${figure(number.high, number.unit, number.digits)}`
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

function Row({ number, reasons }: { number: PlanNumber | undefined; reasons: boolean }) {
  if (!number) return null
  return (
    <div className="grid grid-cols-[1fr_auto] gap-x-2" title={number.why}>
      <dt className="text-soft">{number.label}</dt>
      <dd className="m-0 text-right font-semibold">
        <Figure value={number.value} unit={number.unit} digits={number.digits} />
      </dd>
      {number.value == null && number.reason && <dd className="col-span-2 m-0 text-xs text-soft">{number.reason}</dd>}
      {reasons && <dd className="col-span-2 m-0 mb-1 text-xs text-soft">{number.why}</dd>}
    </div>
  )
}
