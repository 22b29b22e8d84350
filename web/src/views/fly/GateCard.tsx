import { t } from '@lingui/core/macro'
import type { Planned, Schemas } from '../../api/client'
import { oldSince } from '../../api/kept'
import { usePlan } from '../../api/prepare'
import { KeyFigure } from '../../design/Figure'
import { clockOf, gatePlace } from '../../design/words'
import { useFresh } from './useFresh'

interface Props {
  sortie: Planned
  /** With the gates in words; at a site it has its own. */
  gated: boolean
  /** A wind that was tapped waits: no plan has it yet. */
  windWaits: boolean
}

/** The few numbers that are looked at in the air. */
export function GateCard({ sortie, gated, windWaits }: Props) {
  const plan = usePlan(sortie.id, sortie.exercise_id, {})
  // Asked again it may be the same numbers, but not old any more.
  const asked = plan.dataUpdatedAt
  if (!plan.data) return null
  const since = asked ? oldSince(['plan', sortie.id, sortie.exercise_id, {}]) : undefined
  const { key_numbers: keys, numbers, gates } = plan.data
  return (
    <section aria-label={t`Numbers in the air`} className="sheet grid grid-cols-3 gap-x-2 gap-y-2 p-3">
      {windWaits && (
        <p className="limit-note col-span-3 m-0 px-2 font-semibold">
          {t`The wind seen in the air is not in these numbers.`}
        </p>
      )}
      {since !== undefined && (
        <p className="label col-span-3 m-0">{t`No connection: as planned at ${clockOf(new Date(since).toISOString())}`}</p>
      )}
      {keys
        .slice(0, 6)
        .flatMap((name) => numbers[name] ?? [])
        .map((number) => (
          <Key key={number.label} number={number} />
        ))}
      {(gated ? gates : []).map((gate) => (
        <p key={gate.id} className="col-span-3 m-0 text-sm">
          <b>{gatePlace(gate)}</b> {gate.text}
        </p>
      ))}
    </section>
  )
}

/** One number; what a changed wind has changed is framed for some seconds. */
function Key({ number }: { number: Schemas['Plan']['numbers'][string] }) {
  const fresh = useFresh(JSON.stringify(number.value))
  return (
    <div className={fresh ? 'outline-2 outline-offset-2 outline-ink' : ''}>
      <div className="label">
        {number.label}
        {fresh && <b> {t`new`}</b>}
      </div>
      <div className="text-3xl leading-tight font-bold">
        <KeyFigure number={number} />
      </div>
    </div>
  )
}
