import type { FlyEvent, NewFlyEvent } from '../api/client'

/** A tap as it lies on the device: with the sortie it belongs to, in the order it was made. */
export interface StoredTap extends NewFlyEvent {
  sortie_id: string
  order?: number
}

/** As many as the server takes at once. */
export const AT_ONCE = 500

/** What is sent next, oldest first, and the places on the device that it leaves once the server has it. */
export function nextToSend(waiting: StoredTap[]) {
  const taps = waiting.slice(0, AT_ONCE)
  return {
    events: taps.map(({ id, kind, at, attempt_no, phase, payload }) => ({
      id,
      kind,
      at,
      attempt_no: attempt_no ?? null,
      phase: phase ?? null,
      payload: payload ?? {},
    })),
    orders: taps.flatMap(({ order }) => (order === undefined ? [] : [order])),
  }
}

/** A tap that the server has not answered for yet, as the sheet shows it. */
export const shownTap = (tap: StoredTap): FlyEvent => ({
  ...tap,
  attempt_no: tap.attempt_no ?? null,
  phase: tap.phase ?? null,
  payload: tap.payload ?? {},
  undone: false,
  by: 'this device',
})
