import type { Plan } from '../api/client'
import { figure, unitWord } from './words'

/** A number with its unit, smaller, beside it. */
export function Figure({ value, unit, digits }: { value: number | null | undefined; unit: string; digits?: number }) {
  return (
    <span className="whitespace-nowrap">
      {figure(value, unit, digits)}
      {unitWord(unit) && <span className="unit">{unitWord(unit)}</span>}
    </span>
  )
}

/** A number to fly by: percents are whole, since no gauge is read closer. */
export const KeyFigure = ({ number }: { number: Plan['numbers'][string] }) => (
  <Figure value={number.value} unit={number.unit} digits={number.unit === 'pct' ? 0 : number.digits} />
)
