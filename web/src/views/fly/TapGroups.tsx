import { Fragment, type ReactNode } from 'react'
import type { FlyEvent } from '../../api/client'
import { Choice } from '../../design/Choice'
import { GradeGlyph } from '../../design/GradeGlyph'
import { GRADE_WORDS } from '../../design/words'
import type { Tap } from '../../queue/taps'

/** Taps of one kind under their name, side by side. */
const Group = ({ label, children }: { label: string; children: ReactNode }) => (
  <fieldset className="m-0 border-0 p-0">
    <legend className="label mb-1 p-0">{label}</legend>
    <div className="grid auto-cols-fr grid-flow-col gap-3">{children}</div>
  </fieldset>
)

interface RowProps {
  label: string
  /** What each stores, and what it says. */
  words: Record<string, string>
  /** Those that hold now; left out where a tap only stores. */
  chosen?: (id: string) => boolean
  off: boolean
  onTap: (id: string, word: string) => void
}

/** Taps that stand for themselves: none of them takes another back. */
export const TapRow = ({ label, words, chosen, off, onTap }: RowProps) => (
  <Group label={label}>
    {Object.entries(words).map(([id, word]) => (
      <button
        key={id}
        type="button"
        className="tap text-sm!"
        disabled={off}
        {...(chosen ? { 'aria-pressed': chosen(id) } : {})}
        onClick={() => onTap(id, word)}
      >
        {word}
      </button>
    ))}
  </Group>
)

interface ChoiceProps<Id extends string> {
  label: string
  words: Record<Id, ReactNode>
  value: Id | undefined
  off?: boolean
  onTap: (id: Id) => void
  name?: string
  item?: string
}

/** One tap of several, under what is chosen: the last one holds. */
export const TapChoice = <Id extends string>({
  label,
  words,
  value,
  off = false,
  onTap,
  name,
  item = 'tap text-sm!',
}: ChoiceProps<Id>) => (
  <div>
    <p aria-hidden="true" className="label m-0 mb-1">
      {label}
    </p>
    <Choice
      label={label}
      words={words}
      value={value}
      off={off}
      onPick={onTap}
      name={name}
      className="grid auto-cols-fr grid-flow-col gap-3"
      item={item}
    />
  </div>
)

interface GradeProps {
  label: string
  /** Of the buttons, for keys: with the grade behind it. */
  name?: string
  given: number | undefined
  off: boolean
  onGrade: (grade: number, word: string) => void
}

const GRADES = Object.fromEntries(
  GRADE_WORDS.map((word, grade) => [
    grade,
    <Fragment key={grade}>
      <span aria-hidden="true">
        <GradeGlyph grade={grade} size={26} />
      </span>
      {word}
    </Fragment>,
  ]),
)

/** The five grades, a glyph and a word each. */
export const GradeTaps = ({ given, onGrade, ...rest }: GradeProps) => (
  <TapChoice
    {...rest}
    words={GRADES}
    value={given === undefined ? undefined : String(given)}
    onTap={(grade) => onGrade(Number(grade), GRADE_WORDS[Number(grade)] ?? '')}
    item="tap min-w-16 px-1! text-sm!"
  />
)

interface PickProps {
  label: string
  kind: 'manner' | 'task'
  words: Record<string, string>
  /** What it is while nobody says otherwise. */
  planned: string
  current: FlyEvent[]
  locked: boolean
  act: (event: Tap, word: string) => Promise<void>
}

/** One word of several about the attempt under way: as planned until another is tapped. */
export function TapPick({ label, kind, words, planned, current, locked, act }: PickProps) {
  const value = current.filter((event) => event.kind === kind).at(-1)?.payload.value ?? planned
  return (
    <TapChoice
      label={label}
      words={words}
      value={String(value)}
      off={locked}
      onTap={(id) => void act({ kind, payload: { value: id } }, words[id] ?? id)}
    />
  )
}

/** What was tapped for a phase of this attempt. */
export function PhaseMark({ events, phase }: { events: FlyEvent[]; phase: string }) {
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
