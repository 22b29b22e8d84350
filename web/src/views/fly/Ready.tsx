import { t } from '@lingui/core/macro'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import type { Sortie } from '../../api/client'
import { keptAt } from '../../api/kept'
import { askPlan } from '../../api/prepare'
import { askSite, askSiteGates } from '../../api/sites'
import { clockOf } from '../../design/words'

interface Line {
  what: string
  at: number | undefined
}

/** Fetches what the flight needs, so that it lies on the device, and says what lies there and from when. */
export function Ready({ sortie }: { sortie: Sortie }) {
  const queries = useQueryClient()
  const [lines, setLines] = useState<Line[]>([])
  const needed = JSON.stringify(
    sortie.exercises.map(({ id, title, site_id, spot_name }) => [id, title, site_id, spot_name]),
  )
  useEffect(() => {
    let over = false
    const exercises = JSON.parse(needed) as [string, string, string | null, string | null][]
    const fetchAll = async () => {
      const asked = exercises.flatMap(([id, title, site, spot]) => [
        { what: t`Plan: ${title}`, key: ['plan', sortie.id, id, {}], ask: askPlan(sortie.id, id, {}) },
        ...(site
          ? [
              { what: t`Survey list: ${spot ?? t`the site`}`, key: ['site', site], ask: askSite(site) },
              { what: t`Gates: ${spot ?? t`the site`}`, key: ['site-gates', id], ask: askSiteGates(id) },
            ]
          : []),
      ])
      await Promise.allSettled(
        asked.map(({ key, ask }) => queries.fetchQuery<unknown>({ queryKey: key, queryFn: ask, staleTime: 60_000 })),
      )
      const found = await Promise.all(
        [{ what: t`Lesson and people`, key: ['sortie', sortie.id] }, ...asked].map(async ({ what, key }) => ({
          what,
          at: await keptAt(key),
        })),
      )
      if (!over) setLines(found)
    }
    void fetchAll()
    return () => {
      over = true
    }
  }, [needed, queries, sortie.id])
  if (lines.length === 0) return null
  const missing = lines.filter(({ at }) => at === undefined)
  return (
    <details className="sheet p-3">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        {missing.length === 0
          ? t`Ready for the air: all of it on this device since ${clockOf(new Date(Math.min(...lines.map(({ at }) => at ?? 0))).toISOString())}`
          : t`Not ready for the air: ${missing.map(({ what }) => what).join(', ')} not on this device`}
      </summary>
      <ul className="figures m-0 list-none p-0">
        {lines.map(({ what, at }) => (
          <li key={what} className="border-t border-rule py-1">
            {what}: {at === undefined ? t`not stored` : t`stored ${clockOf(new Date(at).toISOString())}`}
          </li>
        ))}
      </ul>
    </details>
  )
}
