import type { Dexie, EntityTable } from 'dexie'
import { clockAheadMs, newId, type FlyEvent } from '../api/client'
import { deviceStore } from '../api/deviceStore'
import { merged, standing, type StoredTap, type TapOn } from './taps'

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

type Taps = Dexie & {
  taps: EntityTable<StoredTap, 'order'>
  sheets: EntityTable<Sheet, 'sortie_id'>
  settings: EntityTable<Setting, 'name'>
}
export const tapStore = deviceStore('fujin-taps', (opened) => {
  opened.version(1).stores({ taps: '++order, sortie_id, &id' })
  opened.version(2).stores({ taps: '++order, sortie_id, &id', sheets: 'sortie_id', settings: 'name' })
  return opened as Taps
})

/** This device, by a name of its own. */
async function deviceName(): Promise<string> {
  const store = await tapStore()
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
  const store = await tapStore()
  const now = clockAheadMs()
  const row = await store.settings.get('clock')
  const known = row && Number(row.value)
  if (now === undefined || (known !== undefined && Math.abs(now - known) < SET_MS)) return known
  await store.settings.put({ name: 'clock', value: String(now) })
  return now
}

/** One after another, as they were tapped. */
let before: Promise<unknown> = Promise.resolve()

/**
 * Keeps the tap on the device before anything else happens to it. What it is about is asked of what the device holds
 * then, the tap before it included: what is drawn may be a moment older. Nothing to tap: nothing is kept.
 * Gives it as it stands on the sheet; a tap that takes another back stands on none.
 */
export function keepTap(
  sortieId: string,
  person: { id: string; name: string },
  tapOn: TapOn,
): Promise<FlyEvent | undefined> {
  const at = new Date().toISOString()
  const keep = async () => {
    const [store, device, offset_ms] = await Promise.all([tapStore(), deviceName(), clockAhead()])
    const { known, waiting } = await sheetIn(store, sortieId)
    const tap = tapOn(standing(known, waiting))
    if (!tap) return undefined
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
    return standing(known, [...waiting, kept]).find(({ id }) => id === kept.id)
  }
  const kept = before.then(keep)
  before = kept.catch(() => undefined)
  return kept
}

export const waitingIn = (store: Taps) => store.taps.orderBy('order').toArray()
export const waitingTaps = async () => waitingIn(await tapStore())
/** One lesson's taps: what the server told of last, and what waits here. */
export const sheetIn = async (store: Taps, sortieId: string) => {
  // In this order: a tap stops waiting only when the server's word is kept, so that one on its way is met in one of them.
  const waiting = await store.taps.where('sortie_id').equals(sortieId).sortBy('order')
  return { waiting, known: (await store.sheets.get(sortieId))?.events ?? [] }
}

export const tapsGone = async (taps: StoredTap[]) => {
  const store = await tapStore()
  await store.taps
    .where('id')
    .anyOf(taps.map(({ id }) => id))
    .delete()
}
export const tapRefused = async (tap: StoredTap, why: string) => {
  const store = await tapStore()
  await store.taps.where('id').equals(tap.id).modify({ refused: why })
}
/** Taken off the device by somebody who read why it was refused. */
export const dropTap = async (id: string) => (await tapStore()).taps.where('id').equals(id).delete()

/** The server's word on a lesson, beside what it said before. */
export async function keepSheet(sortieId: string, events: FlyEvent[]) {
  const store = await tapStore()
  await store.transaction('rw', store.sheets, async () => {
    const known = (await store.sheets.get(sortieId))?.events ?? []
    await store.sheets.put({ sortie_id: sortieId, events: merged(known, events), at: Date.now() })
  })
}
