import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Attempt, PathPoint } from '../../api/client'
import { useAttemptPictures, useFlownPath } from '../../api/review'
import { Loading } from '../../design/States'
import { Chart } from '../../pictures/Chart'
import { EnergyLedger } from '../../pictures/EnergyLedger'
import { momentOf } from '../../pictures/scale'

interface Props {
  attempt: Attempt
  timeS: number | undefined
}

/** What the attempt did with its energy, and how near it came to where it must not go. */
export function FlownPictures({ attempt, timeS }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <details
      className="mt-3 border-t border-rule"
      onToggle={(event) => setOpen((event.target as HTMLDetailsElement).open)}
    >
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{t`Energy and limits`}</summary>
      {open && <Inside attempt={attempt} timeS={timeS} />}
    </details>
  )
}

function Inside({ attempt, timeS }: Props) {
  const pictures = useAttemptPictures(attempt.id)
  const path = useFlownPath(attempt.id)
  const now = timeS === undefined ? undefined : momentOf(path, timeS)
  if (pictures.isError) return <p className="limit-note p-2">{pictures.error.message}</p>
  if (pictures.isPending) return <Loading what={t`energy and limits`} />
  const { ledger, charts } = pictures.data
  if (ledger.length < 4 && charts.length === 0)
    return <p className="label mt-0">{t`Not recorded: it takes airspeed, height and rotor rpm.`}</p>
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      {ledger.length > 3 && (
        <EnergyLedger
          entries={ledger}
          title={t`Energy ledger as flown`}
          {...(timeS === undefined ? {} : { timeS: timeS - attempt.start_s })}
        />
      )}
      {charts.map(({ track, ...chart }) => (
        <Chart key={chart.id} chart={{ ...chart, track: [] }} flown={track} now={now && markOn(chart.id, now)} />
      ))}
    </div>
  )
}

/** A moment of the flown path on a chart: speed against sink, or against height. */
const markOn = (chart: string, point: PathPoint) => {
  const y = chart === 'sink' ? Math.max(point.sink_fpm ?? 0, 0) : point.height_ft
  return point.ias_kt == null ? undefined : { x: point.ias_kt, y }
}
