import { plural, t } from '@lingui/core/macro'
import { Fragment, useState } from 'react'
import type { Schemas } from '../../api/client'
import { useMeasuringAgain } from '../../api/queries'
import { capital, fullDayOf, unitWord } from '../../design/words'
import { StandardRowForm } from './StandardRowForm'
import { Why } from '../../design/Why'
import { WideTable } from '../../design/WideTable'

type Manoeuvre = Schemas['Catalogue']['manoeuvres'][number]
export type StandardRow = Manoeuvre['standard']['rows'][number]

interface Props {
  manoeuvre: Manoeuvre
  chief: boolean
}

/** What each measure is held to, stage by stage; the chief instructor sets a row otherwise, with a reason. */
export function Standard({ manoeuvre, chief }: Props) {
  const [open, setOpen] = useState<string | null>(null)
  const { standard } = manoeuvre
  const measuring = useMeasuringAgain().data?.[manoeuvre.id] ?? 0
  const judged = standard.rows.filter((row) => row.limits)
  const shown = standard.rows.filter((row) => !row.limits)
  return (
    <>
      <h3 className="mb-1 font-semibold">{t`Standard ${standard.version}`}</h3>
      <p role="status" className="m-0">
        {measuring > 0 &&
          plural(measuring, {
            one: '# attempt is being measured again. Grades that were given stay.',
            other: '# attempts are being measured again. Grades that were given stay.',
          })}
      </p>
      <WideTable className="w-full text-sm">
        <thead>
          <tr className="label text-left">
            <th className="py-1 font-normal">{t`Measure`}</th>
            <th className="py-1 font-normal">{t`Rule`}</th>
            {standard.stages.map((stage) => (
              <th key={stage} className="px-1.5 py-1 text-right font-normal">
                {capital(stage)}
              </th>
            ))}
            {chief && <th className="sr-only">{t`Set`}</th>}
          </tr>
        </thead>
        <tbody>
          {judged.map((row) => (
            <Fragment key={row.measure}>
              <tr className="border-t border-rule align-top">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  <Why word={row.label}>{row.definition}</Why>
                  <span className="unit">{unitWord(row.unit)}</span>
                </th>
                <td className="py-1 text-soft">
                  {row.rule}
                  <span className="block text-xs">{row.steps?.join(' · ')}</span>
                  <Changes row={row} />
                </td>
                {row.told?.map((limit, index) => (
                  <td key={standard.stages[index]} className="px-1.5 py-1 text-right font-semibold whitespace-nowrap">
                    {limit}
                  </td>
                ))}
                {chief && (
                  <td className="py-1 pl-1 text-right">
                    <button
                      type="button"
                      className="button px-2! py-0! text-xs"
                      aria-expanded={open === row.measure}
                      aria-label={t`Set ${row.label}`}
                      onClick={() => setOpen(open === row.measure ? null : row.measure)}
                    >
                      {t`Set`}
                    </button>
                  </td>
                )}
              </tr>
              {open === row.measure && (
                <tr>
                  <td colSpan={7} className="pb-3">
                    <StandardRowForm manoeuvre={manoeuvre.id} row={row} done={() => setOpen(null)} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </WideTable>
      {shown.length > 0 && (
        <details>
          <summary className="label min-h-11 cursor-pointer py-2">{t`Shown and never judged: ${shown.length}`}</summary>
          <ul className="mt-0 list-disc pl-5 text-sm">
            {shown.map((row) => (
              <li key={row.measure}>
                <Why word={row.label}>{row.definition}</Why>: {row.shown}.
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  )
}

const Changes = ({ row }: { row: StandardRow }) => (
  <>
    {row.changes?.map((change) => (
      <span key={change.at} className="block text-xs text-ink">
        {t`${change.was.join(' / ')} → ${change.values.join(' / ')} from ${fullDayOf(change.effective_from)}, ${change.by}: ${change.reason}`}
      </span>
    ))}
  </>
)
