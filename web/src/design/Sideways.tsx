import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import { useEffect, useRef, useState, type ReactNode } from 'react'

/** A frame that scrolls sideways where there is no room for what it holds, and is then moved by the arrow keys, too. */
export function Sideways({ className, children }: { className?: string | undefined; children: ReactNode }) {
  const ref = useRef<HTMLDivElement>(null)
  const [scrolls, setScrolls] = useState(false)
  useEffect(() => {
    const frame = ref.current
    if (!frame) return
    const look = () => setScrolls(frame.scrollWidth > frame.clientWidth + 1)
    const observer = new ResizeObserver(look)
    observer.observe(frame)
    for (const child of frame.children) observer.observe(child)
    look()
    return () => observer.disconnect()
  }, [])
  return (
    <div
      ref={ref}
      className={clsx('overflow-x-auto', className)}
      {...(scrolls ? { tabIndex: 0, role: 'group', 'aria-label': t`Wide: the arrow keys move it sideways` } : {})}
    >
      {children}
    </div>
  )
}
