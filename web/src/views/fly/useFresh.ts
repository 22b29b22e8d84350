import { useEffect, useState } from 'react'

/** A number that changed is marked for so long, ms. */
const FRESH_MS = 6000

/** Has what is shown changed in the last seconds? What stands there from the beginning is not new. */
export function useFresh(shown: string): boolean {
  const [settled, setSettled] = useState(shown)
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(shown), FRESH_MS)
    return () => window.clearTimeout(timer)
  }, [shown])
  return settled !== shown
}
