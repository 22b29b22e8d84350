import type { SiteNumber } from '../../api/sites'

export const USES: Record<string, string> = {
  touch_and_go: 'Touch and go',
  drop_off: 'Drop someone off',
  shut_down: 'Shut down',
  train_dual: 'Train dual',
  train_solo: 'Train solo',
}
export const VERDICTS: Record<string, string> = { suitable: 'suitable', if: 'if…', not: 'not suitable' }
export const WAYS: Record<string, string> = {
  towering: 'Straight up',
  with_a_run: 'With a run',
  backtrack: 'From the far end',
}
export const WHATS = [
  'tree',
  'trees',
  'wire',
  'pole',
  'mast',
  'building',
  'fence',
  'edge',
  'ridge',
  'water',
  'people',
  'animals',
  'loose',
]
export const STATUSES: Record<string, string> = { seen: 'seen', not_there: 'not there', open: 'open' }
export const PASSES: Record<string, string> = {
  high: 'from the high pass',
  low: 'from the low pass',
  walked: 'walked',
  surveyed: 'measured',
}
export const GROUPS: Record<string, string> = {
  ground: 'The ground',
  air_and_light: 'Air and light',
  obstructions: 'Obstructions',
  lines: 'Lines',
}
/** The survey's points in the order in which they are looked at, with the question each asks. */
export const POINTS: { group: string; about: string; ask: string }[] = [
  { group: 'ground', about: 'size', ask: 'Length and width that can be used' },
  { group: 'ground', about: 'slope', ask: 'Slope, and which way it falls' },
  { group: 'ground', about: 'surface', ask: 'Surface: does it bear, blow, burn, hide something' },
  { group: 'ground', about: 'edge', ask: 'Edges, steps, ditches' },
  { group: 'ground', about: 'movables', ask: 'What the downwash could move' },
  { group: 'air_and_light', about: 'wind', ask: 'Wind, and how it varies' },
  { group: 'air_and_light', about: 'lee', ask: 'Lee, sinking air, turbulence' },
  { group: 'air_and_light', about: 'sun', ask: 'Sun and shadow on the lines' },
  { group: 'obstructions', about: 'wire', ask: 'Wires: pole to pole, house to pole' },
  { group: 'obstructions', about: 'pole', ask: 'Poles and masts, and what they carry' },
  { group: 'obstructions', about: 'other', ask: 'Trees, buildings, people, animals' },
  { group: 'lines', about: 'approach', ask: 'The line in, and what stands under it' },
  { group: 'lines', about: 'break_off', ask: 'The last point to break off, and where to' },
  { group: 'lines', about: 'end', ask: 'Where it ends: spot, hover or surface' },
  { group: 'lines', about: 'manoeuvring', ask: 'Room to move inside, where the tail goes' },
  { group: 'lines', about: 'departure', ask: 'The way out, and with what power' },
  { group: 'lines', about: 'escape', ask: 'If the engine quits: which ground' },
]

const REASONS: Record<string, string> = {
  no_obstacle: 'nothing under it',
  not_known: 'height not known',
  limit: 'over the limit',
  no_wind: 'no wind given',
  straight_up: '—',
  power: 'too little power',
  room: 'no room',
  clearance: 'does not clear',
  speed: 'too short for 20 kt',
}
/** A site's number as a person says it, or why there is none. */
export function said(number: SiteNumber | undefined, digits = 0, unit = ''): string {
  if (!number) return '—'
  if (number.value == null) {
    const [reason = '', ids] = (number.reason ?? '').split(': ')
    const named = number.ids?.join(', ') ?? ids
    return named ? `${REASONS[reason] ?? reason}: ${named}` : (REASONS[reason] ?? reason)
  }
  return `${number.value.toFixed(digits)}${unit}`
}
export const reasonWord = (reason: string | null | undefined) =>
  reason ? (REASONS[reason.split(': ')[0] ?? ''] ?? reason) : ''

/** An id as it was given, readable. */
export const nameOf = (id: string) => id.replaceAll(/[-_.]/g, ' ')
/** A course as it is said: three figures. */
export const courseOf = (deg: number) => String(Math.round(deg) % 360).padStart(3, '0')
