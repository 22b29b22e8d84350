import { useState } from 'react'
import { useAttemptPictures } from '../../api/queries'
import { Loading } from '../../design/States'
import { Chart } from '../../pictures/Chart'
import { EnergyLedger } from '../../pictures/EnergyLedger'

/** What the attempt did with its energy, and how near it came to where it must not go. */
export function FlownPictures({ attemptId }: { attemptId: string }) {
  const [open, setOpen] = useState(false)
  return (
    <details
      className="mt-3 border-t border-rule"
      onToggle={(event) => setOpen((event.target as HTMLDetailsElement).open)}
    >
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">Energy and limits</summary>
      {open && <Inside attemptId={attemptId} />}
    </details>
  )
}

function Inside({ attemptId }: { attemptId: string }) {
  const pictures = useAttemptPictures(attemptId)
  if (pictures.isError) return <p className="limit-note p-2">{pictures.error.message}</p>
  if (pictures.isPending) return <Loading what="energy and limits" />
  const { ledger, charts } = pictures.data
  if (ledger.length < 4 && charts.length === 0)
    return <p className="label mt-0">Not recorded: it takes airspeed, height and rotor rpm.</p>
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      {ledger.length > 3 && <EnergyLedger entries={ledger} title="Energy ledger as flown" />}
      {charts.map(({ track, ...chart }) => (
        <Chart key={chart.id} chart={{ ...chart, track: [] }} flown={track} />
      ))}
    </div>
  )
}
