import { t } from '@lingui/core/macro'
import { AlertDialog } from 'radix-ui'

interface Props {
  /** On the button that asks. */
  word: string
  /** What goes, and what stays. */
  says: string
  onSure: () => void
  disabled?: boolean
  className?: string
}

/** Something that no button brings back: asked once more, with what goes for good. */
export const Sure = ({ word, says, onSure, disabled, className = 'button' }: Props) => (
  <AlertDialog.Root>
    <AlertDialog.Trigger className={className} disabled={disabled}>
      {word}
    </AlertDialog.Trigger>
    <AlertDialog.Portal>
      <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
      <AlertDialog.Content className="sheet fixed top-24 left-1/2 z-50 w-[28rem] max-w-[94vw] -translate-x-1/2 p-6">
        <AlertDialog.Title className="mt-0 text-lg font-bold">{t`${word}?`}</AlertDialog.Title>
        <AlertDialog.Description>{says}</AlertDialog.Description>
        <div className="flex flex-wrap gap-3">
          <AlertDialog.Cancel className="button">{t`Leave it`}</AlertDialog.Cancel>
          <AlertDialog.Action className="button solid" onClick={onSure}>
            {word}
          </AlertDialog.Action>
        </div>
      </AlertDialog.Content>
    </AlertDialog.Portal>
  </AlertDialog.Root>
)
