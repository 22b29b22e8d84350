import { useSyncExternalStore, type ReactNode } from 'react'

/** The moment that every picture of the review points at, in one place: only who draws it is drawn again. */
export interface Moment {
  now: () => number | undefined
  set: (timeS: number | undefined) => void
  subscribe: (listener: () => void) => () => void
}

export function newMoment(): Moment {
  const listeners = new Set<() => void>()
  let value: number | undefined
  return {
    now: () => value,
    set: (timeS) => {
      if (timeS === value) return
      value = timeS
      listeners.forEach((listener) => listener())
    },
    subscribe: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}

/** What is drawn for the moment, and again at each next one. */
export const AtMoment = ({
  moment,
  children,
}: {
  moment: Moment
  children: (timeS: number | undefined) => ReactNode
}) => children(useSyncExternalStore(moment.subscribe, moment.now))
