/** How values are worded on screen: one place for digits, units and names of things. */

const UNIT_WORDS: Record<string, string> = {
  pct: '%',
  fpm: 'ft/min',
  deg: '°',
  index: '',
  kw: 'kW',
  m_s: 'm/s',
  deg_s: '°/s',
  kj: 'kJ',
  inhg: 'inHg',
  per_min: '/min',
}

export const unitWord = (unit: string) => UNIT_WORDS[unit] ?? unit

const DIGITS: Record<string, number> = {
  kt: 0,
  ft: 0,
  fpm: 0,
  deg: 1,
  pct: 1,
  s: 1,
  kw: 1,
  kg: 0,
  index: 2,
  m_s: 2,
  deg_s: 0,
  kj: 0,
  inhg: 1,
}

export function figure(value: number | null | undefined, unit: string, digits?: number): string {
  if (value === null || value === undefined) return '—'
  const text = value.toFixed(digits ?? DIGITS[unit] ?? 1)
  return (/^-0(\.0+)?$/.test(text) ? text.slice(1) : text).replace('-', '−')
}

const ENDINGS = /_(kt|ft|fpm|deg|pct|s|kw|kg|m_s|inhg)$/
const SPECIAL: Record<string, string> = {
  ias: 'airspeed',
  rpm: 'rpm',
  oge: 'out of ground effect',
  ige: 'in ground effect',
}

/** `glide_rotor_rpm_mean_pct` → `Glide rotor rpm mean`. */
export function plainName(id: string): string {
  const words = id
    .replace(ENDINGS, '')
    .split('_')
    .map((word) => SPECIAL[word] ?? word)
  const text = words.join(' ')
  return text.charAt(0).toUpperCase() + text.slice(1)
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1).replaceAll('_', ' ')

export const GRADE_WORDS = [
  'Taken over',
  'Assisted or far out',
  'Prompted or marginal',
  'To standard',
  'Polished',
] as const

export const STAGES = ['prepare', 'fly', 'review', 'record'] as const
export type StageName = (typeof STAGES)[number]

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' })
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' })
const fullDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
const shortDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
export const clockOf = (iso: string) => clock.format(new Date(iso))
export const dayOf = (iso: string) => day.format(new Date(iso))
export const fullDayOf = (iso: string) => fullDay.format(new Date(iso))
export const shortDayOf = (iso: string) => shortDay.format(new Date(iso))
export const hoursOf = (minutes: number) => `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
