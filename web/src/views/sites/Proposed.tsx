import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { useProposals, type SiteFeature, type SiteQuestion } from '../../api/sites'
import { Choice } from '../../design/Choice'
import { HeadRow } from '../../design/HeadRow'
import { breakOff } from './Lines'
import { courseOf, said, WAYS } from './siteWords'
import { WideTable } from '../../design/WideTable'

interface Props {
  site: string
  question: SiteQuestion
  spots: string[]
  onDraw?: ((feature: SiteFeature) => void) | undefined
}

const WHY: Record<string, string> = {
  into_wind: t`into the wind`,
  clearest: t`the clearest`,
  best_escape: t`most ground in reach`,
  sun_behind: t`the sun behind`,
}
const whyOf = (why: string[] | undefined) => (why ?? []).map((one) => WHY[one] ?? one).join(', ')

/** Lines that are worth a look from a spot, beside those that were drawn. */
export function Proposed({ site, question, spots, onDraw }: Props) {
  const [spot, setSpot] = useState<string>()
  const found = useProposals(site, { ...question, spot: spot ?? '' }, spot !== undefined)
  const draw = (kind: string, coordinates: number[][] | undefined, id: string) =>
    onDraw?.({
      type: 'Feature',
      properties: { kind, id, spot },
      geometry: { type: 'LineString', coordinates: coordinates ?? [] },
    })
  return (
    <section aria-label={t`Proposed lines`} className="no-print mt-3">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <Choice
          label={t`Proposed lines`}
          className="flex flex-wrap gap-2"
          words={Object.fromEntries(spots.map((one) => [one, t`Propose lines for ${one.replaceAll('-', ' ')}`]))}
          value={spot}
          onPick={setSpot}
          item="button"
        />
        {found.isFetching && <span role="status">{t`Looking all round…`}</span>}
      </div>
      {found.isError && (
        <p role="alert" className="limit-note mt-2 p-2">
          {found.error.message}
        </p>
      )}
      {found.data && (
        <WideTable outer="mt-2" className="figures w-full text-sm">
          <HeadRow
            heads={['', t`Course`, t`Because`, t`Needs`, t`Break off / way`, t`Clears`, t`Ground in reach`, '']}
          />
          <tbody>
            {found.data.approaches.map((one) => (
              <tr key={one.id} className="border-t border-rule align-top">
                <td className="p-1.5">{t`In`}</td>
                <td className="p-1.5">{courseOf(one.course_deg)}</td>
                <td className="p-1.5 font-semibold">{whyOf(one.why)}</td>
                <td className="p-1.5">{said(one.angle_needed_deg, 1, '°')}</td>
                <td className="p-1.5">{breakOff(one.break_off)}</td>
                <td className="p-1.5">{said(one.least_clearance_ft, 0, ' ft')}</td>
                <td className="p-1.5">{said(one.escape_pct, 0, ' %')}</td>
                <td className="p-1.5">
                  <Draw act={onDraw && (() => draw('approach', one.coordinates, one.id))} />
                </td>
              </tr>
            ))}
            {found.data.departures.map((one) => {
              const way = Object.entries(one.ways).find(([, { verdict }]) => verdict !== 'not')
              return (
                <tr key={one.id} className="border-t border-rule align-top">
                  <td className="p-1.5">{t`Out`}</td>
                  <td className="p-1.5">{courseOf(one.course_deg)}</td>
                  <td className="p-1.5 font-semibold">{whyOf(one.why)}</td>
                  <td className="p-1.5">{said(one.ways.towering.climb_angle_needed_deg, 1, '°')}</td>
                  <td className="p-1.5">{way ? `${WAYS[way[0]] ?? ''}: ${way[1].verdict}` : t`none`}</td>
                  <td className="p-1.5">{way ? said(way[1].clearance_ft, 0, ' ft') : ''}</td>
                  <td className="p-1.5">{said(one.escape_pct, 0, ' %')}</td>
                  <td className="p-1.5">
                    <Draw act={onDraw && (() => draw('departure', one.coordinates, one.id))} />
                  </td>
                </tr>
              )
            })}
          </tbody>
        </WideTable>
      )}
    </section>
  )
}

const Draw = ({ act }: { act: (() => void) | undefined }) =>
  act ? (
    <button type="button" className="act" onClick={act}>
      {t`Draw it`}
    </button>
  ) : null
