import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import type { Schemas, Session } from '../../api/client'
import { useChangeSurvey, useGradeSurvey, useSurvey, type SiteDocument, type SiteFeature } from '../../api/sites'
import { isLearner } from '../../api/who'
import { GradeGlyph } from '../../design/GradeGlyph'
import { HeadRow } from '../../design/HeadRow'
import { Pick } from '../../design/Pick'
import { Failed, Loading } from '../../design/States'
import { nameOf, POINTS, STATUSES, WHATS } from './siteWords'
import { fromSpot, idOf, spotOf, textOf, without } from './draft'
import { SurveyList } from './SurveyList'

type Survey = Schemas['SiteSurvey']

/** A student's own survey: made first, without the school's; handed in, the two are laid side by side. */
export function SurveyPage({ session }: { session: Session }) {
  const { survey: id = '' } = useParams()
  const survey = useSurvey(id)
  if (survey.isPending) return <Loading what="the survey" />
  if (survey.isError) return <Failed error={survey.error} again={() => void survey.refetch()} />
  const own = survey.data.student_id === session.person?.id
  return (
    <>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">
          {survey.data.site}: {own ? 'your own survey' : `surveyed by ${survey.data.student}`}
        </h1>
      </header>
      {survey.data.comparison ? (
        <Compared survey={survey.data} staff={!isLearner(session.person)} comparison={survey.data.comparison} />
      ) : own ? (
        <Making key={survey.data.version} survey={survey.data} />
      ) : (
        <p>Not handed in yet.</p>
      )}
    </>
  )
}

