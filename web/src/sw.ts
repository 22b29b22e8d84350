/// <reference lib="webworker" />
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { sendEverything } from './queue/sender'
import type { Link } from './queue/sending'

declare let self: ServiceWorkerGlobalScope & { __WB_MANIFEST: Parameters<typeof precacheAndRoute>[0] }

// The shell is on the device: page, scripts, styles, letters. Answers of the API lie in IndexedDB, not here.
precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/api\//, /^\/(healthz|readyz|metrics)/],
  }),
)

// A newer shell waits until somebody says so: never in flight.
self.addEventListener('message', (event) => {
  if ((event.data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting()
})

/** Nobody was there: the browser asks again when it thinks so. */
const orAgain = (link: Link) => {
  if (link === 'waiting') throw new Error('no connection')
}

// Taps that wait are sent when there is a network again, with no page open.
self.addEventListener('sync', (event) => {
  const sync = event as Event & { tag: string; waitUntil: (work: Promise<unknown>) => void }
  if (sync.tag === 'fujin-taps') sync.waitUntil(sendEverything().then(orAgain))
})
