import { useEffect } from 'react'

/** Keeps the screen on while the sheet is open, where the device can; taken up again when the page comes back. */
export function useAwake() {
  useEffect(() => {
    let lock: { release: () => Promise<void> } | undefined
    let over = false
    const hold = async () => {
      if (over || document.visibilityState !== 'visible') return
      lock = await navigator.wakeLock?.request('screen').catch(() => undefined)
    }
    void hold()
    const again = () => void hold()
    document.addEventListener('visibilitychange', again)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', again)
      void lock?.release()
    }
  }, [])
}
