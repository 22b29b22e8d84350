import { useEffect, useSyncExternalStore } from 'react'

export interface Shortcut {
  key: string
  does: string
  run: () => void
  /** Works also where single keys are switched off: the list of them. */
  always?: boolean
}

const shown: Shortcut[] = []

/** The shortcuts that hold on the screen now, for the list behind `?`; of two for one key the newest. */
export const shortcutsNow = () => [...new Map(shown.map((shortcut) => [shortcut.key, shortcut])).values()]

const KEY = 'fujin.keys'
const listeners = new Set<() => void>()
const on = () => window.localStorage.getItem(KEY) !== 'off'

/** Whether single keys act on this device, and a switch: who speaks to the machine would set them off by chance. */
export function useKeysOn(): [boolean, (on: boolean) => void] {
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => on(),
  )
  return [
    value,
    (next) => {
      if (next) window.localStorage.removeItem(KEY)
      else window.localStorage.setItem(KEY, 'off')
      listeners.forEach((listener) => listener())
    },
  ]
}

/** Fields that take letters; a file, a mark, a choice of one take none. */
const WITHOUT_LETTERS = ['file', 'checkbox', 'radio', 'button', 'submit', 'range', 'color']
const typing = (target: EventTarget | null) => {
  if (target instanceof HTMLInputElement) return !WITHOUT_LETTERS.includes(target.type)
  return target instanceof HTMLElement && (target.isContentEditable || ['TEXTAREA', 'SELECT'].includes(target.tagName))
}

const OVER_ALL = '[role="dialog"][data-state="open"], [role="alertdialog"][data-state="open"]'

/**
 * Single-key shortcuts of a screen; they rest while somebody types, and while a dialog lies over it.
 * @param ofDialog they are the dialog's own
 */
export function useKeys(shortcuts: Shortcut[], ofDialog = false) {
  useEffect(() => {
    shown.push(...shortcuts)
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
      const hit = shortcuts.find((shortcut) => shortcut.key === event.key)
      if (!hit || !(hit.always || on()) || (!ofDialog && document.querySelector(OVER_ALL))) return
      event.preventDefault()
      hit.run()
    }
    window.addEventListener('keydown', onKey)
    return () => {
      window.removeEventListener('keydown', onKey)
      for (const shortcut of shortcuts) shown.splice(shown.indexOf(shortcut), 1)
    }
  }, [shortcuts, ofDialog])
}
