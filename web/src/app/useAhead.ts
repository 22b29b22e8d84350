import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { sortieOf } from '../api/queries'
import { attemptsOf } from '../api/review'
import { later } from '../design/Later'
import { STAGE_VIEWS } from '../views/stageViews'

export const SortiePage = later(() => import('../views/SortiePage').then((file) => file.SortiePage))

/** When nothing else is fetched any more, ms. */
const RESTED_MS = 1500

/**
 * What the address says will be wanted is asked for at once, side by side: else a review's attempts waited for its
 * script, that for the sortie, and the sortie for the page around it. The sortie's page comes behind the first view
 * whatever that is: the cockpit has to open without a network.
 * @param person who is signed in: before, nothing is asked
 */
export function useAhead(pathname: string, person: string | undefined) {
  const queries = useQueryClient()
  const [, id, stage = ''] = /^\/sorties\/([^/]+)\/(\w+)/.exec(pathname) ?? []
  useEffect(() => {
    SortiePage.ahead()
    const timer = window.setTimeout(() => Object.values(STAGE_VIEWS).forEach((view) => view.ahead()), RESTED_MS)
    return () => window.clearTimeout(timer)
  }, [])
  useEffect(() => {
    if (stage in STAGE_VIEWS) STAGE_VIEWS[stage as keyof typeof STAGE_VIEWS].ahead()
  }, [stage])
  useEffect(() => {
    if (!person || !id) return
    void queries.prefetchQuery(sortieOf(id))
    if (stage === 'review') void queries.prefetchQuery(attemptsOf(id))
  }, [queries, person, id, stage])
}
