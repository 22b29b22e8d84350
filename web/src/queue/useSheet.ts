import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useState } from 'react'
import { api, unwrap, type FlyEvent, type NewFlyEvent } from '../api/client'
import { shownTap } from './taps'
import { keepTap, sendTaps, waitingTaps } from './tapQueue'

const TRY_AGAIN_MS = 4000

export type Link = 'sent' | 'sending' | 'waiting'

/** The cockpit sheet: what the server has, and what still waits on this device. */
export function useSheet(sortieId: string) {
  const [known, setKnown] = useState<FlyEvent[]>([])
  const [mine, setMine] = useState<FlyEvent[]>([])
  const [link, setLink] = useState<Link>('sent')

  const queries = useQueryClient()
  const send = useCallback(async () => {
    setLink('sending')
    try {
      const sent = (await waitingTaps(sortieId)).map((tap) => tap.kind)
      const windSeen = sent.includes('wind') || sent.includes('undo')
      const answer = await sendTaps(sortieId)
      if (answer) {
        // The plan follows the wind that was seen.
        if (windSeen)
          for (const key of ['sortie', 'plan']) void queries.invalidateQueries({ queryKey: [key, sortieId] })
        // So does the advice to take a break, what was tapped.
        else if (sent.includes('grade') || sent.includes('help'))
          void queries.invalidateQueries({ queryKey: ['sortie', sortieId] })
        setKnown(answer)
        setMine((taps) => taps.filter((tap) => !answer.some((event) => event.id === tap.id)))
      }
      setLink('sent')
    } catch {
      setLink('waiting')
    }
  }, [sortieId, queries])

  useEffect(() => {
    void (async () => {
      const left = await waitingTaps(sortieId)
      setMine(left.map(shownTap))
      try {
        setKnown(await unwrap(api.GET('/api/sorties/{id}/events', { params: { path: { id: sortieId } } })))
      } catch {
        setLink('waiting')
      }
      await send()
    })()
  }, [sortieId, send])

  useEffect(() => {
    if (link !== 'waiting') return
    const timer = window.setTimeout(() => void send(), TRY_AGAIN_MS)
    return () => window.clearTimeout(timer)
  }, [link, send])

  const tap = useCallback(
    async (event: Omit<NewFlyEvent, 'id' | 'at'>) => {
      const kept = await keepTap(sortieId, event)
      setMine((taps) => [...taps, kept])
      await send()
      return kept
    },
    [sortieId, send],
  )

  const all = [...known, ...mine.filter((own) => !known.some((event) => event.id === own.id))]
  const undone = new Set(all.filter((event) => event.kind === 'undo').map((event) => event.payload.target))
  const live = all.filter((event) => event.kind !== 'undo' && !undone.has(event.id))
  return { live, waiting: mine.length, link, tap }
}
