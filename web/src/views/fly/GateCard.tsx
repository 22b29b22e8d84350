import type { Planned, Schemas } from '../../api/client'
import { usePlan } from '../../api/prepare'
import { KeyFigure } from '../../design/Figure'
import { gatePlace } from '../../design/words'
import { useFresh } from './useFresh'

interface Props {
  sortie: Planned
  /** With the gates in words; at a site it has its own. */
  gated: boolean
}

/** The few numbers that are looked at in the air. */
export function GateCard({ sortie, gated }: Props) {
  const plan = usePlan(sortie.id, sortie.exercise_id, {})
  if (!plan.data) return null
  const { key_numbers: keys, numbers, gates } = plan.data
  return (
    <section aria-label="Numbers in the air" className="sheet grid grid-cols-3 gap-x-2 gap-y-2 p-3">
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
        {fresh && <b> new</b>}
      </div>
      <div className="text-3xl leading-tight font-bold">
        <KeyFigure number={number} />
      </div>
    </div>
  )
}
