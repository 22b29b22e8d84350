import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import type { Schemas } from '../api/client'
import { useSideBySide } from '../api/queries'
import { GradeGlyph } from '../design/GradeGlyph'
import { Pick } from '../design/Pick'
import { LaidOver } from '../pictures/LaidOver'
import { TouchdownScatter } from '../pictures/TouchdownScatter'
import { Empty, Failed, Loading } from '../design/States'
import { VerdictMark } from '../design/VerdictMark'
import { capital, figure, shortDayOf, unitWord } from '../design/words'
import { Why } from '../design/Why'
import { WideTable } from '../design/WideTable'

type Table = Schemas['SideBySide']

/** Attempts at one manoeuvre beside each other: what is steady, what moves, what holds the grade down. */
export function SideBySidePage() {
  const { id = '' } = useParams()
  const [params] = useSearchParams()
  const table = useSideBySide(id, params.get('manoeuvre') ?? '', params.get('sortie') ?? undefined)
  if (table.isPending) return <Loading what={t`the attempts`} />
  if (table.isError) return <Failed error={table.error} again={() => void table.refetch()} />
  const { title, student, columns, rows, one_thing: one } = table.data
  const phases = [...new Set(rows.map((row) => row.phase))]
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">
        <Link to={`/students/${student.id}`} className="no-underline hover:underline">
          {student.name}
        </Link>
        <span className="font-normal text-soft"> {t`· ${title}, side by side`}</span>
      </h1>
      {columns.length === 0 && <Empty>{t`No attempt at it counts yet.`}</Empty>}
      {one && (
        <p className="mt-3 mb-0 text-xl">
          <b>{t`The one thing:`}</b> {one.text}
        </p>
      )}
      {columns.length > 1 && <Laid table={table.data} />}
      {columns.length > 0 && (
        <WideTable outer="mt-3" className="w-full text-sm">
          <thead>
            <tr className="align-bottom">
              <td />
              {columns.map((column, i) => (
                <th key={column.attempt_id} className="px-2 py-1 text-right font-normal">
                  <span className="label block">{i + 1}</span>
                  <Link
                    className="inline-block min-h-11 py-1.5"
                    to={`/sorties/${column.sortie_id}/review?attempt=${column.position}`}
                  >
                    {shortDayOf(column.on)}
                  </Link>
                  <span className="flex justify-end">
                    <Why
                      label={t`Attempt ${i + 1}: what was named`}
                      word={<GradeGlyph grade={column.overall ?? null} size={20} />}
                    >
                      {column.first_fault ?? t`no fault named`}
                    </Why>
                  </span>
                </th>
              ))}
              {[t`Middle`, t`Spread`, t`Last less first`, t`Held it down`].map((head) => (
                <th key={head} className="label px-2 py-1 text-right font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          {phases.map((phase) => (
            <tbody key={phase}>
              <tr>
                <th scope="rowgroup" colSpan={columns.length + 5} className="pt-3 text-left font-semibold">
                  {capital(phase === 'setup' ? t`set-up` : phase)}
                </th>
              </tr>
              {rows
                .filter((row) => row.phase === phase)
                .map((row) => (
                  <Row key={row.measure} row={row} marked={row.measure === one?.measure} />
                ))}
            </tbody>
          ))}
        </WideTable>
      )}
      <p className="label mt-2">
        {t`Marks are verdicts as in Review. Middle is the median; spread from the smallest to the largest. Held it down counts the phases whose grade it gave.`}
      </p>
      <button type="button" className="button no-print" onClick={() => window.print()}>
        {t`Print`}
      </button>
    </>
  )
}

const SPOT = 'spot'

/** The attempts laid over one another on a chosen moment, and where they ended. */
function Laid({ table: { columns, landings, title } }: { table: Table }) {
  const navigate = useNavigate()
  const phases = [...new Set(columns.flatMap((column) => Object.keys(column.starts)))]
  const [event, setEvent] = useState(SPOT)
  const word = event === SPOT ? t`the spot` : t`the beginning of ${event.replaceAll('_', ' ')}`
  const open = (position: number) => {
    const column = columns[position - 1]
    if (column) void navigate(`/sorties/${column.sortie_id}/review?attempt=${column.position}`)
  }
  return (
    <section aria-label={t`Laid over one another`} className="mt-4 break-inside-avoid">
      <label className="no-print label flex items-center gap-2">
        {t`Laid on`}
        <Pick
          className="w-48"
          value={event}
          choices={[
            { id: SPOT, word: t`the spot` },
            ...phases.map((id) => ({ id, word: t`beginning of ${id.replaceAll('_', ' ')}` })),
          ]}
          onChange={setEvent}
        />
      </label>
      <div className="grid gap-4 xl:grid-cols-[minmax(0,1fr)_auto]">
        <LaidOver
          zero={event === SPOT ? t`spot` : event.replaceAll('_', ' ')}
          title={t`${title}, laid on ${word}; numbered in order, the last one bold`}
          flown={columns.map((column, i) => ({
            number: i + 1,
            path: column.path,
            eventS: event === SPOT ? undefined : column.starts[event],
          }))}
        />
        {landings.points.length > 1 && <TouchdownScatter landings={landings} current={columns.length} select={open} />}
      </div>
    </section>
  )
}

function Row({ row, marked }: { row: Table['rows'][number]; marked: boolean }) {
  const { unit, digits } = row
  return (
    <tr className={marked ? 'border-y-2 border-ink bg-sheet' : 'border-t border-rule/60'}>
      <th scope="row" className="py-1 pr-2 text-left font-normal">
        {row.label}
        <span className="unit">{unitWord(unit)}</span>
      </th>
      {row.values.map((value, at) => (
        <td key={at} className="px-2 py-1 text-right whitespace-nowrap">
          <span className="inline-flex items-center gap-1">
            {figure(value, unit, digits)}
            {row.verdicts[at] && row.verdicts[at] !== 'in' && row.verdicts[at] !== 'polished' && (
              <VerdictMark verdict={row.verdicts[at]} />
            )}
          </span>
        </td>
      ))}
      <td className="px-2 py-1 text-right font-semibold">{figure(row.median, unit, digits)}</td>
      <td className="px-2 py-1 text-right">{figure(row.spread, unit, digits)}</td>
      <td className="px-2 py-1 text-right">{figure(row.change, unit, digits)}</td>
      <td className="px-2 py-1 text-right">{row.drove > 0 ? row.drove : ''}</td>
    </tr>
  )
}
