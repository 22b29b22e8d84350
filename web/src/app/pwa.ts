import { registerSW } from 'virtual:pwa-register'

let takeNewer: (() => void) | undefined
const listeners = new Set<() => void>()

/** The shell lies on the device from the second visit on; a newer one is offered, never taken by itself. */
export function keepShell() {
  const update = registerSW({
    onNeedRefresh() {
      takeNewer = () => void update(true)
      listeners.forEach((listener) => listener())
    },
  })
}

/** Takes the newer shell, where there is one. */
export const newerShell = () => takeNewer
export const subscribeShell = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
