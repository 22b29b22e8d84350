import { t } from '@lingui/core/macro'
import { Toggle } from 'radix-ui'
import { useEffect, useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { toast } from 'sonner'
import type { Session } from '../../api/client'
import { useChangeSite, useSite, useSiteReport, type Site, type SiteDocument, type SiteQuestion } from '../../api/sites'
import { Choice, SEGMENT } from '../../design/Choice'
import { choicesOf, Pick } from '../../design/Pick'
import { dateIn } from '../../design/times'
import { Failed, Loading } from '../../design/States'
import { SiteGround } from '../../pictures/SiteGround'
import { SiteSection } from '../../pictures/SiteSection'
import { cornerMoved, drawn, idOf, moved, withFeature } from './draft'
import { FeatureForm } from './FeatureForm'
import { Lines } from './Lines'
import { Looks } from './Looks'
import { Neighbours } from './Neighbours'
import { PowerChecks } from './PowerChecks'
import { Proposed } from './Proposed'
import { SiteDay } from './SiteDay'
import { SiteNotes } from './SiteNotes'
import { StudentSurveys } from './StudentSurveys'
import { SurveyList } from './SurveyList'
import { FLOWN, THINGS } from './siteWords'
import { Verdicts } from './Verdicts'

const WAIT_MS = 10
/** What can be put on the drawing by a tap. */
const PLACED = ['tree', 'trees', 'wire', 'pole', 'mast', 'building', 'fence', 'edge', 'people']
const TOOLS: Record<string, string> = {
  ...Object.fromEntries(Object.entries(THINGS).filter(([id]) => PLACED.includes(id))),
  spot: t`spot`,
  approach: t`approach`,
  departure: t`departure`,
  landable: t`ground to land on`,
}

/** One site: drawn, surveyed, and what is computed of it for the day that stands above. */
export function SitePage({ session }: { session: Session }) {
  const { id = '' } = useParams()
  const site = useSite(id)
  if (site.isPending) return <Loading what={t`the site`} />
  if (site.isError) return <Failed error={site.error} again={() => void site.refetch()} />
  return <Drawn key={site.data.id} site={site.data} session={session} />
}

function Drawn({ site, session }: { site: Site; session: Session }) {
  const [params, setParams] = useSearchParams()
  const [day, setDay] = useState<SiteQuestion>(() => ({
    type_id: 'tansy-2',
    people: 'dual',
    wind_from_deg: 350,
    wind_kt: 10,
    at: `${dateIn(new Date().toISOString())}T12:00:00Z`,
    stage: 'solo',
  }))
  const [draft, setDraft] = useState<SiteDocument>()
  const [selected, setSelected] = useState<string>()
  const [tool, setTool] = useState<string>()
  const [pass, setPass] = useState<keyof typeof FLOWN>('low')
  const [near, setNear] = useState(true)
  const [room, setRoom] = useState(false)
  const change = useChangeSite(site.id)
  const question = useLater({ ...day, ...(draft ? { document: draft } : {}) })
  const asked = useSiteReport(site.id, question, !site.blind)
  const report = asked.data
  const line = params.get('line') ?? report?.verdicts.train_dual?.approach ?? report?.approaches[0]?.id
  const document = draft ?? site.document
  const may = site.may_edit

  // Keys come faster than pictures: each change is made to what the one before it left.
  const edit = (change: (now: SiteDocument) => SiteDocument) => setDraft((now) => change(now ?? site.document))
  const choose = (id: string) => {
    params.set('line', id)
    setParams(params, { replace: true })
  }
  const keep = () =>
    change.mutate(
      { document, version: site.version },
      {
        onSuccess: () => {
          setDraft(undefined)
          toast(t`Kept. The verdict rests on it from now on.`)
        },
      },
    )
  if (!report) return asked.isError ? <Failed error={asked.error} /> : <Loading what={t`what the site allows`} />
  const frame = report.picture.frame
  const approach = report.picture.approaches.find(({ id }) => id === line)
  const departure = report.picture.departures.find(({ id }) => id === line)
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{site.name}</h1>
        <span className="text-soft">
          {t`${Math.round(site.elevation_ft)} ft, ${(site.surface ?? '').replaceAll('_', ' ')}; density altitude ${report.day.density_altitude_ft} ft; power left ${said(report.day.power_margin_pct.value)} % out of ground effect, ${said(report.day.power_margin_ige_pct.value)} % at 4 ft${report.site.terrain ? t`; ground heights every ${report.site.terrain.cell_m} m` : ''}`}
        </span>
        <Link to={`/sites/${site.id}/look`}>{t`Survey list for the cockpit`}</Link>
        <a className="underline" href={`/api/sites/${site.id}/geojson`}>
          {t`As GeoJSON`}
        </a>
      </header>
      <SiteDay day={day} onChange={setDay} />
      {asked.isError && <Failed error={asked.error} />}
      <Verdicts report={report} />
      <div className="mt-3 grid gap-4 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <div>
          <div className="no-print mb-1 flex flex-wrap items-center gap-2">
            <Choice
              label={t`Drawn`}
              words={SHOWN}
              value={near ? 'ground' : 'lines'}
              onPick={(id) => setNear(id === 'ground')}
              item={SEGMENT}
            />
            <Toggle.Root className={SEGMENT} pressed={room} onPressedChange={setRoom}>
              {t`Room for the rotor`}
            </Toggle.Root>
            {may && (
              <label className="ml-auto flex items-center gap-2 text-sm">
                {t`Draw`}
                <Pick
                  className="w-auto"
                  value={tool ?? ''}
                  choices={[{ id: '', word: t`nothing` }, ...choicesOf(TOOLS)]}
                  onChange={(name) => setTool(name || undefined)}
                />
              </label>
            )}
          </div>
          <SiteGround
            picture={report.picture}
            name={site.name}
            wind={report.day.wind}
            windFromDeg={day.wind_from_deg ?? null}
            near={near}
            room={room}
            line={line}
            selected={selected}
            onSelect={(id) => {
              setSelected(id)
              if ([...report.approaches, ...report.departures].some((one) => one.id === id)) choose(id)
            }}
            onMove={
              may
                ? (id, north, east, corner) =>
                    edit((now) =>
                      corner === undefined
                        ? moved(now, id, north, east, frame)
                        : cornerMoved(now, id, corner, north, east, frame),
                    )
                : undefined
            }
            onTap={
              may && tool
                ? (north, east) => {
                    const next = drawn(document, tool, [north, east], frame, session.person?.name)
                    setDraft(next.document)
                    setSelected(next.id)
                    setTool(undefined)
                  }
                : undefined
            }
          />
          <p className="label mt-1 mb-0">
            {t`Ring: room kept around the rotor. Thick arc: where the tail may point. Crossed line: wire. ${tool ? t`Tap where it stands.` : ''}`}
          </p>
          {draft && (
            <div className="caution-edge mt-2 flex flex-wrap items-center gap-3 py-1 pl-4">
              <span className="font-semibold">{t`Changed, not kept. The numbers follow the drawing.`}</span>
              <button type="button" className="button solid" disabled={change.isPending} onClick={keep}>
                {t`Keep the drawing`}
              </button>
              <button type="button" className="button" onClick={() => setDraft(undefined)}>
                {t`Put it back`}
              </button>
            </div>
          )}
          {change.isError && (
            <p role="alert" className="limit-note mt-2 p-2">
              {change.error.message}
            </p>
          )}
          {may && selected && (
            <FeatureForm
              document={document}
              id={selected}
              frame={frame}
              onChange={setDraft}
              onGone={() => setSelected(undefined)}
            />
          )}
        </div>
        <div className="grid content-start gap-3">
          {approach && <SiteSection line={approach} kind="approach" />}
          {departure && <SiteSection line={departure} kind="departure" />}
          <SiteNotes report={report} line={line} />
        </div>
      </div>
      <div className="mt-5">
        <Lines report={report} line={line} onLine={choose} />
        <Proposed
          site={site.id}
          question={day}
          spots={report.spots.map(({ id }) => id)}
          onDraw={
            may
              ? (feature) => {
                  edit((now) => withFeature(now, feature))
                  setSelected(idOf(feature))
                }
              : undefined
          }
        />
      </div>
      <section aria-label={t`Survey`} className="mt-6">
        <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink pb-1">
          <h2 className="m-0 text-xl font-bold">{t`Survey`}</h2>
          {may && <Choice label={t`Pass`} words={FLOWN} value={pass} onPick={setPass} item={SEGMENT} />}
        </div>
        <Looks looks={report.reconnaissance} />
        <PowerChecks site={site} day={day} report={report} onChange={setDay} />
        {may && (
          <Neighbours
            site={site.id}
            drawn={document.features}
            onTake={(feature) => edit((now) => withFeature(now, feature))}
          />
        )}
        <div className="mt-2">
          <SurveyList
            document={document}
            onChange={may ? setDraft : undefined}
            pass={pass}
            at={[frame.lon_deg, frame.lat_deg]}
          />
        </div>
      </section>
      <StudentSurveys site={site} session={session} />
    </>
  )
}

const SHOWN = { ground: t`The ground`, lines: t`The lines` }

const said = (value: number | null | undefined) => (value == null ? '—' : String(Math.round(value)))

/** What was asked last, once nobody has changed it for a moment. */
function useLater<T>(value: T): T {
  const [settled, setSettled] = useState(value)
  const text = JSON.stringify(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(JSON.parse(text) as T), WAIT_MS)
    return () => clearTimeout(timer)
  }, [text])
  return settled
}
