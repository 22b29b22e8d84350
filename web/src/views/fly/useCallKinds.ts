import { useState } from 'react'
import { CALL_KINDS, type CallKind } from './calls'

const KEY = 'fujin.calls'

const read = (): CallKind[] => {
  const kept = window.localStorage.getItem(KEY)
  return kept === null ? [] : CALL_KINDS.filter((kind) => kept.split(' ').includes(kind))
}

/** Which calls are spoken on this device: none until somebody wants them. */
export function useCallKinds(): [CallKind[], (kind: CallKind) => void] {
  const [kinds, setKinds] = useState(read)
  return [
    kinds,
    (kind) => {
      const next = kinds.includes(kind) ? kinds.filter((one) => one !== kind) : [...kinds, kind]
      window.localStorage.setItem(KEY, next.join(' '))
      setKinds(next)
    },
  ]
}
