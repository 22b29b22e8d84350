import { useEffect, useState } from 'react'

export const MODES = ['light', 'sun', 'dusk'] as const
export type Mode = (typeof MODES)[number]

/** The desk's mode and the cockpit's are two: by day the sun stands over a kneeboard, whatever the desk has. */
const PLACES = {
  desk: { key: 'fujin.mode', usual: 'light' },
  cockpit: { key: 'fujin.mode.cockpit', usual: 'sun' },
} as const

const read = ({ key, usual }: (typeof PLACES)['desk' | 'cockpit']): Mode => {
  const kept = window.localStorage.getItem(key)
  return MODES.find((mode) => mode === kept) ?? usual
}

/** The design mode of the desk or the cockpit, kept on this device. */
export function useMode(cockpit = false): [Mode, (mode: Mode) => void] {
  const place = cockpit ? PLACES.cockpit : PLACES.desk
  const [, setChanged] = useState(0)
  const mode = read(place)
  useEffect(() => {
    document.documentElement.dataset.mode = mode
  }, [mode])
  return [
    mode,
    (next) => {
      window.localStorage.setItem(place.key, next)
      setChanged((times) => times + 1)
    },
  ]
}
