import { t } from '@lingui/core/macro'
import { useEffect, useSyncExternalStore } from 'react'
import { useLocation } from 'react-router'
import { toast, Toaster } from 'sonner'
import { newerShell, subscribeShell } from './pwa'

/** Where a newer shell is not offered: somebody flies by this page. */
const IN_FLIGHT = /\/(fly|look)$/

/** What is said in passing, a newer Fujin among it. */
export function Messages({ cockpit }: { cockpit: boolean }) {
  const take = useSyncExternalStore(subscribeShell, newerShell)
  const inFlight = IN_FLIGHT.test(useLocation().pathname)
  useEffect(() => {
    if (!take || inFlight) return
    toast(t`A newer Fujin is here.`, { id: 'newer', duration: Infinity, action: { label: t`Reload`, onClick: take } })
  }, [take, inFlight])
  return (
    <Toaster
      containerAriaLabel={t`Messages`}
      style={{ fontFamily: 'inherit' }}
      position={cockpit ? 'top-center' : 'bottom-center'}
      toastOptions={{ style: { background: 'var(--ink)', color: 'var(--paper)', border: 0, font: 'inherit' } }}
    />
  )
}
