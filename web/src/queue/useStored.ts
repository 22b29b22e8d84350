import { liveQuery } from 'dexie'
import { useEffect, useState } from 'react'
import { knownOf, waitingOf, waitingTaps } from './device'
import type { StoredTap } from './taps'

/** What a question to the device answers, again whenever that changes, in whatever tab. */
function useStored<T>(ask: () => Promise<T>, about: string): T | undefined {
  const [found, setFound] = useState<T>()
  useEffect(() => {
    const watched = liveQuery(ask).subscribe({ next: setFound, error: () => undefined })
    return () => watched.unsubscribe()
    // What is asked is named by `about`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [about])
  return found
}

/** All taps that wait on this device, whosever they are. */
export const useWaiting = (): StoredTap[] => useStored(waitingTaps, 'all') ?? []

/** One lesson's taps: what the server told of last, and what waits here; undefined until the device has answered. */
export const useKeptSheet = (sortieId: string) =>
  useStored(async () => ({ known: await knownOf(sortieId), waiting: await waitingOf(sortieId) }), sortieId)
