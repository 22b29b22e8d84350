import choices from '../../../core/data/unit_choices.json'

/** The units that somebody reads and writes in, where pilots have several for one thing. What is stored stays. */

interface Other {
  of: string
  word: string
  factor: number
  offset: number
  digits: number
}
const ALL = choices as Record<string, Record<string, Other>>
let chosen: Other[] = []

/** @param units what each kind is read in, as the session tells it */
export const setUnits = (units: Record<string, string>) => {
  chosen = Object.entries(units).flatMap(([kind, name]) => ALL[kind]?.[name] ?? [])
}

const otherFor = (unit: string) => chosen.find(({ of }) => of === unit)

export const wordFor = (unit: string) => otherFor(unit)?.word ?? unit
export const digitsFor = (unit: string, digits: number) => otherFor(unit)?.digits ?? digits
/** A stored value as it is read. */
export function toReader(value: number, unit: string): number {
  const other = otherFor(unit)
  return other ? value * other.factor + other.offset : value
}
/** What was typed, as it is stored. */
export function fromReader(value: number, unit: string): number {
  const other = otherFor(unit)
  return other ? (value - other.offset) / other.factor : value
}
