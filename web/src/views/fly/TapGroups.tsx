import type { ReactNode } from 'react'
import type { FlyEvent, NewFlyEvent } from '../../api/client'
import { GradeGlyph } from '../../design/GradeGlyph'
import { GRADE_WORDS } from '../../design/words'

/** Taps of one kind under their name, side by side. */
export const Group = ({ label, children }: { label: string; children: ReactNode }) => (
  <fieldset className="m-0 border-0 p-0">
    <legend className="label mb-1 p-0">{label}</legend>
    <div className="grid auto-cols-fr grid-flow-col gap-3">{children}</div>
  </fieldset>
)

interface RowProps {
  label: string
  /** What each stores, and what it says. */
  words: Record<string, string>
  chosen: (id: string) => boolean
  off: boolean
  onTap: (id: string, word: string) => void
  /** Of the buttons, for keys: with what each stores behind it. */
  name?: string
  className?: string
}

/** One tap of several words. */
export const TapRow = ({ label, words, chosen, off, onTap, name, className = 'text-sm!' }: RowProps) => (
  <Group label={label}>
    {Object.entries(words).map(([id, word]) => (
      <button
        key={id}
        {...(name ? { id: `${name}-${id}` } : {})}
        type="button"
        className={`tap ${className}`}
        disabled={off}
        aria-pressed={chosen(id)}
        onClick={() => onTap(id, word)}
      >
        {word}
      </button>
    ))}
  </Group>
)

interface GradeProps {
  label: string
  /** Of the buttons, for keys: with the grade behind it. */
  name?: string
  given: number | undefined
  off: boolean
  onGrade: (grade: number, word: string) => void
}

/** The five grades, a glyph and a word each. */
export const GradeTaps = ({ label, name, given, off, onGrade }: GradeProps) => (
  <Group label={label}>
    {GRADE_WORDS.map((word, grade) => (
      <button
        key={word}
        {...(name ? { id: `${name}-${grade}` } : {})}
        type="button"
        className="tap min-w-16 px-1! text-sm!"
        disabled={off}
        aria-pressed={given === grade}
        onClick={() => onGrade(grade, word)}
      >
        <span aria-hidden="true">
          <GradeGlyph grade={grade} size={26} />
        </span>
        {word}
      </button>
    ))}
  </Group>
)

interface PickProps {
  label: string
  kind: 'manner' | 'task'
  words: Record<string, string>
  /** What it is while nobody says otherwise. */
  planned: string
  current: FlyEvent[]
  locked: boolean
  mine: { attempt_id: string | null }
  act: (event: Omit<NewFlyEvent, 'id' | 'at'>, word: string) => Promise<void>
}

/** One word of several about the attempt under way: as planned until another is tapped. */
export function TapPick({ label, kind, words, planned, current, locked, mine, act }: PickProps) {
  const value = current.filter((event) => event.kind === kind).at(-1)?.payload.value ?? planned
  return (
    <TapRow
      label={label}
      words={words}
      chosen={(id) => id === value}
      off={locked}
      onTap={(id, word) => void act({ kind, ...mine, payload: { value: id } }, word)}
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
