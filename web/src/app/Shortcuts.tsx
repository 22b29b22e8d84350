import { t } from '@lingui/core/macro'
import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { shortcutsNow, useKeys, useKeysOn } from '../design/useKeys'

/** The keys that work on this screen, behind `?`. */
export function Shortcuts() {
  const [open, setOpen] = useState(false)
  const [on, setOn] = useKeysOn()
  useKeys(useMemo(() => [{ key: '?', does: t`Show these keys`, run: () => setOpen(true), always: true }], []))
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          className="sheet fixed top-24 left-1/2 z-50 w-[26rem] max-w-[92vw] -translate-x-1/2 p-5"
          aria-describedby={undefined}
        >
          <Dialog.Title className="mb-3 text-lg font-bold">{t`Keys on this screen`}</Dialog.Title>
          <dl className="grid grid-cols-[4rem_1fr] gap-y-1.5">
            <dt>
              <kbd className="font-bold">{t`Ctrl K`}</kbd>
            </dt>
            <dd className="m-0">{t`Go anywhere, do anything`}</dd>
            {shortcutsNow().map((shortcut) => (
              <div key={shortcut.key} className="contents">
                <dt>
                  <kbd className="font-bold">{shortcut.key}</kbd>
                </dt>
                <dd className="m-0">{shortcut.does}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-4 flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={on} onChange={(event) => setOn(event.target.checked)} />
            {t`Single keys act (off for whoever speaks to the machine)`}
          </label>
          <Dialog.Close className="button mt-2">{t`Close`}</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
