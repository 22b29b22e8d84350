import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import { Fragment, useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import type { Schemas, Standing } from '../api/client'
import { GradeGlyph } from '../design/GradeGlyph'
import { shortDayOf } from '../design/words'
import { WideTable } from '../design/WideTable'

type Entry = Schemas['StudentLessons']['history'][number]

interface Props {
  standings: Standing[]
  history: Entry[]
  signOffs: Schemas['SignOff'][]
  /** What stands under a row that was opened. */
  detail: (standing: Standing) => ReactNode
}

/** Days between two flown ones widen the map by so much each, up to a limit, pixels. */
const GAP_PX = 2.5
const WIDEST_GAP = 12
const DAY_MS = 86_400_000
/** From one mark to the next; more than three of a day stand in two rows, more than six in three. */
const MARK_PX = 30

/** Manoeuvres in teaching order against time: a mark an attempt, sign-offs as a seam, where each stands at the end. */
export function ProgressMap({ standings, history, signOffs, detail }: Props) {
  const [open, setOpen] = useState<string | null>(null)
  const inForce = signOffs.filter((row) => !row.withdrawn)
  const days = [
    ...new Set([...history.map((entry) => entry.on_day), ...inForce.map((row) => row.signed_at.slice(0, 10))]),
  ].sort()
  return (
    <WideTable>
      <caption className="sr-only">{t`Every attempt by manoeuvre and day`}</caption>
      <thead>
        <tr className="label align-bottom">
          <th scope="col" className="p-1 pr-4 text-left font-normal">
            {t`Manoeuvre, in teaching order`}
          </th>
          <th scope="col" className="p-1 pr-6 text-left font-normal">
            {t`Stands`}
          </th>
          {days.map((day, i) => (
            <th key={day} scope="col" className="pb-1 text-left font-normal" style={gapBefore(days, i)}>
              <span className="block leading-tight">
                {Number(day.slice(8))}
                <span className="block">{month(day) === month(days[i - 1]) ? ' ' : month(day)}</span>
              </span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {standings.map((standing) => {
          const signed = inForce.find((row) => row.manoeuvre === standing.manoeuvre)
          const shown = open === standing.manoeuvre
          return (
            <Fragment key={standing.manoeuvre}>
              <tr className="border-t border-rule align-middle">
                <th scope="row" className="max-w-60 py-1.5 pr-4 text-left font-semibold">
                  {standing.title}
                </th>
                <td className="py-1 pr-6">
                  <button
                    type="button"
                    className="act flex max-w-64 items-center gap-2"
                    aria-expanded={shown}
                    onClick={() => setOpen(shown ? null : standing.manoeuvre)}
                  >
                    {stateOf(standing, signed?.signed_at)}
                    <span className="sr-only">: {standing.title}</span>
                  </button>
                </td>
                {days.map((day, i) => (
                  <td
                    key={day}
                    className={signed?.signed_at.startsWith(day) ? 'border-r-4 border-double border-ink' : ''}
                    style={gapBefore(days, i)}
                  >
                    <Marks
                      entries={history.filter(
                        (entry) => entry.on_day === day && entry.manoeuvre === standing.manoeuvre,
                      )}
                    />
                    {signed?.signed_at.startsWith(day) && <span className="sr-only">{t`signed off`}</span>}
                  </td>
                ))}
              </tr>
              {shown && (
                <tr>
                  <td colSpan={days.length + 2} className="pb-4">
                    {detail(standing)}
                  </td>
                </tr>
              )}
            </Fragment>
          )
        })}
      </tbody>
    </WideTable>
  )
}

function stateOf(standing: Standing, signedAt: string | undefined) {
  if (signedAt) return <b>{t`signed off ${shortDayOf(signedAt)}`}</b>
  if (standing.ready) return <b>{t`ready for the sign-off`}</b>
  const missing = standing.conditions.filter((condition) => !condition.met)
  const [only] = missing
  return `${standing.stuck ? t`stuck, ` : ''}${missing.length === 1 && only ? only.text : t`${missing.length} missing`}`
}

const month = (day: string | undefined) =>
  day === undefined ? '' : new Date(day).toLocaleDateString(locale, { month: 'short', timeZone: 'UTC' })

/** A day's column begins after a gap as wide as the days that were not flown. */
function gapBefore(days: string[], i: number) {
  const before = days[i - 1]
  const day = days[i]
  const gap = before && day ? (Date.parse(day) - Date.parse(before)) / DAY_MS - 1 : 0
  return { paddingLeft: 4 + Math.min(gap, WIDEST_GAP) * GAP_PX, paddingRight: 4 }
}

/** A day's attempts at one manoeuvre; help that was needed is a dot beside the mark. */
const Marks = ({ entries }: { entries: Entry[] }) => (
  <span
    className="flex flex-wrap gap-x-0.5"
    style={{
      width: entries.length > 3 ? Math.ceil(entries.length / (entries.length > 6 ? 3 : 2)) * MARK_PX : undefined,
    }}
  >
    {entries.map((entry) => (
      <Link
        key={entry.attempt_id}
        data-mark
        to={`/sorties/${entry.sortie_id}/review?attempt=${entry.position ?? 1}`}
        className="relative flex h-7 w-7 items-center pointer-coarse:h-11 justify-center no-underline hover:bg-band"
        title={`${shortDayOf(entry.on_day)}${entry.help === 'alone' ? '' : `, ${entry.help.replace('_', ' ')}`}`}
      >
        <GradeGlyph grade={entry.level} size={18} />
        {entry.help !== 'alone' && (
          <span className="absolute top-0.5 right-0.5 h-1.5 w-1.5 rounded-full bg-ink">
            <span className="sr-only">{entry.help.replace('_', ' ')}</span>
          </span>
        )}
      </Link>
    ))}
  </span>
)
