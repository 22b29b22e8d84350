import { useEffect, useState } from 'react'
import { clockAheadMs } from '../../api/client'

/** Seconds since a moment of the server's, by this device's clock laid over it; anew each second. */
export function useSince(iso: string | undefined): number | undefined {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (iso === undefined) return
    const timer = window.setInterval(() => setNow(Date.now()), 1000)
    return () => window.clearInterval(timer)
  }, [iso])
  return iso === undefined ? undefined : Math.max(0, (now - (clockAheadMs() ?? 0) - Date.parse(iso)) / 1000)
}
