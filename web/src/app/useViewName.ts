import { useEffect, useRef } from 'react'
import { useLocation } from 'react-router'

/**
 * The page is called what its heading says (or the heading's data-title), and each change of view puts the focus on that
 * heading: so it is read aloud, and the next Tab goes on from there. The first view of a visit takes no focus.
 */
export function useViewName() {
  const { pathname } = useLocation()
  const arrived = useRef(pathname)
  useEffect(() => {
    let waits = arrived.current !== pathname
    arrived.current = pathname
    const look = () => {
      const heading = document.querySelector<HTMLElement>('h1')
      if (!heading) return
      const title = `${heading.dataset.title ?? heading.textContent} · Fujin`
      if (document.title !== title) document.title = title
      if (!waits || !heading.closest('main')) return
      waits = false
      heading.tabIndex = -1
      heading.focus({ preventScroll: true })
    }
    look()
    const watch = new MutationObserver(look)
    watch.observe(document.body, { childList: true, subtree: true })
    return () => watch.disconnect()
  }, [pathname])
}
