import type { PathPoint } from '../../api/client'

/**
 * Which phase an attempt is in: as the recording shows it, else by the clock along the planned path.
 * @param seen the recorder's word, @param sinceS since the attempt began; undefined before it
 */
export function phaseNow(phases: string[], path: PathPoint[], sinceS: number | undefined, seen?: string): string {
  const first = phases[0] ?? 'entry'
  if (seen && phases.includes(seen)) return seen
  if (sinceS === undefined) return first
  const passed = path.filter(({ t_s, phase }) => t_s <= sinceS && phases.includes(phase))
  return passed.at(-1)?.phase ?? first
}
