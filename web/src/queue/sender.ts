import { api, keepToken, unwrap, type Schemas } from '../api/client'
import { keepSheet, tapRefused, tapsGone, waitingTaps } from './device'
import { sendAll, troubleOf, type Link, type Wire } from './sending'
import { asSent, type StoredTap } from './taps'

/** Who is signed in, asked of the server; the token of the session comes with it. */
async function session(): Promise<Schemas['Session']> {
  const found = await unwrap(api.GET('/api/session'))
  keepToken(found.csrf_token)
  return found
}

const post = (sortieId: string, taps: StoredTap[]) =>
  unwrap(
    api.POST('/api/sorties/{id}/events', { params: { path: { id: sortieId } }, body: { events: taps.map(asSent) } }),
  )

/** @param person who is signed in, where that is known already */
const wire = (person: string | undefined): Wire => ({
  person: async () => person ?? (await session()).person?.id ?? null,
  waiting: waitingTaps,
  post: async (sortieId, taps) => {
    try {
      return await post(sortieId, taps)
    } catch (error) {
      // A page that slept has an old token: the session is asked for once, and for the same person only.
      if (troubleOf(error) !== 'refused' || (error as { status?: number }).status !== 403) throw error
      const now = await session()
      if (now.person?.id !== taps[0]?.person_id) throw Object.assign(new Error('signed out'), { status: 401 })
      return post(sortieId, taps)
    }
  },
  answered: keepSheet,
  gone: tapsGone,
  refuse: tapRefused,
})

let running: Promise<Link> | undefined
let again = false

/** One at a time; asked for while it runs, it runs once more. */
export async function sendEverything(person?: string): Promise<Link> {
  if (running) {
    again = true
    return running
  }
  running = sendAll(wire(person))
  const link = await running
  running = undefined
  if (!again) return link
  again = false
  return sendEverything(person)
}
