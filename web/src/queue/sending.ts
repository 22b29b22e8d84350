import type { FlyEvent } from '../api/client'
import { nextToSend, type StoredTap } from './taps'

/** What the queue rests on: the device's store and the line to the server. */
export interface Wire {
  /** Who is signed in; null when nobody is. */
  person: () => Promise<string | null>
  waiting: () => Promise<StoredTap[]>
  /** Gives the lesson's events; throws what `troubleOf` can name. */
  post: (sortieId: string, taps: StoredTap[]) => Promise<FlyEvent[]>
  answered: (sortieId: string, events: FlyEvent[]) => Promise<void>
  gone: (taps: StoredTap[]) => Promise<void>
  refuse: (tap: StoredTap, why: string) => Promise<void>
}

export type Link = 'sent' | 'waiting' | 'signed_out'
export type Trouble = 'no_connection' | 'signed_out' | 'refused'

/** What a failed request means: nobody there or too busy, a session that ended, or a word against it. */
export function troubleOf(error: unknown): Trouble {
  const status = (error as { status?: number } | null)?.status
  if (status === undefined || status === 408 || status === 429 || status >= 500) return 'no_connection'
  return status === 401 ? 'signed_out' : 'refused'
}

/**
 * Sends what waits, lesson by lesson, oldest first. Each tap has its own id, so that sending it again does no harm; it
 * leaves the device only when the server has it. One that is refused is laid aside and stops none behind it.
 */
export async function sendAll(wire: Wire): Promise<Link> {
  try {
    const person = await wire.person()
    if (person === null) return (await wire.waiting()).length > 0 ? 'signed_out' : 'sent'

    let most: number | undefined
    for (;;) {
      const taps = nextToSend(await wire.waiting(), person, most)
      const [first] = taps
      if (!first) return 'sent'
      try {
        const events = await wire.post(first.sortie_id, taps)
        await wire.answered(first.sortie_id, events)
        await wire.gone(taps)
        most = undefined
      } catch (error) {
        if (troubleOf(error) !== 'refused') throw error
        if (taps.length === 1) await wire.refuse(first, error instanceof Error ? error.message : 'refused')
        // One of many is meant: each is asked for by itself.
        most = 1
      }
    }
  } catch (error) {
    return troubleOf(error) === 'signed_out' ? 'signed_out' : 'waiting'
  }
}