function Making({ survey }: { survey: Survey }) {
  const [document, setDocument] = useState<SiteDocument>(survey.document)
  const [pass, setPass] = useState('high')
  const change = useChangeSurvey(survey.id)
  const mine = document.features.filter(({ properties }) => ['obstacle', 'survey_point'].includes(properties.kind))
  const at = spotOf(document)
  const send = (hand_in: boolean) =>
    change.mutate(
      { features: mine, version: survey.version, ...(hand_in ? { hand_in } : {}) },
      { onSuccess: () => toast(hand_in ? 'Handed in. The school’s survey stands beside it now.' : 'Kept.') },
    )
  return (
    <>
      <p className="max-w-3xl">
        Look at it from above first, then low. Answer every point; what could not be seen is <b>open</b>, not left out.
        The school&apos;s survey is shown once yours is handed in, and then yours stays as it is.
      </p>
      <div className="flex">
        {['high', 'low'].map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={pass === name}
            onClick={() => setPass(name)}
            className={`min-h-11 cursor-pointer border border-faint px-3 ${pass === name ? 'bg-ink font-semibold text-paper' : 'bg-sheet'}`}
          >
            {name === 'high' ? 'High pass' : 'Low pass'}
          </button>
        ))}
      </div>
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
          Keep it
        </button>
        <button type="button" className="button solid" disabled={change.isPending} onClick={() => send(true)}>
          Hand it in: it can&apos;t be changed afterwards
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
  const [row, setRow] = useState({ what: 'tree', bearing: '', feet: '', top: '' })
  const things = document.features.filter(({ properties }) => properties.kind === 'obstacle')
  const ready = row.bearing !== '' && row.feet !== ''
  const add = () => {
    const metres = Number(row.feet) * 0.3048
    const angle = (Number(row.bearing) * Math.PI) / 180
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
        top_ft: row.top === '' ? null : Number(row.top),
        status: 'seen',
        pass,
        ...(row.what === 'wire' ? { ends: ['not_seen', 'not_seen'] } : {}),
      },
      geometry: line
        ? { type: 'LineString', coordinates: [end(-1), end(1)] }
        : { type: 'Point', coordinates: fromSpot(document, north, east, frame) },
    }
    onChange({ ...document, features: [...document.features, feature] })
    setRow({ what: 'tree', bearing: '', feet: '', top: '' })
  }
  const field = (label: string, unit: string, name: 'bearing' | 'feet' | 'top', high: number) => (
    <label className="grid gap-0.5">
      <span className="label">
        {label}, {unit}
      </span>
      <input
        className="field"
        type="number"
        min={0}
        max={high}
        value={row[name]}
        placeholder={name === 'top' ? 'not known' : ''}
        onChange={(event) => setRow({ ...row, [name]: event.target.value })}
      />
    </label>
  )
  return (
    <section aria-label="What stands around" className="mt-4">
      <h2 className="m-0 text-base font-semibold">What stands around the spot</h2>
      <ul className="m-0 list-none p-0">
        {things.map((one) => (
          <li key={idOf(one)} className="flex items-center gap-3 border-t border-rule py-1">
            <span>
              {textOf(one, 'what')}
              {typeof one.properties.top_ft === 'number' ? `, ${one.properties.top_ft} ft` : ', height not known'}
            </span>
            <button
              type="button"
              className="min-h-11 cursor-pointer bg-transparent text-sm underline"
              onClick={() => onChange(without(document, idOf(one)))}
            >
              Take it out
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-1 grid max-w-3xl grid-cols-2 items-end gap-2 sm:grid-cols-5">
        <label className="grid gap-0.5">
          <span className="label">What</span>
          <Pick
            value={row.what}
            choices={WHATS.map((id) => ({ id, word: id }))}
            onChange={(what) => setRow({ ...row, what })}
          />
        </label>
        {field('Bearing', '°', 'bearing', 360)}
        {field('From the spot', 'ft', 'feet', 6000)}
        {field('Top over the ground', 'ft', 'top', 2000)}
        <button type="button" className="button" disabled={!ready} onClick={add}>
          Add it
        </button>
      </div>
    </section>
  )
}
const HALF_LINE_M = 15

const VERDICT_WORDS: Record<string, string> = {
  same: 'the same',
  left_out: 'left out',
  otherwise: 'judged otherwise',
  found: 'found',
  missed: 'missed',
  height: 'another height',
  extra: 'only the student has it',
}
const ASK = Object.fromEntries(POINTS.map(({ group, about, ask }) => [`${group}.${about}`, ask]))

interface ComparedProps {
  survey: Survey
  staff: boolean
  comparison: NonNullable<Survey['comparison']>
}

function Compared({ survey, staff, comparison }: ComparedProps) {
  const off = comparison.points.filter(({ verdict }) => verdict !== 'same')
  const wrong = comparison.obstacles.filter(({ verdict }) => verdict !== 'found')
  return (
    <>
      <p className="text-lg">
        {off.length === 0 && wrong.length === 0
          ? 'Everything was seen as the school has it.'
          : `${comparison.points.length - off.length} of ${comparison.points.length} points and ${comparison.obstacles.length - wrong.length} of ${comparison.obstacles.length} obstacles as the school has them.`}{' '}
        <Link to={`/sites/${survey.site_id}`}>To the site</Link>
      </p>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <Rows
          title="Obstacles"
          rows={comparison.obstacles}
          unit=" ft"
          name={({ id, what }) => `${nameOf(id)} (${what})`}
        />
        <Rows title="Points of the survey" rows={comparison.points} unit="" name={({ id }) => ASK[id] ?? nameOf(id)} />
      </div>
      <Grade survey={survey} staff={staff} proposed={comparison.proposed_level} />
    </>
  )
}

type Row = Schemas['SurveyRow']

function Rows({ title, rows, unit, name }: { title: string; rows: Row[]; unit: string; name: (row: Row) => string }) {
  const differs = (row: Row) => !['same', 'found'].includes(row.verdict)
  const value = (text: string | null) => (text === null ? '—' : (STATUSES[text] ?? `${text}${unit}`))
  return (
    <table className="figures w-full border-collapse text-sm">
      <caption className="pb-1 text-left text-base font-semibold">{title}</caption>
      <HeadRow heads={['', 'School', 'Student', '']} />
      <tbody>
        {[...rows]
          .sort((a, b) => Number(differs(b)) - Number(differs(a)))
          .map((row) => (
            <tr key={row.id} className="border-t border-rule align-top">
              <td className="p-1.5">{name(row)}</td>
              <td className="p-1.5 whitespace-nowrap">{value(row.school)}</td>
              <td className="p-1.5 whitespace-nowrap">{value(row.student)}</td>
              <td className={differs(row) ? 'caution-edge p-1.5 pl-4 font-semibold' : 'p-1.5 text-soft'}>
                {VERDICT_WORDS[row.verdict]}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  )
}

function Grade({ survey, staff, proposed }: { survey: Survey; staff: boolean; proposed: number }) {
  const grade = useGradeSurvey(survey.id)
  const [note, setNote] = useState(survey.note ?? '')
  return (
    <section aria-label="Grade" className="sheet mt-5 max-w-3xl p-4">
      <h2 className="m-0 text-base font-semibold">Surveying</h2>
      {survey.level != null ? (
        <p className="mb-1 flex items-center gap-2">
          <GradeGlyph grade={survey.level} worded /> {survey.note}
        </p>
      ) : (
        <p className="label mb-1">Not graded yet.</p>
      )}
      {staff && (
        <>
          <p className="label">What was missed proposes:</p>
          <GradeGlyph grade={proposed} worded />
          <label className="mt-2 grid gap-0.5">
            <span className="label">The one thing to say</span>
            <input className="field" value={note} maxLength={400} onChange={(event) => setNote(event.target.value)} />
          </label>
          <div className="mt-2 flex flex-wrap gap-2">
            {[1, 2, 3, 4].map((level) => (
              <button
                key={level}
                type="button"
                className="button"
                disabled={grade.isPending}
                onClick={() => grade.mutate({ level, note })}
              >
                <GradeGlyph grade={level} worded />
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  )
}
