import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Attempt } from '../../api/client'
import { useWholeFlight } from '../../api/review'
import { Failed, Loading } from '../../design/States'
import { WholeFlight } from '../../pictures/WholeFlight'

/** The recording that an attempt lies in, from its first sample to its last; fetched when it is opened. */
export function WholeFlightFold({ attempt, select }: { attempt: Attempt; select: (position: number) => void }) {
  const [open, setOpen] = useState(false)
  const flight = useWholeFlight(attempt.recording_id, open)
  return (
    <details className="mt-1" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 text-sm text-soft">{t`The whole flight`}</summary>
      {open && flight.isPending && <Loading what={t`the whole flight`} />}
      {flight.isError && <Failed error={flight.error} again={() => void flight.refetch()} />}
      {open && flight.data && (
        <WholeFlight key={attempt.recording_id} flight={flight.data} current={attempt.position} select={select} />
      )}
    </details>
  )
}
