import { t } from '@lingui/core/macro'
import type { FlyEvent } from '../../api/client'
import { GradeTaps, TapChoice } from './TapGroups'
import { HELP } from './tapWords'

interface Props {
  attempt: number
  phase: string
  current: FlyEvent[]
  locked: boolean
  any: boolean
  begin: () => void
  goAround: () => void
  help: (value: keyof typeof HELP) => void
  grade: (value: number) => void
  undo: () => void
  more: () => void
}

/** What is tapped in flight: the next attempt, a go-around, the help given now, the attempt as a whole. */
export function TapZone({ attempt, phase, current, locked, any, begin, goAround, help, grade, undo, more }: Props) {
  const off = locked || attempt === 0
  const whole = current.filter((event) => event.kind === 'grade' && !event.phase).at(-1)?.payload.grade
  const helped = current.filter((event) => event.kind === 'help').at(-1)?.payload.value
  return (
    <section aria-label={t`Tap`} className="grid content-end gap-3 [grid-area:tap]">
      <button id="new-attempt" type="button" className="tap min-h-28! text-2xl!" disabled={locked} onClick={begin}>
        {attempt === 0 ? t`First attempt` : t`Next attempt`}
      </button>
      <button id="go-around" type="button" className="tap safety min-h-20! text-xl!" disabled={off} onClick={goAround}>
        {t`Go-around`}
      </button>
      <TapChoice
        label={t`Help given now, ${phase}`}
        words={HELP}
        value={helped as keyof typeof HELP | undefined}
        off={off}
        onTap={help}
        name="help"
        item="tap min-h-20!"
      />
      <GradeTaps label={t`The attempt as a whole`} name="grade" given={whole} off={off} onGrade={grade} />
      <div className="grid grid-cols-2 gap-3">
        <button id="undo-last" type="button" className="tap" disabled={locked || !any} onClick={undo}>
          {t`Undo`}
        </button>
        <button id="more" type="button" className="tap" onClick={more}>
          {t`More`}
        </button>
      </div>
    </section>
  )
}
