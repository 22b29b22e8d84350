import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import type { Plan, Planned } from '../../api/client'
import { digitsFor } from '../../design/units'
import { figure, unitWord, withUnit } from '../../design/words'

/** A value with its unit, in its reader's. */
const said = (value: number, unit: string, digits?: number) => withUnit(figure(value, unit, digits), unit)

const degrees = (deg: number) => `${String(Math.round(deg) % 360).padStart(3, '0')}°`

/** The wind as it is said; undefined where nobody has given one, or half of one. */
export function windWords({ wind_from_deg: from, wind_kt: speed, gust_kt: gust }: Planned): string | undefined {
  if (speed == null || (from == null && speed > 0)) return undefined
  if (speed === 0) return t`calm`
  const gusting = gust != null && gust > speed ? t` gusting ${figure(gust, 'kt', 0)}` : ''
  return `${degrees(from ?? 0).slice(0, 3)}/${figure(speed, 'kt', 0)}${gusting} ${unitWord('kt')}`
}

const air = (sortie: Planned) => [said(sortie.oat_c, '°C', 0), said(sortie.qnh_hpa, 'hPa', digitsFor('hPa', 0))]

const load = (sortie: Planned) =>
  sortie.mass_kg == null ? sortie.people_aboard : `${sortie.people_aboard} ${said(sortie.mass_kg, 'kg', 0)}`

/** From where, on which course, to where. */
function way(sortie: Planned, plan: Plan | undefined) {
  const height = sortie.height_ft ?? plan?.numbers.entry_height_ft?.value
  const from = height == null ? '' : t`from ${Math.round(height).toLocaleString(locale)} ft `
  const course = sortie.course_deg == null ? t`into wind` : t`on ${degrees(sortie.course_deg)}`
  return t`${from}${course} to ${sortie.spot_name}`
}

/**
 * The day in one line of words and figures: the wind, the air, the load, the way.
 * @returns each part of it, without the wind where it was not given
 */
export const dayWords = (sortie: Planned, plan: Plan | undefined): string[] => [
  [windWords(sortie), ...air(sortie)].filter(Boolean).join(', '),
  load(sortie),
  way(sortie, plan),
]
