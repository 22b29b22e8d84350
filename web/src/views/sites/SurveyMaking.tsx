import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import { useChangeSurvey, type SiteDocument, type SiteFeature } from '../../api/sites'
import type { Schemas } from '../../api/client'
import { Choice, SEGMENT } from '../../design/Choice'
import { choicesOf, Pick } from '../../design/Pick'
import { NumberField } from '../prepare/NumberField'
import { fromSpot, idOf, spotOf, textOf, without } from './draft'
import { FLOWN, THINGS } from './siteWords'
import { SurveyList } from './SurveyList'

type Survey = Schemas['SiteSurvey']

/** The survey while it is made: every point, and what stands around. */
export function SurveyMaking({ survey }: { survey: Survey }) {
  const [document, setDocument] = useState<SiteDocument>(survey.document)
  const [pass, setPass] = useState<keyof typeof FLOWN>('high')
  const change = useChangeSurvey(survey.id)
  const mine = document.features.filter(({ properties }) => ['obstacle', 'survey_point'].includes(properties.kind))
  const at = spotOf(document)
  const send = (hand_in: boolean) =>
    change.mutate(
      { features: mine, version: survey.version, ...(hand_in ? { hand_in } : {}) },
      { onSuccess: () => toast(hand_in ? t`Handed in. The school’s survey stands beside it now.` : t`Kept.`) },
    )
  return (
    <>
      <p className="max-w-3xl">
        <Trans>
          Look at it from above first, then low. Answer every point; what could not be seen is <b>open</b>, not left
          out. The school&apos;s survey is shown once yours is handed in, and then yours stays as it is.
        </Trans>
      </p>
      <Choice label={t`Pass`} words={FLOWN} value={pass} onPick={setPass} item={SEGMENT} />
      <div className="mt-2">
        <SurveyList document={document} onChange={setDocument} pass={pass} at={at} />
      </div>
      <Found document={document} onChange={setDocument} pass={pass} frame={survey.frame} />
      {change.isError && (
        <p role="alert" className="limit-note p-2">
          {change.error.message}
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button type="button" className="button" disabled={change.isPending} onClick={() => send(false)}>
          {t`Keep it`}
        </button>
        <button type="button" className="button solid" disabled={change.isPending} onClick={() => send(true)}>
          {t`Hand it in: it can't be changed afterwards`}
        </button>
      </div>
    </>
  )
}

/** What stands around, as bearing and distance from the spot. */
interface FoundProps {
  document: SiteDocument
  onChange: (next: SiteDocument) => void
  pass: string
  frame: Survey['frame']
}

function Found({ document, onChange, pass, frame }: FoundProps) {
  const [row, setRow] = useState(NEW)
  const things = document.features.filter(({ properties }) => properties.kind === 'obstacle')
  const ready = row.bearing !== null && row.feet !== null
  const add = () => {
    const metres = (row.feet ?? 0) * 0.3048
    const angle = ((row.bearing ?? 0) * Math.PI) / 180
    const [north, east] = [metres * Math.cos(angle), metres * Math.sin(angle)]
    const line = ['wire', 'fence', 'edge'].includes(row.what)
    // A line is drawn across the bearing.
    const end = (sign: number) =>
      fromSpot(
        document,
        north - sign * HALF_LINE_M * Math.sin(angle),
        east + sign * HALF_LINE_M * Math.cos(angle),
        frame,
      )
    const feature: SiteFeature = {
      type: 'Feature',
      properties: {
        kind: 'obstacle',
        id: `${row.what}-${things.length + 1}`,
        what: row.what,
        top_ft: row.top,
        status: 'seen',
        pass,
        ...(row.what === 'wire' ? { ends: ['not_seen', 'not_seen'] } : {}),
      },
      geometry: line
        ? { type: 'LineString', coordinates: [end(-1), end(1)] }
        : { type: 'Point', coordinates: fromSpot(document, north, east, frame) },
    }
    onChange({ ...document, features: [...document.features, feature] })
    setRow(NEW)
  }
  return (
    <section aria-label={t`What stands around`} className="mt-4">
      <h2 className="m-0 text-base font-semibold">{t`What stands around the spot`}</h2>
      <ul className="m-0 list-none p-0">
        {things.map((one) => (
          <li key={idOf(one)} className="flex items-center gap-3 border-t border-rule py-1">
            <span>
              {textOf(one, 'what')}
              {typeof one.properties.top_ft === 'number' ? `, ${one.properties.top_ft} ft` : t`, height not known`}
            </span>
            <button type="button" className="act text-sm" onClick={() => onChange(without(document, idOf(one)))}>
              {t`Take it out`}
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-1 grid max-w-3xl grid-cols-2 items-end gap-2 sm:grid-cols-5">
        <label className="grid gap-0.5">
          <span className="label">{t`What`}</span>
          <Pick value={row.what} choices={choicesOf(THINGS)} onChange={(what) => setRow({ ...row, what })} />
        </label>
        <NumberField
          label={t`Bearing`}
          unit="°"
          low={0}
          high={360}
          optional
          value={row.bearing}
          onChange={(bearing) => setRow({ ...row, bearing })}
        />
        <NumberField
          label={t`From the spot`}
          unit="ft"
          low={0}
          high={6000}
          optional
          value={row.feet}
          onChange={(feet) => setRow({ ...row, feet })}
        />
        <NumberField
          label={t`Top over the ground`}
          unit="ft"
          low={0}
          high={2000}
          optional
          value={row.top}
          placeholder={t`not known`}
          onChange={(top) => setRow({ ...row, top })}
        />
        <button type="button" className="button" disabled={!ready} onClick={add}>
          {t`Add it`}
        </button>
      </div>
    </section>
  )
}
/** Half of what a line is drawn with, metres. */
const HALF_LINE_M = 15
type NewThing = { what: string; bearing: number | null; feet: number | null; top: number | null }
const NEW: NewThing = { what: 'tree', bearing: null, feet: null, top: null }
