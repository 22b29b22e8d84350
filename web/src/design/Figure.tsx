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
