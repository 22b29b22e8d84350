import { useEffect, useState } from 'react'

/** A value once it has rested for so long: what follows from it is not asked for at every key. */
export function useRested<T>(value: T, ms: number): T {
  const key = JSON.stringify(value)
  const [rested, setRested] = useState({ key, value })
  useEffect(() => {
    const timer = setTimeout(() => setRested({ key, value }), ms)
    return () => clearTimeout(timer)
    // The same value in a new object has not moved.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, ms])
  return rested.value
}
