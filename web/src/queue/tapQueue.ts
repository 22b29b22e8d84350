import { Dexie, type EntityTable } from 'dexie'
import { nextToSend, shownTap, type StoredTap } from './taps'
import { api, newId, unwrap, type FlyEvent, type NewFlyEvent } from '../api/client'

const store = new Dexie('fujin-taps') as Dexie & { taps: EntityTable<StoredTap, 'order'> }
store.version(1).stores({ taps: '++order, sortie_id, &id' })

/** Keeps the tap on the device before anything else happens to it. */
export async function keepTap(sortieId: string, tap: Omit<NewFlyEvent, 'id' | 'at'>): Promise<FlyEvent> {
  const kept: StoredTap = { ...tap, id: newId(), at: new Date().toISOString(), sortie_id: sortieId }
  await store.taps.add(kept)
  return shownTap(kept)
}

export const waitingTaps = (sortieId: string) => store.taps.where('sortie_id').equals(sortieId).sortBy('order')

/**
 * Sends what waits, oldest first. Each tap has its own id, so sending it again does no harm; it leaves the device only
 * when the server has it.
 */
export async function sendTaps(sortieId: string): Promise<FlyEvent[] | undefined> {
  const waiting = await waitingTaps(sortieId)
  if (waiting.length === 0) return undefined
  const { events, orders } = nextToSend(waiting)
  const answer = await unwrap(
    api.POST('/api/sorties/{id}/events', {
      params: { path: { id: sortieId } },
      body: { events },
    }),
  )
  await store.taps.bulkDelete(orders)
  return answer
}
