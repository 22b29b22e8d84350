import { Dexie, type EntityTable } from 'dexie'
import { clockAheadMs, newId, type FlyEvent, type NewFlyEvent } from '../api/client'
import { merged, type StoredTap } from './taps'

/** What the server told of a lesson last. */
interface Sheet {
  sortie_id: string
  events: FlyEvent[]
  at: number
}
interface Setting {
  name: string
  value: string
}

const store = new Dexie('fujin-taps') as Dexie & {
  taps: EntityTable<StoredTap, 'order'>
  sheets: EntityTable<Sheet, 'sortie_id'>
  settings: EntityTable<Setting, 'name'>
}
store.version(1).stores({ taps: '++order, sortie_id, &id' })
store.version(2).stores({ taps: '++order, sortie_id, &id', sheets: 'sortie_id', settings: 'name' })

/** This device, by a name of its own. */
async function deviceName(): Promise<string> {
  const known = await store.settings.get('device')
  if (known) return known.value
  const value = newId().slice(0, 8)
  await store.settings.put({ name: 'device', value })
  return value
}

/** A clock that was set shows more than this, ms; less is how long an answer took, and would put taps out of order. */
const SET_MS = 2000

/** How far its clock was ahead when that could be told: it holds without a network, and after a restart. */
async function clockAhead(): Promise<number | undefined> {
  const now = clockAheadMs()
  const row = await store.settings.get('clock')
  const known = row && Number(row.value)
  if (now === undefined || (known !== undefined && Math.abs(now - known) < SET_MS)) return known
  await store.settings.put({ name: 'clock', value: String(now) })
  return now
}

/** Keeps the tap on the device before anything else happens to it. */
export async function keepTap(
  sortieId: string,
  person: { id: string; name: string },
  tap: Omit<NewFlyEvent, 'id' | 'at'>,
): Promise<StoredTap> {
  const at = new Date().toISOString()
  const [device, offset_ms] = await Promise.all([deviceName(), clockAhead()])
  const kept: StoredTap = {
    ...tap,
    id: newId(),
    at,
    device,
    ...(offset_ms === undefined ? {} : { offset_ms }),
    sortie_id: sortieId,
    person_id: person.id,
    person: person.name,
  }
  await store.taps.add(kept)
  return kept
}

export const waitingTaps = () => store.taps.orderBy('order').toArray()
export const waitingOf = (sortieId: string) => store.taps.where('sortie_id').equals(sortieId).sortBy('order')
export const knownOf = async (sortieId: string) => (await store.sheets.get(sortieId))?.events ?? []

export const tapsGone = async (taps: StoredTap[]) => {
  await store.taps
    .where('id')
    .anyOf(taps.map(({ id }) => id))
    .delete()
}
export const tapRefused = async (tap: StoredTap, why: string) => {
  await store.taps.where('id').equals(tap.id).modify({ refused: why })
}
/** Taken off the device by somebody who read why it was refused. */
export const dropTap = (id: string) => store.taps.where('id').equals(id).delete()

/** The server's word on a lesson, beside what it said before. */
export const keepSheet = (sortieId: string, events: FlyEvent[]) =>
  store.transaction('rw', store.sheets, async () => {
    const known = (await store.sheets.get(sortieId))?.events ?? []
    await store.sheets.put({ sortie_id: sortieId, events: merged(known, events), at: Date.now() })
  })

export const deviceStore = store
