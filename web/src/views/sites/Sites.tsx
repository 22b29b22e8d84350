import { t } from '@lingui/core/macro'
import { Link, useNavigate } from 'react-router'
import type { Schemas, Session } from '../../api/client'
import { useAddSite, useSites, type SiteDocument } from '../../api/sites'
import { isLearner } from '../../api/who'
import { FileButton } from '../../design/FileButton'
import { Empty, Failed, Loading } from '../../design/States'
import { nameOf, sentence, shortDayOf } from '../../design/words'
import { Terrain } from './Terrain'

/** The school's sites: what is open of each, and which a student still has to survey without having seen the school's. */
export function Sites({ session }: { session: Session }) {
  const sites = useSites()
  if (sites.isPending) return <Loading what={t`the sites`} />
  if (sites.isError) return <Failed error={sites.error} again={() => void sites.refetch()} />
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{t`Sites`}</h1>
        {!isLearner(session.person) && <Add />}
      </header>
      {sites.data.length === 0 && (
        <Empty>{t`No site is drawn yet. Load a GeoJSON file, or draw one from a point.`}</Empty>
      )}
      <ul className="m-0 mt-4 grid list-none gap-3 p-0 md:grid-cols-2 xl:grid-cols-3">
        {sites.data.map((site) => (
          <li key={site.id} className="sheet p-4">
            <h2 className="m-0 text-xl font-bold">
              <Link
                to={site.blind && site.survey_id ? `/sites/${site.id}/survey/${site.survey_id}` : `/sites/${site.id}`}
              >
                {site.name}
              </Link>
            </h2>
            <p className="m-0 text-soft">
              {Math.round(site.elevation_ft)} ft{site.surface ? `, ${site.surface.replaceAll('_', ' ')}` : ''}
            </p>
            <Standing site={site} />
            <p className="label mb-0">{site.changed_by ? `${site.changed_by}, ${shortDayOf(site.changed_at)}` : ''}</p>
          </li>
        ))}
      </ul>
      <Terrain staff={!isLearner(session.person)} />
      <p className="label">
        {t`What is computed here comes from what was surveyed and from the flight model. Local rules, the flight manual and a licensed instructor decide.`}
      </p>
    </>
  )
}

function Standing({ site }: { site: Schemas['SiteLine'] }) {
  if (site.blind)
    return <p className="caution-edge mt-2 mb-1 py-1 pl-4 font-semibold">{t`Your own survey comes first`}</p>
  if (site.blocking.length > 0)
    return (
      <p className="limit-note mt-2 mb-1 px-3 py-1">
        <b>{t`Open, nothing is suitable:`}</b> {site.blocking.map(nameOf).join(', ')}
      </p>
    )
  if (site.open.length > 0)
    return <p className="caution-edge mt-2 mb-1 py-1 pl-4">{t`Open: ${site.open.map(nameOf).join(', ')}`}</p>
  return <p className="mt-2 mb-1">{t`Surveyed, nothing open.`}</p>
}

/** A site from a GeoJSON file. */
function Add() {
  const add = useAddSite()
  const navigate = useNavigate()
  const take = async (chosen: File) => {
    let document: SiteDocument
    try {
      document = JSON.parse(await chosen.text()) as SiteDocument
    } catch {
      document = { type: 'FeatureCollection', features: [] }
    }
    add.mutate(document, { onSuccess: (site) => void navigate(`/sites/${site.id}`) })
  }
  return (
    <div className="grid justify-items-end gap-1">
      <FileButton
        word={t`Load a site (GeoJSON)`}
        accept=".geojson,.json,application/geo+json"
        onFile={(file) => void take(file)}
      />
      {add.isError && (
        <p role="alert" className="limit-note m-0 max-w-xl p-2 text-sm">
          {t`${sentence(add.error.message)} Nothing was stored.`}
        </p>
      )}
    </div>
  )
}
