import { t } from '@lingui/core/macro'
import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  title: string
  open: boolean
  onOpen: (open: boolean) => void
  children: ReactNode
}

/** What is rarer in flight, one tap away; it covers the sheet and closes with one. */
export const Drawer = ({ title, open, onOpen, children }: Props) => (
  <Dialog.Root open={open} onOpenChange={onOpen}>
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
      <Dialog.Content
        aria-describedby={undefined}
        className="fixed inset-y-0 right-0 z-50 grid w-full max-w-4xl content-start gap-3 overflow-y-auto border-l-2 border-ink bg-paper p-4"
      >
        <div className="flex items-center justify-between gap-3">
          <Dialog.Title className="m-0 text-2xl font-bold">{title}</Dialog.Title>
          <Dialog.Close className="tap px-6!">{t`Close`}</Dialog.Close>
        </div>
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  </Dialog.Root>
)
