import { t } from '@lingui/core/macro'
import type { Schemas } from '../../api/client'

type Reading = Schemas['LiveReading']

/** What may be called, each of which has a volume of its own. */
export const CALL_KINDS = ['rotor', 'gate', 'turn', 'speed', 'box', 'lost'] as const
export type CallKind = (typeof CALL_KINDS)[number]
export const CALL_WORDS: Record<CallKind, string> = {
  rotor: t`Rotor low, high`,
  gate: t`Gate`,
  turn: t`Out of the turn`,
  speed: t`Speed`,
  box: t`Box time`,
  lost: t`A channel lost`,
}

/** How loud each kind is: off, quiet, medium, loud. */
export const VOLUME_WORDS = ['off', 'quiet', 'medium', 'loud'] as const
export const VOLUMES = [0, 0.35, 0.65, 1] as const
export type Levels = Partial<Record<CallKind, number>>

export interface Call {
  kind: CallKind
  text: string
  /** The lower, the more it matters: of two the first is spoken. */
  rank: number
}

/** Readings by the name that a call gives them; those that matter first. */
export const CHANNEL_WORDS: Record<string, string> = {
  rotor_rpm_pct: t`Rotor`,
  ias_kt: t`Airspeed`,
  sink_fpm: t`Sink`,
  height_ft: t`Height`,
}

/** What was called is not called again for so long, however often a needle crosses its limit. */
const AGAIN_MS = 4000

/** Below, inside (0) or above its band; undefined where nothing can be said. */
function side(reading: Reading | undefined, channel: string): -1 | 0 | 1 | undefined {
  const value = reading?.values[channel]
  const band = reading?.bands[channel]
  if (value === undefined || !band) return undefined
  const [low = null, high = null] = band
  if (low !== null && value < low) return -1
  return high !== null && value > high ? 1 : 0
}

function gateCalls(reading: Reading, before: Reading | undefined): Call[] {
  const { gate } = reading
  if (!gate || (gate.call === before?.gate?.call && gate.title === before.gate.title)) return []
  const turn = gate.over === 'turn'
  const kind = turn ? 'turn' : 'gate'
  if (gate.call === 'go_around') return [{ kind, text: turn ? t`Go around, still turning` : t`Go around`, rank: 0 }]
  if (gate.call === 'continue') return [{ kind, text: t`Continue`, rank: 3 }]
  if (gate.call === 'not_recorded') return [{ kind, text: t`${gate.title}: your own call`, rank: 2 }]
  return turn ? [{ kind, text: t`Roll out`, rank: 2 }] : []
}

function lostCalls(reading: Reading, before: Reading | undefined): Call[] {
  return Object.entries(CHANNEL_WORDS)
    .filter(([name]) => before?.values[name] !== undefined && reading.values[name] === undefined)
    .map(([name, word]) => ({ kind: 'lost', text: `${word} ${reading.doubts[name] ?? t`not sent`}`, rank: 2 }))
}

/**
 * What is to be called of a reading, by what it was before: each once, when it comes about. What is not sent is never
 * called in or out; that it is lost is. A speed is called while an attempt is flown, not while it is set up.
 */
export function callsOf(reading: Reading, before: Reading | undefined): Call[] {
  const found = [...gateCalls(reading, before), ...lostCalls(reading, before)]
  const rotor = side(reading, 'rotor_rpm_pct')
  if (rotor && rotor !== side(before, 'rotor_rpm_pct'))
    found.push({ kind: 'rotor', text: rotor < 0 ? t`Rotor low` : t`Rotor high`, rank: 1 })
  const speed = reading.phase === null ? undefined : side(reading, 'ias_kt')
  if (speed && speed !== (before?.phase === null ? undefined : side(before, 'ias_kt')))
    found.push({ kind: 'speed', text: speed < 0 ? t`Speed low` : t`Speed high`, rank: 4 })
  const { box_s: box, phase_s: held } = reading
  if (box !== null && held !== null && held >= box && (before?.phase_s ?? held) < box)
    found.push({ kind: 'box', text: t`${Math.round(box)} seconds`, rank: 5 })
  return found.sort((a, b) => a.rank - b.rank)
}

/**
 * The one that is spoken: the safest of those that are wanted and were not said just now; one under way gives way only
 * to what matters more.
 * @param said when each text was called last, ms
 */
export function toSay(
  calls: Call[],
  levels: Levels,
  saying: Call | undefined,
  said: Record<string, number> = {},
  now = 0,
): Call | undefined {
  const first = calls.find(({ kind, text }) => levels[kind] && now - (said[text] ?? -AGAIN_MS) >= AGAIN_MS)
  return first && (!saying || first.rank < saying.rank) ? first : undefined
}
