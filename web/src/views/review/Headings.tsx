import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { tellHeadings } from '../../api/ranges.generated'
import { Pick } from '../../design/Pick'
import { useBody } from '../../design/useBody'

type Summary = NonNullable<Schemas['Recording']['summary']>
type Told = { heading: string; channel: string; unit: string }

interface Props {
  summary: Summary
  tell: (columns: Told[]) => Promise<void>
}

/** A device's own headings, each with its likeliest meaning, to be confirmed once; the next file with them is read at once. */
export function Headings({ summary, tell }: Props) {
  const asked = summary.headings ?? []
  const meanings = summary.meanings ?? []
  const [problem, setProblem] = useState<Error>()
  const { values, form, put, errorOf } = useBody(tellHeadings, {
    start: {
      columns: asked.map(({ heading, channel, unit }) => ({ heading, channel: channel ?? '', unit: unit ?? '' })),
    },
    error: problem ?? null,
  })
  const told = values.columns
  const unitsOf = (channel: string) => meanings.find((row) => row.channel === channel)?.units ?? []
  const change = (index: number, next: Partial<Told>) =>
    put(
      'columns',
      told.map((row, i) => (i === index ? { ...row, ...next } : row)),
    )
  const submit = async () => {
    setProblem(undefined)
    try {
      await tell(told.filter((row) => row.channel !== ''))
    } catch (error) {
      setProblem(error instanceof Error ? error : new Error(t`The meanings could not be kept; try again.`))
    }
  }
  return (
    <form className="sheet mt-2 p-4" {...form(() => void submit())} aria-label={t`What the headings mean`}>
      <h2 className="mt-0 mb-2 text-lg font-bold">{t`What do these headings mean?`}</h2>
      <table className="w-full border-collapse text-sm">
        <thead>
          <tr className="label text-left">
            <th className="py-1 font-normal">{t`Heading`}</th>
            <th className="py-1 font-normal">{t`First value`}</th>
            <th className="py-1 font-normal">{t`It is`}</th>
            <th className="py-1 font-normal">{t`In`}</th>
          </tr>
        </thead>
        <tbody>
          {told.map((row, index) => (
            <tr key={row.heading} className="border-t border-rule align-top">
              <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                {row.heading}
                {errorOf(row.heading as never) && (
                  <span role="alert" className="block text-xs font-semibold text-limit">
                    {errorOf(row.heading as never)}
                  </span>
                )}
              </th>
              <td className="figures py-1.5 pr-3">{asked[index]?.example}</td>
              <td className="py-1 pr-3">
                <Pick
                  aria-label={t`Meaning of ${row.heading}`}
                  value={row.channel}
                  choices={[
                    { id: '', word: t`not read` },
                    ...meanings.map(({ channel, label }) => ({ id: channel, word: label })),
                  ]}
                  onChange={(channel) => change(index, { channel, unit: unitsOf(channel)[0] ?? '' })}
                />
              </td>
              <td className="py-1">
                {row.channel && (
                  <Pick
                    aria-label={t`Unit of ${row.heading}`}
                    value={row.unit}
                    choices={unitsOf(row.channel).map((unit) => ({ id: unit, word: unit }))}
                    onChange={(unit) => change(index, { unit })}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {problem && (
        <p role="alert" className="limit-note mt-2 mb-0 p-2">
          {problem.message}
        </p>
      )}
      <button type="submit" className="button solid mt-3">
        {t`Read it with these meanings`}
      </button>
      <span className="label ml-3">{t`Kept for every file with the same header row.`}</span>
    </form>
  )
}
