import { clsx } from 'clsx'
import { ToggleGroup } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props<Id extends string> {
  /** What is chosen here, said aloud. */
  label: string
  /** What can be chosen, and what stands on each. */
  words: Record<Id, ReactNode>
  /** Nothing was chosen yet where it is none of them. */
  value: Id | undefined
  /** Also for the one that is chosen already: what it stores may be wanted once more. */
  onPick: (id: Id) => void
  /** What cannot be chosen now: all of it, or some. */
  off?: boolean | ((id: Id) => boolean)
  className?: string
  item: string | ((id: Id) => string)
  /** Of the buttons, for keys: with the one that it stands for behind it. */
  name?: string | undefined
  /** What is said of each where a picture stands on it. */
  said?: readonly string[]
}

/** One of several, side by side: one stop of the tab key, the arrow keys move within it, a press chooses. */
export function Choice<Id extends string>({
  label,
  words,
  value,
  onPick,
  off = false,
  className,
  item,
  name,
  said,
}: Props<Id>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      className={clsx(className ?? 'flex')}
      value={value ?? ''}
      onValueChange={(id) => onPick((id || value) as Id)}
    >
      {(Object.entries(words) as [Id, ReactNode][]).map(([id, word], index) => (
        <ToggleGroup.Item
          key={id}
          value={id}
          disabled={typeof off === 'boolean' ? off : off(id)}
          className={typeof item === 'string' ? item : item(id)}
          {...(name ? { id: `${name}-${id}` } : {})}
          {...(said ? { 'aria-label': said[index], title: said[index] } : {})}
        >
          {word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

/** Of a choice between a few short words, in one frame. */
export const SEGMENT =
  'min-h-11 cursor-pointer border border-faint bg-sheet px-3 text-sm text-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-paper disabled:cursor-default'
