import type { Schemas } from '../../api/client'

type Reading = Schemas['LiveReading']
type Channel = 'rotor_rpm_pct' | 'ias_kt' | 'sink_fpm'

/** What may be called, each of which can be switched off. */
export const CALL_KINDS = ['rotor', 'gate', 'speed', 'lost'] as const
export type CallKind = (typeof CALL_KINDS)[number]
export const CALL_WORDS: Record<CallKind, string> = {
  rotor: 'Rotor low, high',
  gate: 'Gate',
  speed: 'Speed',
  lost: 'A channel lost',
}

export interface Call {
  kind: CallKind
  text: string
  /** The lower, the more it matters: of two the first is spoken. */
  rank: number
}

const CHANNELS: [Channel, string][] = [
  ['rotor_rpm_pct', 'Rotor'],
  ['ias_kt', 'Airspeed'],
  ['sink_fpm', 'Sink'],
]

/** Below, inside (0) or above its band; undefined where nothing can be said. */
function side(reading: Reading | undefined, channel: Channel): -1 | 0 | 1 | undefined {
  const value = reading?.[channel]
  const band = reading?.bands[channel]
  if (value == null || !band) return undefined
  const [low = null, high = null] = band
  if (low !== null && value < low) return -1
  return high !== null && value > high ? 1 : 0
}

/**
 * What is to be called of a reading, by what it was before: each once, when it comes about. What is not sent is never
 * called in or out; that it is lost is.
 */
export function callsOf(reading: Reading, before: Reading | undefined): Call[] {
  const found: Call[] = []
  const gate = reading.gate?.call
  if (gate && gate !== before?.gate?.call) {
    if (gate === 'go_around') found.push({ kind: 'gate', text: 'Go around', rank: 0 })
    if (gate === 'continue') found.push({ kind: 'gate', text: 'Continue', rank: 3 })
    if (gate === 'not_recorded') found.push({ kind: 'gate', text: 'Gate: your own call', rank: 2 })
  }
  const rotor = side(reading, 'rotor_rpm_pct')
  if (rotor && rotor !== side(before, 'rotor_rpm_pct'))
    found.push({ kind: 'rotor', text: rotor < 0 ? 'Rotor low' : 'Rotor high', rank: 1 })
  for (const [channel, word] of CHANNELS)
    if (before && before[channel] != null && reading[channel] == null)
      found.push({ kind: 'lost', text: `${word} not sent`, rank: 2 })
  const speed = side(reading, 'ias_kt')
  if (speed && speed !== side(before, 'ias_kt'))
    found.push({ kind: 'speed', text: speed < 0 ? 'Speed low' : 'Speed high', rank: 4 })
  return found.sort((a, b) => a.rank - b.rank)
}

/** The one that is spoken: the safest of those that are wanted; one under way gives way only to what matters more. */
export function toSay(calls: Call[], wanted: CallKind[], saying: Call | undefined): Call | undefined {
  const first = calls.find(({ kind }) => wanted.includes(kind))
  return first && (!saying || first.rank < saying.rank) ? first : undefined
}
