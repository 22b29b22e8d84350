import { useEffect, useRef } from 'react'

/**
 * A row that runs on sideways: its current one is in sight, by whatever way it became that and however wide the row is.
 * @param at changes when another one is current
 */
export function useInSight<T extends HTMLElement>(at: string | number) {
  const row = useRef<T>(null)
  useEffect(() => {
    const element = row.current
    if (!element) return
    // It is told of the row's width at once, and of every other.
    const observer = new ResizeObserver(() => {
      void element.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    })
    observer.observe(element)
    return () => observer.disconnect()
  }, [at])
  return row
}
