/** A phase of an attempt as a person cuts it. */
export interface Cut {
  id: string
  start_s: number
  end_s: number
}

/** The phases of a kind laid evenly over a stretch: a beginning to move from. */
export const spread = (ids: string[], from: number, to: number): Cut[] =>
  ids.map((id, i) => ({
    id,
    start_s: from + ((to - from) * i) / ids.length,
    end_s: from + ((to - from) * (i + 1)) / ids.length,
  }))

/** What lies before and after a moment. */
export const split = (phases: Cut[], at: number): [Cut[], Cut[]] => [
  phases.filter((phase) => phase.start_s < at).map((phase) => ({ ...phase, end_s: Math.min(phase.end_s, at) })),
  phases.filter((phase) => phase.end_s > at).map((phase) => ({ ...phase, start_s: Math.max(phase.start_s, at) })),
]

/** Two attempts as one: a phase that both have runs on to the later end, and nothing overlaps. */
export function join(first: Cut[], second: Cut[]): Cut[] {
  const joined = second.reduce<Cut[]>((all, phase) => {
    const known = all.some(({ id }) => id === phase.id)
    return known ? all.map((was) => (was.id === phase.id ? { ...was, end_s: phase.end_s } : was)) : [...all, phase]
  }, first)
  return joined
    .map((phase, i) => ({ ...phase, start_s: Math.max(phase.start_s, joined[i - 1]?.end_s ?? phase.start_s) }))
    .filter((phase) => phase.end_s > phase.start_s)
}
