import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { api, NoConnection, unwrap, type FlyEvent } from '../api/client'
import { keepSheet, keepTap } from './device'
import { ofAttempt, standing, type Tap, type TapOn } from './taps'
import { sendNow, useLink } from './useSender'
import { useKeptSheet } from './useStored'

/** Another device's taps are here within so long, while there is a network. */
const LOOK_MS = 1500
/** Stored taps of these kinds change what is advised and planned. */
const CHANGES_PLAN = ['wind', 'undo']
const CHANGES_ADVICE = ['grade', 'help']

/** The cockpit sheet: what the server has and what still waits on this device, together. */
export function useSheet(sortieId: string, person: { id: string; name: string }) {
  const queries = useQueryClient()
  const kept = useKeptSheet(sortieId)
  const link = useLink()
  const [connected, setConnected] = useState(true)

  useEffect(() => {
    let over = false
    const look = async () => {
      try {
        const events = await unwrap(api.GET('/api/sorties/{id}/events', { params: { path: { id: sortieId } } }))
        if (!over) await keepSheet(sortieId, events)
        if (!over) setConnected(true)
      } catch (error) {
        // Nobody there: what the device knows stands.
        if (!over && error instanceof NoConnection) setConnected(false)
      }
    }
    void look()
    const timer = window.setInterval(() => {
      if (document.visibilityState === 'visible') void look()
    }, LOOK_MS)
    return () => {
      over = true
      window.clearInterval(timer)
    }
  }, [sortieId])

  const stored = (kinds: string[]) => (kept?.known ?? []).filter(({ kind }) => kinds.includes(kind)).length
  const winds = stored(CHANGES_PLAN)
  const advised = stored(CHANGES_ADVICE)
  useEffect(() => {
    if (winds > 0) void queries.invalidateQueries({ queryKey: ['plan', sortieId] })
  }, [winds, queries, sortieId])
  useEffect(() => {
    if (winds + advised > 0) void queries.invalidateQueries({ queryKey: ['sortie', sortieId] })
  }, [winds, advised, queries, sortieId])

  const live = useMemo(() => standing(kept?.known ?? [], kept?.waiting ?? []), [kept])
  const keep = useCallback(
    async (tapOn: TapOn) => {
      const one = await keepTap(sortieId, person, tapOn)
      void sendNow(person.id)
      return one
    },
    [sortieId, person],
  )
  return {
    live,
    waiting: kept?.waiting ?? [],
    /** The device has answered: before that nothing is known, and nothing may be begun. */
    ready: kept !== undefined,
    link,
    connected,
    tap: (tap: Tap) => keep((now) => ofAttempt(tap, now)),
    /** Takes the newest tap back and gives it. */
    undo: async () => {
      let newest: FlyEvent | undefined
      await keep((now) => {
        newest = now.at(-1)
        return newest && { kind: 'undo', payload: { target: newest.id } }
      })
      return newest
    },
  }
}
