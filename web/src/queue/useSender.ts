import { useCallback, useEffect, useSyncExternalStore } from 'react'
import type { Link } from './sending'
import { sendEverything } from './sender'
import { useWaiting } from './useStored'

const TRY_AGAIN_MS = 4000

let link: Link = 'sent'
const told = new Set<() => void>()
const tell = (next: Link) => {
  link = next
  told.forEach((one) => one())
}

/** Sends what waits, now; how it went is told to whoever shows it. */
export async function sendNow(person: string | undefined) {
  const registration = await navigator.serviceWorker?.getRegistration?.().catch(() => undefined)
  const sync = (registration as { sync?: { register: (tag: string) => Promise<void> } } | undefined)?.sync
  // Should the page be gone before there is a network, the worker sends.
  void sync?.register('fujin-taps').catch(() => undefined)
  tell(await sendEverything(person))
}

export const useLink = () =>
  useSyncExternalStore(
    (changed) => {
      told.add(changed)
      return () => told.delete(changed)
    },
    () => link,
  )

/** From any page: what waits is sent when it can be. */
export function useSender(person: string | undefined) {
  const waiting = useWaiting().filter((tap) => tap.person_id === person && !tap.refused).length
  const send = useCallback(() => void sendNow(person), [person])
  useEffect(() => {
    if (!person || waiting === 0) return
    send()
    const timer = window.setInterval(send, TRY_AGAIN_MS)
    window.addEventListener('online', send)
    return () => {
      window.clearInterval(timer)
      window.removeEventListener('online', send)
    }
  }, [person, waiting, send])
}
