import type { Plan } from '../api/client'
import { figure, saidFigure, unitWord } from './words'

/** A number with its unit, smaller, beside it. */
export const Figure = ({
  value,
  unit,
  digits,
}: {
  value: number | null | undefined
  unit: string
  digits?: number
}) => <Written text={figure(value, unit, digits)} unit={unit} />

/** A number to fly by, as a person says it. */
export const KeyFigure = ({ number }: { number: Plan['numbers'][string] }) => (
  <Written text={saidFigure(number.value, number.unit, number.digits)} unit={number.unit} />
)

function Written({ text, unit }: { text: string; unit: string }) {
  return (
    <span className="whitespace-nowrap">
      {text}
      {unitWord(unit) && <span className="unit">{unitWord(unit)}</span>}
    </span>
  )
}
