import { t } from '@lingui/core/macro'
import { Fragment } from 'react'
import type { Exercise, FlyEvent, Sortie } from '../../api/client'
import { later } from '../../design/Later'
import type { Mode } from '../../design/useMode'
import { Sheet } from '../../design/Sheet'
import { capital, MODE_WORDS } from '../../design/words'
import type { Tap } from '../../queue/taps'
import { planned } from '../lesson/exercise'
import { PowerCard } from '../lesson/PowerCard'
import { CALL_WORDS, VOLUME_WORDS, type CallKind, type Levels } from './calls'
import { ExerciseTaps } from './ExerciseTaps'
import { Note } from './Note'
import { Ready } from './Ready'
import { GradeTaps, PhaseMark, TapChoice, TapPick, TapRow } from './TapGroups'
import { Taps } from './Taps'
import { LADDER, MANNER, taskWords } from './tapWords'
import type { Hand } from './useHand'
import { WindNow } from './WindNow'

interface Props {
  sortie: Sortie
  exercise: Exercise
  live: FlyEvent[]
  current: FlyEvent[]
  attempt: number
  phase: string
  setPhase: (phase: string) => void
  locked: boolean
  act: (event: Tap, word: string) => Promise<void>
  onChecks: () => void
  hand: Hand
  setHand: (hand: Hand) => void
  mode: Mode
  setMode: (mode: Mode) => void
  calls: Levels
  setCall: (kind: CallKind) => void
  /** The wind that the drift of the recording shows. */
  drift: string | undefined
}

const DefectForm = later(() => import('../fleet/DefectForm').then((file) => file.DefectForm))

const SEEN = { inside: t`Looks inside`, grip: t`Tight grip`, lookout: t`Late lookout` }
const HANDS: Record<Hand, string> = { left: t`Left`, right: t`Right` }

const loudness = (levels: Levels) =>
  Object.fromEntries(
    Object.entries(CALL_WORDS).map(([kind, word]) => [kind, `${word}: ${VOLUME_WORDS[levels[kind as CallKind] ?? 0]}`]),
  )

const windOf = (sortie: Sortie) =>
  sortie.observed_wind ??
  (sortie.wind_kt == null
    ? t`no wind`
    : `${String(Math.round(sortie.wind_from_deg ?? 0)).padStart(3, '0')}/${Math.round(sortie.wind_kt)}`)

/** Everything rarer than an attempt, a go-around, help and a grade. */
export function MorePage({ sortie, exercise, live, current, attempt, phase, setPhase, locked, act, ...props }: Props) {
  const control = live.filter((event) => event.kind === 'control').at(-1)?.payload.value ?? 'following'
  const off = locked || attempt === 0
  const graded = current.filter((e) => e.kind === 'grade' && e.phase === phase).at(-1)?.payload.grade
  const begun = current.find((event) => event.kind === 'attempt')
  return (
    <div className="grid gap-3">
      <Sheet word={t`Found something on the aircraft`} title={t`Found on ${sortie.aircraft.mark}`}>
        {(close) => <DefectForm aircraft={sortie.aircraft.id} sortie={sortie.id} close={close} />}
      </Sheet>
      <ExerciseTaps
        sortie={sortie}
        live={live}
        now={exercise}
        locked={locked}
        tap={(to) => void act({ kind: 'exercise', payload: { value: to.id } }, to.title)}
      />
      <TapChoice
        label={t`Phase`}
        words={Object.fromEntries(
          exercise.phases.map((id) => [
            id,
            <Fragment key={id}>
              {capital(id)}
              <PhaseMark events={current} phase={id} />
            </Fragment>,
          ]),
        )}
        value={phase}
        onTap={setPhase}
        item="tap"
      />
      <GradeTaps
        label={t`Grade for ${phase}`}
        given={graded}
        off={off}
        onGrade={(grade, word) => void act({ kind: 'grade', phase, payload: { grade } }, `${capital(phase)}: ${word}`)}
      />
      <TapChoice
        label={t`Who has the controls: the student is`}
        words={LADDER}
        value={control as keyof typeof LADDER}
        off={locked}
        onTap={(id) => void act({ kind: 'control', payload: { value: id } }, LADDER[id])}
      />
      <TapPick
        label={t`This attempt is`}
        kind="manner"
        words={MANNER}
        planned={exercise.surprise ? 'surprise' : 'announced'}
        current={current}
        locked={off}
        act={act}
      />
      <TapPick
        label={t`In it the student has`}
        kind="task"
        words={taskWords(sortie.aircraft.kind)}
        planned={exercise.task}
        current={current}
        locked={off}
        act={act}
      />
      <TapRow
        label={t`Seen`}
        words={SEEN}
        off={off}
        onTap={(_, word) => void act({ kind: 'seen', phase, payload: { value: word } }, word)}
      />
      <WindNow
        now={windOf(sortie)}
        drift={props.drift}
        locked={locked}
        keep={(wind) => void act({ kind: 'wind', payload: { value: wind } }, t`Wind ${wind}: the plan follows`)}
      />
      <Note
        sortieId={sortie.id}
        add={(text) => void act({ kind: 'note', payload: { value: text } }, t`Note kept`)}
        locked={locked}
      />
      <div className="grid auto-cols-fr grid-flow-col gap-3">
        <button type="button" className="tap" onClick={props.onChecks}>
          {t`Checks`}
        </button>
        <button
          type="button"
          className="tap"
          disabled={off || !begun}
          onClick={() =>
            begun && void act({ kind: 'undo', payload: { target: begun.id } }, t`Attempt ${attempt} taken back`)
          }
        >
          {t`Void this attempt`}
        </button>
        <button
          type="button"
          className="tap"
          onClick={() =>
            void (document.fullscreenElement
              ? document.exitFullscreen()
              : document.documentElement.requestFullscreen().catch(() => undefined))
          }
        >
          {t`Full screen`}
        </button>
      </div>
      <div className="grid auto-cols-fr grid-flow-col gap-3">
        <TapChoice label={t`The hand that taps`} words={HANDS} value={props.hand} onTap={props.setHand} />
        <TapChoice label={t`Light here`} words={MODE_WORDS} value={props.mode} onTap={props.setMode} />
      </div>
      <TapRow
        label={t`Called aloud while the recorder is followed: tap for louder, then off`}
        words={loudness(props.calls)}
        chosen={(id) => Boolean(props.calls[id as CallKind])}
        off={false}
        onTap={(id) => props.setCall(id as CallKind)}
      />
      <PowerCard sortie={planned(sortie, exercise)} />
      <Ready sortie={sortie} />
      <Taps live={live} kind={sortie.aircraft.kind} />
    </div>
  )
}
