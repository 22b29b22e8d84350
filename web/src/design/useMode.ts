import { useEffect, useState } from 'react'

export const MODES = ['light', 'sun', 'dusk'] as const
export type Mode = (typeof MODES)[number]

const read = (): Mode => {
  const kept = window.localStorage.getItem('fujin.mode')
  return MODES.find((mode) => mode === kept) ?? 'light'
}

/** The design mode, kept on this device. */
export function useMode(): [Mode, (mode: Mode) => void] {
  const [mode, setMode] = useState<Mode>(read)
  useEffect(() => {
    document.documentElement.dataset.mode = mode
    window.localStorage.setItem('fujin.mode', mode)
  }, [mode])
  return [mode, setMode]
}
