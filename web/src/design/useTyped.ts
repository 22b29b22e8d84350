import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react'
import { putTyped, readTyped, subscribe, typedKey } from '../api/typed'

type Next<T> = T | ((now: T) => T)

/**
 * As a state that starts from what is stored. What is typed back to that is no longer kept.
 * @returns the value, a setter, and a way to drop what was typed (once it is stored)
 */
export function useTyped<T>(place: string, stored: T): [T, (next: Next<T>) => void, () => void] {
  const key = typedKey(place)
  const text = useSyncExternalStore(subscribe, () => readTyped(key))
  const known = JSON.stringify(stored)
  const value = useMemo(() => JSON.parse(text ?? known) as T, [text, known])
  const set = useCallback(
    (next: Next<T>) => {
      const now = JSON.parse(readTyped(key) ?? known) as T
      const words = JSON.stringify(typeof next === 'function' ? (next as (now: T) => T)(now) : next)
      putTyped(key, words === known ? null : words)
    },
    [key, known],
  )
  // Stored meanwhile: nothing of it waits any more.
  useEffect(() => {
    if (text === known) putTyped(key, null)
  }, [key, known, text])
  const drop = useCallback(() => putTyped(key, null), [key])
  return [value, set, drop]
}
