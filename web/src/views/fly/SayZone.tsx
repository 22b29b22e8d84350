import type { Exercise, Sortie } from '../../api/client'
import type { Plan } from '../../api/client'
import { gatePlace } from '../../design/words'
import { Counted } from '../lesson/Counted'

interface Props {
  sortie: Sortie
  exercise: Exercise
  plan: Plan | undefined
  checked: number
  onChecks: () => void
  begun: boolean
}

/** The one thing to say for this attempt; before the first, the checks that are left. */
export function SayZone({ sortie, exercise, plan, checked, onChecks, begun }: Props) {
  const left = exercise.checks.length - checked
  const gate = plan?.gates[0]
  const say =
    sortie.break_advice ??
    exercise.hands?.text ??
    (sortie.last_focus ? `Last time: ${sortie.last_focus}` : undefined) ??
    exercise.objective ??
    (gate ? `${gatePlace(gate)}: ${gate.text}` : undefined)
  return (
    <section aria-label="Say" className="grid content-start gap-3 [grid-area:say]">
      {!begun && left > 0 && (
        <button type="button" className="tap" onClick={onChecks}>
          Checks: {checked} of {exercise.checks.length} done
        </button>
      )}
      {say && <p className="m-0 border-l-4 border-ink pl-3 text-xl leading-snug font-semibold">{say}</p>}
      <Counted lines={exercise.counted} />
    </section>
  )
}
