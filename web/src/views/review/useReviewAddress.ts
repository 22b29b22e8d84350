import { useCallback } from 'react'
import { useSearchParams } from 'react-router'

/** What is selected, as the address says it: attempt, phase and moment, so that a link opens the same view. */
export function useReviewAddress() {
  const [params, setParams] = useSearchParams()
  const number = Number.parseInt(params.get('attempt') ?? '1', 10)
  const time = Number.parseFloat(params.get('t') ?? '')
  const set = useCallback(
    (fields: { attempt?: number; phase?: string | null; t?: number | null }) => {
      setParams(
        (before) => {
          const next = new URLSearchParams(before)
          for (const [key, value] of Object.entries(fields)) {
            if (value === null || value === undefined) next.delete(key)
            else next.set(key, typeof value === 'number' && key === 't' ? value.toFixed(1) : String(value))
          }
          return next
        },
        // Back goes to the attempt before, not through every moment of this one.
        { replace: fields.attempt === undefined },
      )
    },
    [setParams],
  )
  return {
    number: Number.isNaN(number) ? 1 : number,
    phase: params.get('phase') ?? undefined,
    timeS: Number.isNaN(time) ? undefined : time,
    set,
  }
}
