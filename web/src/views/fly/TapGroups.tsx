import type { ReactNode } from 'react'
import type { FlyEvent, NewFlyEvent } from '../../api/client'
import { GradeGlyph } from '../../design/GradeGlyph'

/** Taps of one kind under their name, side by side. */
export const Group = ({ label, children }: { label: string; children: ReactNode }) => (
  <fieldset className="m-0 border-0 p-0">
    <legend className="label mb-1 p-0">{label}</legend>
    <div className="grid auto-cols-fr grid-flow-col gap-3">{children}</div>
  </fieldset>
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
    <Group label={label}>
      {Object.entries(words).map(([id, word]) => (
        <button
          key={id}
          type="button"
          className="tap text-sm!"
          disabled={locked}
          aria-pressed={value === id}
          onClick={() => void act({ kind, ...mine, payload: { value: id } }, word)}
        >
          {word}
        </button>
      ))}
    </Group>
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
