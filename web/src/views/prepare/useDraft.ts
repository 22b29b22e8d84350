import { useCallback, useEffect, useRef } from 'react'
import type { Planned, SortieChange } from '../../api/client'
import { useChangeSortie } from '../../api/queries'
import { useTyped } from '../../design/useTyped'

const QUIET_MS = 700

/** What of `draft` is still as it was when `stored` was sent. */
const without = (draft: SortieChange, stored: SortieChange): SortieChange =>
  Object.fromEntries(Object.entries(draft).filter(([key, value]) => stored[key as keyof SortieChange] !== value))

/**
 * The conditions as they stand on screen. Each change redraws the plan at once; a moment of quiet stores it, and so does
 * leaving the view, so that moving along loses nothing; what a reload or a crash left unsent is sent by the next visit. A
 * change that cannot be stored stays on screen with the reason.
 */
export function useDraft(sortie: Planned) {
  const [draft, setDraft] = useTyped<SortieChange>(`${sortie.id}.${sortie.exercise_id}.day`, {})
  const change = useChangeSortie(sortie.id, sortie.exercise_id)
  const { mutate, isError } = change
  const unsent = useRef<SortieChange>(sortie.may_edit ? draft : {})

  const send = useCallback(() => {
    const fields = unsent.current
    if (Object.keys(fields).length === 0) return
    unsent.current = {}
    mutate(fields, { onSuccess: () => setDraft((now) => without(now, fields)) })
  }, [mutate, setDraft])

  useEffect(() => {
    if (isError || Object.keys(draft).length === 0) return
    const timer = window.setTimeout(send, QUIET_MS)
    return () => window.clearTimeout(timer)
  }, [draft, isError, send])
  useEffect(() => send, [send])

  const set = (fields: SortieChange) => {
    change.reset()
    setDraft((now) => {
      const next = { ...now, ...fields }
      if (sortie.may_edit) unsent.current = next
      return next
    })
  }
  return { draft, set, change, current: { ...sortie, ...draft } as Planned }
}
