import { useState } from 'react'
import { CALL_KINDS, VOLUMES, type CallKind, type Levels } from './calls'

const KEY = 'fujin.calls'

/** Kept as 'rotor:3 gate:2'. */
function read(): Levels {
  const kept = (window.localStorage.getItem(KEY) ?? '').split(' ').map((word) => word.split(':'))
  return Object.fromEntries(
    CALL_KINDS.map((kind) => [kind, Number(kept.find(([name]) => name === kind)?.[1] ?? 0)]).filter(
      ([, level]) => Number(level) > 0 && Number(level) < VOLUMES.length,
    ),
  ) as Levels
}

/** How loud each kind of call is on this device: all off until somebody wants them. The second value is one step louder, and off after loud. */
export function useCallLevels(): [Levels, (kind: CallKind) => void] {
  const [levels, setLevels] = useState(read)
  return [
    levels,
    (kind) => {
      const next = { ...levels, [kind]: ((levels[kind] ?? 0) + 1) % VOLUMES.length }
      window.localStorage.setItem(
        KEY,
        Object.entries(next)
          .map(([name, level]) => `${name}:${level}`)
          .join(' '),
      )
      setLevels(next)
    },
  ]
}
