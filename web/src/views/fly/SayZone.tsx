import { t } from '@lingui/core/macro'
import type { Exercise, Plan, Schemas, Sortie } from '../../api/client'
import { GradeGlyph } from '../../design/GradeGlyph'
import { VerdictMark } from '../../design/VerdictMark'
import { gatePlace } from '../../design/words'
import { Counted } from '../lesson/Counted'

interface Props {
  sortie: Sortie
  exercise: Exercise
  plan: Plan | undefined
  checked: number
  onChecks: () => void
  /** The attempt that ended last, as the recorder showed it. */
  over: Schemas['LiveAttempt'] | undefined
  begun: boolean
  /** The recorder's readings take the room. */
  recorded: boolean
  /** It shows an attempt: the checks are behind it. */
  flown: boolean
}

/** The one thing to say for this attempt; before the first, the checks that are left. */
export function SayZone({ sortie, exercise, plan, checked, onChecks, over, begun, recorded, flown }: Props) {
  const left = exercise.checks.length - checked
  const gate = plan?.gates[0]
  const say =
    sortie.break_advice ??
    exercise.hands?.text ??
    (sortie.last_focus ? t`Last time: ${sortie.last_focus}` : undefined) ??
    exercise.objective ??
    (gate ? `${gatePlace(gate)}: ${gate.text}` : undefined)
  return (
    <section aria-label={t`Say`} className="grid content-start gap-3 [grid-area:say]">
      {!begun && !flown && left > 0 && (
        <button type="button" className="tap" onClick={onChecks}>
          {t`Checks: ${checked} of ${exercise.checks.length} done`}
        </button>
      )}
      {over && <Over over={over} />}
      {say && !over && <p className="m-0 border-l-4 border-ink pl-3 text-xl leading-snug font-semibold">{say}</p>}
      {!recorded && <Counted lines={exercise.counted} />}
    </section>
  )
}

/** The attempt that is over, in a glance: the first fault with its cue, what stood farthest out, how the block goes. */
function Over({ over }: { over: Schemas['LiveAttempt'] }) {
  return (
    <div role="status" className="border-l-4 border-ink pl-3">
      <p className="m-0 flex items-center gap-3 text-xl font-semibold">
        {over.grade != null && <GradeGlyph grade={over.grade} size={26} />}
        {over.fault ? `${over.fault.title}: ${over.fault.cue}` : t`${over.title}: no fault named`}
      </p>
      <ul className="figures m-0 mt-1 flex list-none flex-wrap gap-x-5 p-0">
        {over.measures.map(({ label, figure, verdict }) => (
          <li key={label} className="flex items-center gap-1.5">
            <VerdictMark verdict={verdict} /> {label} {figure}
          </li>
        ))}
      </ul>
      {over.attempts > 1 && over.best != null && over.worst != null && (
        <p className="m-0 flex items-center gap-2 text-sm">
          {t`Of ${over.attempts} the best`} <GradeGlyph grade={over.best} size={18} /> {t`the worst`}{' '}
          <GradeGlyph grade={over.worst} size={18} />
        </p>
      )}
    </div>
  )
}
