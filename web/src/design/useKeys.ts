import { useEffect } from 'react'

export interface Shortcut {
  key: string
  does: string
  run: () => void
}

const shown = new Map<string, Shortcut>()

/** The shortcuts that hold on the screen now, for the list behind `?`. */
export const shortcutsNow = () => [...shown.values()]

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** Single-key shortcuts of a screen; they rest while somebody types. */
export function useKeys(shortcuts: Shortcut[]) {
  useEffect(() => {
    for (const shortcut of shortcuts) shown.set(shortcut.key, shortcut)
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
      const hit = shortcuts.find((shortcut) => shortcut.key === event.key)
      if (!hit) return
      event.preventDefault()
      hit.run()
    }
    window.addEventListener('keydown', onKey)
    return () => {
      window.removeEventListener('keydown', onKey)
      for (const shortcut of shortcuts) shown.delete(shortcut.key)
    }
  }, [shortcuts])
}
