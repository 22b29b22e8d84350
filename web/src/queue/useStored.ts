import { useEffect, useState } from 'react'
import { sheetIn, tapStore, waitingIn } from './device'
import type { StoredTap } from './taps'

type Store = Awaited<ReturnType<typeof tapStore>>

/** What a question to the device answers, again whenever that changes, in whatever tab. */
function useStored<T>(ask: (store: Store) => Promise<T>, about: string): T | undefined {
  const [found, setFound] = useState<T>()
  useEffect(() => {
    const ended = new AbortController()
    // The question itself asks nothing but the store: what else it waited for would not be watched.
    void Promise.all([tapStore(), import('dexie')])
      .then(([store, { liveQuery }]) => {
        if (ended.signal.aborted) return
        const watched = liveQuery(() => ask(store)).subscribe({ next: setFound, error: () => undefined })
        ended.signal.addEventListener('abort', () => watched.unsubscribe())
      })
      .catch(() => undefined)
    return () => ended.abort()
    // What is asked is named by `about`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [about])
  return found
}

/** All taps that wait on this device, whosever they are. */
export const useWaiting = (): StoredTap[] => useStored(waitingIn, 'all') ?? []

/** One lesson's taps: what the server told of last, and what waits here; undefined until the device has answered. */
export const useKeptSheet = (sortieId: string) => useStored((store) => sheetIn(store, sortieId), sortieId)
