import { useState } from 'react'

export type Hand = 'right' | 'left'
const KEY = 'fujin.hand'

/** Which hand taps: the other one flies. Kept on this device. */
export function useHand(): [Hand, (hand: Hand) => void] {
  const [hand, setHand] = useState<Hand>(() => (window.localStorage.getItem(KEY) === 'left' ? 'left' : 'right'))
  return [
    hand,
    (next) => {
      window.localStorage.setItem(KEY, next)
      setHand(next)
    },
  ]
}
