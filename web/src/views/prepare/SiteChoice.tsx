import { t } from '@lingui/core/macro'
import { Link } from 'react-router'
import type { Planned } from '../../api/client'
import { useLeadToSite, useSite, useSites } from '../../api/sites'
import { Pick } from '../../design/Pick'

/** The surveyed site that the exercise leads to, and which of its lines: spot, course, angle and break-off height follow. */
export function SiteChoice({ sortie }: { sortie: Planned }) {
  const sites = useSites()
  const site = useSite(sortie.site_id ?? '')
  const lead = useLeadToSite(sortie.id)
  if (!sortie.at_site) return null
  const lines = (site.data?.document.features ?? []).flatMap(({ properties }) =>
    properties.kind === 'approach' && typeof properties.id === 'string' ? [properties.id] : [],
  )
  const to = (site_id: string | null, line?: string) =>
    lead.mutate({ exerciseId: sortie.exercise_id, body: { site_id, ...(line ? { line } : {}) } })
  return (
    <div className="no-print mt-2 flex flex-wrap items-end gap-2">
      <label className="grid min-w-56 gap-0.5">
        <span className="label">{t`Site`}</span>
        <Pick
          value={sortie.site_id ?? ''}
          disabled={!sortie.may_edit || lead.isPending}
          choices={[
            { id: '', word: t`no site chosen` },
            ...(sites.data ?? []).map(({ id, name }) => ({ id, word: name })),
          ]}
          onChange={(id) => to(id || null)}
        />
      </label>
      {sortie.site_id && (
        <>
          <label className="grid min-w-56 gap-0.5">
            <span className="label">{t`Line in`}</span>
            <Pick
              value={sortie.site_line ?? ''}
              disabled={!sortie.may_edit || lead.isPending}
              choices={lines.map((id) => ({ id, word: id.replaceAll('-', ' ') }))}
              onChange={(line) => to(sortie.site_id ?? null, line)}
            />
          </label>
          <Link
            className="button"
            to={`/sites/${sortie.site_id}${sortie.site_line ? `?line=${sortie.site_line}` : ''}`}
          >
            {t`The site, with its verdict`}
          </Link>
        </>
      )}
      {lead.isError && (
        <p role="alert" className="limit-note m-0 p-2 text-sm">
          {lead.error.message}
        </p>
      )}
    </div>
  )
}
