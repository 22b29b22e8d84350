import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import type { FlyEvent, NewFlyEvent, Sortie } from '../../api/client'
import { useKeys } from '../../app/useKeys'
import { GradeGlyph } from '../../design/GradeGlyph'
import { capital, clockOf, GRADE_WORDS } from '../../design/words'
import { useSheet } from '../../queue/useSheet'
import { GateCard } from './GateCard'

const HELP = { prompted: 'Prompted', assisted: 'Helped', taken_over: 'Took over' } as const
const LADDER = {
  following: 'Following through',
  one: 'One control',
  two: 'Two',
  three: 'All three',
  alone: 'Alone',
} as const
const PHASES_FOR = {
  power_recovery: ['entry', 'glide', 'flare', 'recovery'],
  touchdown: ['entry', 'glide', 'flare', 'cushion', 'touchdown'],
}

/** The cockpit sheet: big targets, one tap each, everything kept on the device first, undo for a slip. */
export function Fly({ sortie }: { sortie: Sortie }) {
  const { live, waiting, link, tap } = useSheet(sortie.id)
  const ending = sortie.effective_house.ending === 'touchdown' ? 'touchdown' : 'power_recovery'
  const phases = PHASES_FOR[ending]
  const [phase, setPhase] = useState(phases[0] ?? 'entry')
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
    if (last) void tap({ kind: 'undo', payload: { target: last.id } }).then(() => toast(`Undone: ${describe(last)}`))
  }
  const begin = () => {
    setPhase(phases[0] ?? 'entry')
    void act({ kind: 'attempt', attempt_no: attempt + 1 }, `Attempt ${attempt + 1} begun`)
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
          <Note
            add={(text) =>
              void act({ kind: 'note', attempt_no: attempt || null, payload: { value: text } }, 'Note kept')
            }
            locked={locked}
          />
        </div>
        <div className="grid content-start gap-3">
          <GateCard sortie={sortie} />
          <Checks
            sortie={sortie}
            live={live}
            tap={(text) => void act({ kind: 'check', payload: { value: text } }, 'Checked')}
            locked={locked}
          />
          <Taps live={live} />
        </div>
      </div>
    </div>
  )
}

const Group = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <fieldset className="m-0 border-0 p-0">
    <legend className="label mb-1 p-0">{label}</legend>
    <div className="grid auto-cols-fr grid-flow-col gap-2">{children}</div>
  </fieldset>
)

function PhaseMark({ events, phase }: { events: FlyEvent[]; phase: string }) {
  const graded = events.filter((e) => e.kind === 'grade' && e.phase === phase).at(-1)
  const helped = events.some((e) => e.kind === 'help' && e.phase === phase)
  if (!graded && !helped) return null
  return (
    <span className="flex items-center gap-1 text-xs font-normal">
      {graded && <GradeGlyph grade={graded.payload.grade} size={18} />}
      {helped && 'help'}
    </span>
  )
}

function Note({ add, locked }: { add: (text: string) => void; locked: boolean }) {
  const [text, setText] = useState('')
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (!text.trim()) return
        add(text.trim())
        setText('')
      }}
    >
      <label className="grow">
        <span className="sr-only">Note</span>
        <input
          className="field h-16 text-lg"
          placeholder="A note"
          value={text}
          disabled={locked}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button type="submit" className="tap w-32" disabled={locked || !text.trim()}>
        Keep
      </button>
    </form>
  )
}

interface ChecksProps {
  sortie: Sortie
  live: FlyEvent[]
  tap: (text: string) => void
  locked: boolean
}

function Checks({ sortie, live, tap, locked }: ChecksProps) {
  const done = new Set(live.filter((event) => event.kind === 'check').map((event) => event.payload.value))
  return (
    <section aria-labelledby="checks" className="sheet p-3">
      <h2 id="checks" className="m-0 mb-1 text-base font-semibold">
        Checks, {done.size} of {(sortie.checks ?? []).length}
      </h2>
      <ul className="m-0 grid list-none gap-1 p-0">
        {(sortie.checks ?? []).map((check) => (
          <li key={check}>
            <button
              type="button"
              className="flex min-h-11 w-full cursor-pointer items-center gap-2 text-left disabled:cursor-default"
              disabled={locked || done.has(check)}
              aria-pressed={done.has(check)}
              onClick={() => tap(check)}
            >
              <svg
                width="20"
                height="20"
                viewBox="0 0 20 20"
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
                aria-hidden="true"
                className="shrink-0"
              >
                <rect
                  x="2"
                  y="2"
                  width="16"
                  height="16"
                  fill={done.has(check) ? 'currentColor' : 'none'}
                  strokeDasharray={done.has(check) ? undefined : '3 2.500'}
                />
                {done.has(check) && <path d="m5 10 4 4 6-8" stroke="var(--sheet)" strokeWidth="2.400" />}
              </svg>
              {check}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Taps({ live }: { live: FlyEvent[] }) {
  const shown = live
    .filter((event) => event.kind !== 'check')
    .slice(-8)
    .reverse()
  return (
    <section aria-labelledby="taps">
      <h2 id="taps" className="m-0 mb-1 text-base font-semibold">
        Last taps
      </h2>
      {shown.length === 0 && <p className="m-0 text-soft">None yet.</p>}
      <ol className="m-0 list-none p-0 text-sm">
        {shown.map((event) => (
          <li key={event.id} className="border-t border-rule py-1">
            <span className="text-soft">{clockOf(event.at)}</span> {describe(event)}
          </li>
        ))}
      </ol>
    </section>
  )
}

function describe(event: FlyEvent): string {
  const where = event.attempt_no ? ` (attempt ${event.attempt_no}${event.phase ? `, ${event.phase}` : ''})` : ''
  switch (event.kind) {
    case 'attempt':
      return `Attempt ${event.attempt_no ?? ''}`
    case 'help':
      return `${HELP[event.payload.value as keyof typeof HELP] ?? 'Help'}${where}`
    case 'grade':
      return `${GRADE_WORDS[event.payload.grade ?? 0] ?? ''}${where}`
    case 'control':
      return LADDER[event.payload.value as keyof typeof LADDER] ?? 'Controls'
    case 'go_around':
      return `Go-around${where}`
    default:
      return `${event.payload.value ?? capital(event.kind)}${where}`
  }
}
