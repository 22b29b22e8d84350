import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import type { Attempt } from '../../api/client'
import { capital } from '../../design/words'

interface Props {
  attempt: Attempt
  onTime: (timeS: number) => void
}

/** The first fault in the causal chain: what happened, why, one change; what followed from it in small. */
export function Faults({ attempt, onTime }: Props) {
  const [first, ...rest] = attempt.fault_details ?? []
  if (!first) return null
  return (
    <section aria-label={t`First fault`} className="sheet my-2 grid gap-1 border-l-8! border-l-ink! p-3">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <h2 className="m-0 text-lg font-bold">{t`Work on: ${first.title.toLowerCase()}`}</h2>
        <button type="button" className="button" onClick={() => onTime(first.from_s)}>
          {t`Show it: ${decimal(first.from_s - attempt.start_s, 1)} to ${decimal(first.to_s - attempt.start_s, 1)} s`}
        </button>
      </div>
      <p className="m-0">
        {capital(first.evidence)}. <span className="text-soft">{first.cause}</span>
      </p>
      <p className="m-0 text-lg font-semibold">“{first.cue}”</p>
      {rest.length > 0 && (
        <p className="label m-0">
          {t`After it: ${rest.map((fault) => `${fault.title.toLowerCase()} (${fault.evidence})`).join(' · ')}`}
        </p>
      )}
    </section>
  )
}
