import { useEffect, useState } from 'react'
import type { Sortie, SortieChange } from '../../api/client'
import { useChangeSortie } from '../../api/queries'

const QUIET_MS = 700

/**
 * The conditions as they stand on screen. Each change redraws the plan at once; a moment of quiet stores it, so that
 * leaving the view loses nothing. A change that cannot be stored stays on screen with the reason.
 */
export function useDraft(sortie: Sortie) {
  const [draft, setDraft] = useState<SortieChange>({})
  const change = useChangeSortie(sortie.id, sortie.version)
  const { mutate, isPending, isError } = change

  useEffect(() => {
    if (Object.keys(draft).length === 0 || !sortie.may_edit || isPending || isError) return
    const timer = window.setTimeout(() => {
      mutate(draft, {
        onSuccess: () =>
          setDraft((now) =>
            Object.fromEntries(
              Object.entries(now).filter(([key, value]) => draft[key as keyof SortieChange] !== value),
            ),
          ),
      })
    }, QUIET_MS)
    return () => window.clearTimeout(timer)
  }, [draft, mutate, isPending, isError, sortie.may_edit])

  const set = (fields: SortieChange) => {
    change.reset()
    setDraft((now) => ({ ...now, ...fields }))
  }
  return { draft, set, change, current: { ...sortie, ...draft } as Sortie }
}
