import { plural, t } from '@lingui/core/macro'
import type { Planned, SortieChange } from '../../api/client'
import { capital } from '../../design/words'

interface Props {
  sortie: Planned
  set: (fields: SortieChange) => void
}

/** Which measures count today; what is left out, and first tries, show nothing of readiness. */
export function CountsToday({ sortie, set }: Props) {
  const { measures, not_judged: left, first_tries: first } = sortie
  const locked = !sortie.may_edit
  const spot = measures.filter((measure) => measure.spot).map((measure) => measure.id)
  const noSpot = spot.length > 0 && spot.every((id) => left.includes(id))
  const leave = (ids: string[], out: boolean) =>
    set({ not_judged: out ? [...new Set([...left, ...ids])] : left.filter((id) => !ids.includes(id)) })
  const phases = [...new Set(measures.map((measure) => measure.phase))]
  return (
    <details className="col-span-3 open:col-span-full">
      <summary className="label min-h-11 cursor-pointer py-2.5">
        {t`Counts today: ${said(left.length, noSpot ? spot.length : 0, first)}`}
      </summary>
      <div className="flex flex-wrap gap-x-6">
        <Tick
          label={t`First tries: nothing counts towards readiness`}
          on={first}
          locked={locked}
          change={(on) => set({ first_tries: on })}
        />
        {spot.length > 0 && (
          <Tick label={t`The spot is not judged`} on={noSpot} locked={locked} change={(on) => leave(spot, on)} />
        )}
      </div>
      <div className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-4">
        {phases.map((phase) => (
          <fieldset key={phase} className="m-0 border-0 p-0">
            <legend className="label p-0">{capital(phase === 'setup' ? t`set-up` : phase)}</legend>
            {measures
              .filter((measure) => measure.phase === phase)
              .map((measure) => (
                <Tick
                  key={measure.id}
                  label={measure.label}
                  on={!left.includes(measure.id)}
                  locked={locked}
                  change={(on) => leave([measure.id], !on)}
                />
              ))}
          </fieldset>
        ))}
      </div>
      <p className="label m-0">
        {t`With anything left out, attempts are graded on the rest and do not count towards readiness. What is critical is always judged.`}
      </p>
    </details>
  )
}

function said(left: number, spot: number, first: boolean) {
  const others = left - spot
  const out = [spot > 0 && t`the spot`, others > 0 && plural(others, { one: '# measure', other: '# measures' })].filter(
    Boolean,
  )
  const text = out.length > 0 ? t`all but ${out.join(t` and `)}` : t`everything`
  return first ? t`${text}; first tries` : text
}

interface TickProps {
  label: string
  on: boolean
  locked: boolean
  change: (on: boolean) => void
}

const Tick = ({ label, on, locked, change }: TickProps) => (
  <label className="flex min-h-11 items-center gap-2 text-sm">
    <input type="checkbox" checked={on} disabled={locked} onChange={(event) => change(event.target.checked)} />
    {label}
  </label>
)
