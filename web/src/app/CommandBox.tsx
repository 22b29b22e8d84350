import { useEffect, useState } from 'react'
import type { Session } from '../api/client'
import type { Mode } from '../design/useMode'
import { later } from '../design/Later'

const CommandDialog = later(() => import('./CommandDialog').then((file) => file.CommandDialog), null)

interface Props {
  session: Session
  setMode: (mode: Mode) => void
}

/** Ctrl or Cmd and K opens the box that goes anywhere; fetched when it is first asked for. */
export function CommandBox({ session, setMode }: Props) {
  const [open, setOpen] = useState<boolean>()

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey)) return
      event.preventDefault()
      setOpen((before) => !before)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  if (open === undefined) return null
  return <CommandDialog session={session} setMode={setMode} open={open} setOpen={setOpen} />
}
