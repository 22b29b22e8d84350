import { t } from '@lingui/core/macro'
import { registerSW } from 'virtual:pwa-register'
import { toast } from 'sonner'

/** Where a newer shell is not offered: somebody flies by this page. */
const IN_FLIGHT = /\/(fly|look)$/
const ASK_AGAIN_MS = 60_000

/** The shell lies on the device from the second visit on; a newer one is offered, never taken by itself. */
export function keepShell() {
  const update = registerSW({
    onNeedRefresh() {
      const offer = () => {
        if (IN_FLIGHT.test(window.location.pathname)) {
          window.setTimeout(offer, ASK_AGAIN_MS)
          return
        }
        toast(t`A newer Fujin is here.`, {
          duration: Infinity,
          action: { label: t`Reload`, onClick: () => void update(true) },
        })
      }
      offer()
    },
  })
}
