import { useCallback, useEffect, useRef, useState } from 'react'
import type { Planned, SortieChange } from '../../api/client'
import { useChangeSortie } from '../../api/queries'
import { useTyped } from '../../design/useTyped'

const QUIET_MS = 700
const NOTHING: SortieChange = {}

/** What of `draft` is still as it was when `stored` was sent. */
const without = (draft: SortieChange, stored: SortieChange): SortieChange =>
  Object.fromEntries(Object.entries(draft).filter(([key, value]) => stored[key as keyof SortieChange] !== value))

const empty = (fields: SortieChange) => Object.keys(fields).length === 0

/**
 * The conditions as they stand on screen. Each change redraws the plan at once; a moment of quiet stores it, and so does
 * leaving the view, so that moving along loses nothing. A change that cannot be stored stays on screen with the reason.
 * What an earlier visit typed and did not store stands there too, and is stored or dropped by whoever sees it, never by
 * itself: the day may have moved on since.
 */
export function useDraft(sortie: Planned) {
  const [typed, setTyped, drop] = useTyped<SortieChange>(`${sortie.id}.${sortie.exercise_id}.day`, NOTHING)
  const draft = sortie.may_edit ? typed : NOTHING
  const change = useChangeSortie(sortie.id, sortie.exercise_id)
  const { mutateAsync, isError } = change
  const unsent = useRef<SortieChange>(NOTHING)
  const [left, setLeft] = useState(!empty(draft))
  if (left && empty(draft)) setLeft(false)

  const send = useCallback(() => {
    const fields = unsent.current
    if (empty(fields)) return
    unsent.current = NOTHING
    // Also when the view is gone by then.
    mutateAsync(fields).then(
      () => setTyped((now) => without(now, fields)),
      () => undefined,
    )
  }, [mutateAsync, setTyped])

  useEffect(() => {
    if (isError || empty(draft)) return
    const timer = window.setTimeout(send, QUIET_MS)
    return () => window.clearTimeout(timer)
  }, [draft, isError, send])
  useEffect(() => send, [send])

  const set = (fields: SortieChange) => {
    if (!sortie.may_edit) return
    change.reset()
    unsent.current = { ...(left ? unsent.current : draft), ...fields }
    setTyped((now) => ({ ...now, ...fields }))
  }
  const keepLeft = () => {
    unsent.current = draft
    setLeft(false)
    send()
  }
  return { draft, set, change, left: left && { keep: keepLeft, drop }, current: { ...sortie, ...draft } as Planned }
}
