import type { FlyEvent, NewFlyEvent } from '../api/client'

/** A tap as it lies on the device: with the lesson it belongs to, in the order it was made, and whose it is. */
export interface StoredTap extends NewFlyEvent {
  sortie_id: string
  person_id: string
  person: string
  order?: number
  /** Why the server would not take it; it stays here until somebody looks. */
  refused?: string
}

/** What is tapped: when, where and by whom is added as it is kept. */
export type Tap = Omit<NewFlyEvent, 'id' | 'at'>

/** What is tapped, by what stands on the sheet; undefined where there is nothing to tap. */
export type TapOn = (live: FlyEvent[]) => Tap | undefined

/** Taps about the lesson; all others belong to the attempt under way. */
const OF_THE_LESSON = ['attempt', 'exercise', 'check', 'undo']

/** The tap with the attempt it belongs to: the one begun last of those that stand, none before the first. */
export const ofAttempt = (tap: Tap, live: FlyEvent[]): Tap =>
  OF_THE_LESSON.includes(tap.kind)
    ? tap
    : { ...tap, attempt_id: live.filter(({ kind }) => kind === 'attempt').at(-1)?.id ?? null }

/** As many as the server takes at once. */
export const AT_ONCE = 500

/** What of one person's is to be sent of one lesson, oldest first. */
export const nextToSend = (waiting: StoredTap[], person: string, most = AT_ONCE): StoredTap[] => {
  // What an older Fujin left here says nobody: it was sent by whoever was there.
  const mine = waiting.filter((tap) => (tap.person_id ?? person) === person && !tap.refused)
  return mine.filter(({ sortie_id }) => sortie_id === mine[0]?.sortie_id).slice(0, most)
}

/** As the server is told of it. */
export const asSent = (tap: StoredTap): NewFlyEvent => ({
  id: tap.id,
  kind: tap.kind,
  at: tap.at,
  attempt_no: tap.attempt_no ?? null,
  attempt_id: tap.attempt_id ?? null,
  phase: tap.phase ?? null,
  payload: tap.payload ?? {},
  person_id: tap.person_id,
  ...(tap.device ? { device: tap.device } : {}),
  ...(tap.offset_ms === undefined ? {} : { offset_ms: tap.offset_ms }),
})

/** A tap that the server has not answered for yet, as the sheet shows it: its moment by the server's clock, so far as that is known. */
export const shownTap = (tap: StoredTap): FlyEvent => ({
  id: tap.id,
  kind: tap.kind,
  at: new Date(Date.parse(tap.at) - (tap.offset_ms ?? 0)).toISOString(),
  attempt_no: tap.attempt_no ?? null,
  attempt_id: tap.kind === 'attempt' ? tap.id : (tap.attempt_id ?? null),
  phase: tap.phase ?? null,
  payload: tap.payload ?? {},
  undone: false,
  by: tap.person,
})

/** All that is known of a lesson: answers that overtake one another take nothing away, the newest word on each tap holds. */
export function merged(known: FlyEvent[], answer: FlyEvent[]): FlyEvent[] {
  const told = new Set(answer.map(({ id }) => id))
  return [...known.filter(({ id }) => !told.has(id)), ...answer]
}

/**
 * What stands on the sheet: stored and waiting together, in the order in which it was tapped, without what was taken
 * back. Each says its attempt's number, counted over all devices by the taps that began them.
 */
export function standing(known: FlyEvent[], waiting: StoredTap[]): FlyEvent[] {
  const all = merged(waiting.map(shownTap), known)
  const undone = new Set(all.filter(({ kind }) => kind === 'undo').map(({ payload }) => payload.target))
  const live = all
    .filter((event) => event.kind !== 'undo' && !undone.has(event.id))
    .map((event, place) => ({ event, place, at: Date.parse(event.at) }))
    .sort((a, b) => a.at - b.at || a.place - b.place)
    .map(({ event }) => event)
  const begun = live.filter(({ kind }) => kind === 'attempt').map(({ id }) => id)
  return live.map((event) => ({ ...event, attempt_no: numberOf(event, begun) }))
}

/** Older taps say the number themselves; those of an attempt that was taken back have none. */
function numberOf(event: FlyEvent, begun: string[]): number | null {
  const id = event.kind === 'attempt' ? event.id : event.attempt_id
  if (!id) return event.attempt_no ?? null
  const place = begun.indexOf(id)
  return place < 0 ? null : place + 1
}
