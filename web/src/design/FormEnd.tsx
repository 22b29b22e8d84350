import { t } from '@lingui/core/macro'
import type { ComponentProps } from 'react'
import { Refused } from './Field'

interface Props {
  refused: ComponentProps<typeof Refused>
  /** On the button that sends it. */
  word: string
  busy: boolean
  close: () => void
  /** On the button that leaves it. */
  leave?: string
}

/** What the server refused, and the two ways out of a form: sent or left. */
export const FormEnd = ({ refused, word, busy, close, leave = t`Cancel` }: Props) => (
  <>
    <Refused {...refused} />
    <div className="flex gap-3">
      <button type="submit" className="button solid" disabled={busy}>
        {word}
      </button>
      <button type="button" className="button" onClick={close}>
        {leave}
      </button>
    </div>
  </>
)
