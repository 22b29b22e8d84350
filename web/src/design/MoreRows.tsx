import { t } from '@lingui/core/macro'
interface Props {
  more: boolean
  busy: boolean
  next: () => void
  /** What of. */
  what?: string
}

/** Under a list that goes on. */
export const MoreRows = ({ more, busy, next, what = 'more' }: Props) =>
  more && (
    <button type="button" className="button no-print mt-3" disabled={busy} onClick={next}>
      {busy ? t`Reading ${what}…` : t`Show ${what}`}
    </button>
  )
