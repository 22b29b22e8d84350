import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import type { SiteNumber } from '../../api/sites'

export const USES: Record<string, string> = {
  touch_and_go: t`Touch and go`,
  drop_off: t`Drop someone off`,
  shut_down: t`Shut down`,
  train_dual: t`Train dual`,
  train_solo: t`Train solo`,
}
export const VERDICTS: Record<string, string> = { suitable: t`suitable`, if: t`if…`, not: t`not suitable` }
export const WAYS: Record<string, string> = {
  towering: t`Straight up`,
  with_a_run: t`With a run`,
  backtrack: t`From the far end`,
}
/** What can stand on a site. */
export const THINGS: Record<string, string> = {
  tree: t`tree`,
  trees: t`trees`,
  wire: t`wire`,
  pole: t`pole`,
  mast: t`mast`,
  building: t`building`,
  fence: t`fence`,
  edge: t`edge`,
  ridge: t`ridge`,
  water: t`water`,
  people: t`people`,
  animals: t`animals`,
  loose: t`loose things`,
}
export const STATUSES: Record<string, string> = { seen: t`seen`, not_there: t`not there`, open: t`open` }
export const PASSES: Record<string, string> = {
  high: t`from the high pass`,
  low: t`from the low pass`,
  walked: t`walked`,
  surveyed: t`measured`,
}
/** The two passes of a look from the air. */
export const FLOWN = { high: t`High pass`, low: t`Low pass` }
export const GROUPS: Record<string, string> = {
  ground: t`The ground`,
  air_and_light: t`Air and light`,
  obstructions: t`Obstructions`,
  lines: t`Lines`,
}
/** The survey's points in the order in which they are looked at, with the question each asks. */
export const POINTS: { group: string; about: string; ask: string }[] = [
  { group: 'ground', about: 'size', ask: t`Length and width that can be used` },
  { group: 'ground', about: 'slope', ask: t`Slope, and which way it falls` },
  { group: 'ground', about: 'surface', ask: t`Surface: does it bear, blow, burn, hide something` },
  { group: 'ground', about: 'edge', ask: t`Edges, steps, ditches` },
  { group: 'ground', about: 'movables', ask: t`What the downwash could move` },
  { group: 'air_and_light', about: 'wind', ask: t`Wind, and how it varies` },
  { group: 'air_and_light', about: 'lee', ask: t`Lee, sinking air, turbulence` },
  { group: 'air_and_light', about: 'sun', ask: t`Sun and shadow on the lines` },
  { group: 'obstructions', about: 'wire', ask: t`Wires: pole to pole, house to pole` },
  { group: 'obstructions', about: 'pole', ask: t`Poles and masts, and what they carry` },
  { group: 'obstructions', about: 'other', ask: t`Trees, buildings, people, animals` },
  { group: 'lines', about: 'approach', ask: t`The line in, and what stands under it` },
  { group: 'lines', about: 'break_off', ask: t`The last point to break off, and where to` },
  { group: 'lines', about: 'end', ask: t`Where it ends: spot, hover or surface` },
  { group: 'lines', about: 'manoeuvring', ask: t`Room to move inside, where the tail goes` },
  { group: 'lines', about: 'departure', ask: t`The way out, and with what power` },
  { group: 'lines', about: 'escape', ask: t`If the engine quits: which ground` },
]

const REASONS: Record<string, string> = {
  no_obstacle: t`nothing under it`,
  not_known: t`height not known`,
  limit: t`over the limit`,
  no_wind: t`no wind given`,
  straight_up: '—',
  power: t`too little power`,
  room: t`no room`,
  clearance: t`does not clear`,
  speed: t`too short for 20 kt`,
}
/** A site's number as a person says it, or why there is none. */
export function said(number: SiteNumber | undefined, digits = 0, unit = ''): string {
  if (!number) return '—'
  if (number.value == null) {
    const [reason = '', ids] = (number.reason ?? '').split(': ')
    const named = number.ids?.join(', ') ?? ids
    return named ? `${REASONS[reason] ?? reason}: ${named}` : (REASONS[reason] ?? reason)
  }
  return `${decimal(number.value, digits)}${unit}`
}
export const reasonWord = (reason: string | null | undefined) =>
  reason ? (REASONS[reason.split(': ')[0] ?? ''] ?? reason) : ''

/** A course as it is said: three figures. */
export const courseOf = (deg: number) => String(Math.round(deg) % 360).padStart(3, '0')
