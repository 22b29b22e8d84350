import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  /** What it is asked about; it opens what is known of it. */
  word: ReactNode
  /** Read aloud where the word alone does not say what it opens. */
  label?: string
  children: ReactNode
}

/** More about a word, where it stands: by touch, key or pointer, and gone again with the next. */
export const Why = ({ word, label, children }: Props) => (
  <Popover.Root>
    <Popover.Trigger className="why" aria-label={label}>
      {word}
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        aria-label={label ?? (typeof word === 'string' ? word : undefined)}
        className="sheet z-50 max-w-80 p-3 text-sm shadow-none"
        side="bottom"
        align="start"
        sideOffset={4}
        collisionPadding={12}
      >
        {children}
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
)
