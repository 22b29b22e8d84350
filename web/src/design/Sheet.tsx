import { Dialog } from 'radix-ui'
import { useState, type ReactNode } from 'react'

interface Props {
  /** On the button that opens it. */
  word: string
  title: string
  solid?: boolean
  wide?: boolean
  children: (close: () => void) => ReactNode
}

/** A form over the page, opened by its button. */
export function Sheet({ word, title, solid = false, wide = false, children }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className={solid ? 'button solid' : 'button'}>{word}</Dialog.Trigger>
      <SheetBody title={title} wide={wide}>
        {children(() => setOpen(false))}
      </SheetBody>
    </Dialog.Root>
  )
}

/** What stands in it; for one that is opened otherwise. */
export const SheetBody = ({
  title,
  wide = false,
  children,
}: {
  title: string
  wide?: boolean
  children: ReactNode
}) => (
  <Dialog.Portal>
    <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
    <Dialog.Content
      className={`sheet fixed top-10 left-1/2 z-50 max-h-[88vh] max-w-[94vw] -translate-x-1/2 overflow-auto p-6 ${wide ? 'w-[46rem]' : 'w-[30rem]'}`}
      aria-describedby={undefined}
    >
      <Dialog.Title className="mt-0 text-lg font-bold">{title}</Dialog.Title>
      {children}
    </Dialog.Content>
  </Dialog.Portal>
)
