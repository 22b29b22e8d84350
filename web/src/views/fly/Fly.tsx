import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import type { NewFlyEvent, Sortie } from '../../api/client'
import { useKeys } from '../../design/useKeys'
import { GradeGlyph } from '../../design/GradeGlyph'
import { capital, GRADE_WORDS } from '../../design/words'
import { useSheet } from '../../queue/useSheet'
import { BreakAdvice } from '../lesson/BreakAdvice'
import { Counted } from '../lesson/Counted'
import { LastFocus } from '../lesson/LastFocus'
import { planned } from '../lesson/exercise'
import { Checks } from './Checks'
import { ExerciseTaps } from './ExerciseTaps'
import { exerciseNow } from './exerciseNow'
import { GateCard } from './GateCard'
import { Live } from './Live'
import { Note } from './Note'
import { describe, HELP, LADDER, MANNER, taskWords } from './tapWords'
import { Group, PhaseMark, TapPick } from './TapGroups'
import { Taps } from './Taps'
import { WindNow } from './WindNow'

/** The cockpit sheet: big targets, one tap each, everything kept on the device first, undo for a slip. */
export function Fly({ sortie }: { sortie: Sortie }) {
  const { live, waiting, link, tap } = useSheet(sortie.id)
  const exercise = exerciseNow(sortie, live)
  const phases = exercise.phases
  const [chosen, setPhase] = useState(phases[0] ?? 'entry')
  const phase = phases.includes(chosen) ? chosen : (phases[0] ?? 'entry')
  const attempt = live.filter((event) => event.kind === 'attempt').length
  const locked = !sortie.may_edit

  const act = async (event: Omit<NewFlyEvent, 'id' | 'at'>, word: string) => {
    const kept = await tap(event)
    toast(word, {
      action: { label: 'Undo', onClick: () => void tap({ kind: 'undo', payload: { target: kept.id } }) },
      duration: 6000,
    })
  }
  const undoLast = () => {
    const last = live.at(-1)
    if (last)
      void tap({ kind: 'undo', payload: { target: last.id } }).then(() =>
        toast(`Undone: ${describe(last, sortie.aircraft.kind)}`),
      )
  }
  const begin = () => {
    setPhase(phases[0] ?? 'entry')
    void act({ kind: 'attempt', attempt_no: attempt + 1 }, `Attempt ${attempt + 1} begun`)
  }
  // The flight itself shows another exercise: the sheet follows, and Undo takes it back.
  const follow = (id: string) => {
    const seen = sortie.exercises.find((row) => row.id === id)
    if (!locked && seen && seen.id !== exercise.id)
      void act({ kind: 'exercise', payload: { value: id } }, `${seen.title}, as the flight shows`)
  }
  const help = (value: keyof typeof HELP) =>
    void act({ kind: 'help', attempt_no: Math.max(1, attempt), phase, payload: { value } }, `${HELP[value]}, ${phase}`)
  const grade = (value: number) =>
    void act(
      { kind: 'grade', attempt_no: Math.max(1, attempt), phase, payload: { grade: value } },
      `${capital(phase)}: ${GRADE_WORDS[value] ?? ''}`,
    )

  useKeys(
    useMemo(
      () => [
        { key: 'a', does: 'New attempt', run: () => document.getElementById('new-attempt')?.click() },
        { key: 'g', does: 'Go-around', run: () => document.getElementById('go-around')?.click() },
        { key: 'u', does: 'Undo the last tap', run: () => document.getElementById('undo-last')?.click() },
      ],
      [],
    ),
  )
  const control = live.filter((event) => event.kind === 'control').at(-1)?.payload.value ?? 'following'
  const current = live.filter((event) => event.attempt_no === attempt)

  return (
    <div className="grid gap-3 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p className="m-0 text-2xl font-bold" aria-live="polite">
          {attempt === 0 ? 'Before the first attempt' : `Attempt ${attempt}`}
        </p>
        <p className="m-0" role="status">
          {link === 'waiting'
            ? `No connection: ${waiting} kept on this device, sent by itself later`
            : waiting > 0
              ? 'Sending…'
              : 'Everything stored'}
        </p>
      </div>
      <LastFocus text={sortie.last_focus} />
      <BreakAdvice text={sortie.break_advice} />
      {exercise.hands && <p className="m-0 border-l-4 border-ink pl-3 text-lg font-semibold">{exercise.hands.text}</p>}
      <Counted lines={exercise.counted} />
      <Live sortie={sortie} onExercise={follow} />
      <ExerciseTaps
        sortie={sortie}
        live={live}
        now={exercise}
        locked={locked}
        tap={(to) => void act({ kind: 'exercise', payload: { value: to.id } }, to.title)}
      />
      <div className="grid grid-cols-[minmax(0,1fr)_19rem] gap-4 max-lg:grid-cols-1">
        <div className="grid content-start gap-3">
          <div className="grid grid-cols-[2fr_1fr_1fr] gap-2">
            <button id="new-attempt" type="button" className="tap min-h-20" disabled={locked} onClick={begin}>
              {attempt === 0 ? 'First attempt' : 'Next attempt'}
            </button>
            <button
              id="go-around"
              type="button"
              className="tap safety"
              disabled={locked || attempt === 0}
              onClick={() => void act({ kind: 'go_around', attempt_no: Math.max(1, attempt), phase }, 'Go-around')}
            >
              Go-around
            </button>
            <button
              id="undo-last"
              type="button"
              className="tap"
              disabled={locked || live.length === 0}
              onClick={undoLast}
            >
              Undo
            </button>
          </div>
          <Group label="Phase">
            {phases.map((id) => (
              <button key={id} type="button" className="tap" aria-pressed={phase === id} onClick={() => setPhase(id)}>
                {capital(id)}
                <PhaseMark events={current} phase={id} />
              </button>
            ))}
          </Group>
          <Group label="Help given now">
            {Object.entries(HELP).map(([id, word]) => (
              <button
                key={id}
                type="button"
                className="tap"
                disabled={locked || attempt === 0}
                onClick={() => help(id as keyof typeof HELP)}
              >
                {word}
              </button>
            ))}
          </Group>
          <Group label={`Grade for ${phase}`}>
            {GRADE_WORDS.map((word, value) => (
              <button
                key={word}
                type="button"
                className="tap text-sm!"
                disabled={locked || attempt === 0}
                aria-pressed={
                  current.filter((e) => e.kind === 'grade' && e.phase === phase).at(-1)?.payload.grade === value
                }
                onClick={() => grade(value)}
              >
                <span aria-hidden="true">
                  <GradeGlyph grade={value} size={26} />
                </span>
                {word}
              </button>
            ))}
          </Group>
          <Group label="Who has the controls: the student is">
            {Object.entries(LADDER).map(([id, word]) => (
              <button
                key={id}
                type="button"
                className="tap text-sm!"
                disabled={locked}
                aria-pressed={control === id}
                onClick={() => void act({ kind: 'control', attempt_no: attempt || null, payload: { value: id } }, word)}
              >
                {word}
              </button>
            ))}
          </Group>
          <TapPick
            label="This attempt is"
            kind="manner"
            words={MANNER}
            planned={exercise.surprise ? 'surprise' : 'announced'}
            current={current}
            locked={locked || attempt === 0}
            act={act}
          />
          <TapPick
            label="In it the student has"
            kind="task"
            words={taskWords(sortie.aircraft.kind)}
            planned={exercise.task}
            current={current}
            locked={locked || attempt === 0}
            act={act}
          />
          <Group label="Seen">
            {['Looks inside', 'Tight grip', 'Late lookout'].map((word) => (
              <button
                key={word}
                type="button"
                className="tap text-sm!"
                disabled={locked || attempt === 0}
                onClick={() =>
                  void act({ kind: 'seen', attempt_no: Math.max(1, attempt), phase, payload: { value: word } }, word)
                }
              >
                {word}
              </button>
            ))}
          </Group>
          <WindNow
            now={
              sortie.observed_wind ??
              (sortie.wind_kt == null
                ? 'no wind'
                : `${String(Math.round(sortie.wind_from_deg ?? 0)).padStart(3, '0')}/${Math.round(sortie.wind_kt)}`)
            }
            locked={locked}
            keep={(wind) =>
              void act(
                { kind: 'wind', attempt_no: attempt || null, payload: { value: wind } },
                `Wind ${wind}: the plan follows`,
              )
            }
          />
          <Note
            add={(text) =>
              void act({ kind: 'note', attempt_no: attempt || null, payload: { value: text } }, 'Note kept')
            }
            locked={locked}
          />
        </div>
        <div className="grid content-start gap-3">
          <GateCard sortie={planned(sortie, exercise)} />
          {exercise.site_id && (
            <Link className="tap no-underline" to={`/sites/${exercise.site_id}/look`}>
              Survey list: {exercise.spot_name}
            </Link>
          )}
          <Checks
            sortie={planned(sortie, exercise)}
            live={live}
            tap={(text) => void act({ kind: 'check', payload: { value: text } }, 'Checked')}
            locked={locked}
          />
          <Taps live={live} kind={sortie.aircraft.kind} />
        </div>
      </div>
    </div>
  )
}
