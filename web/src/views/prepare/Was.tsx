import { t } from '@lingui/core/macro'

/** At a field that was changed here: what stood in it. */
export const Was = ({ text }: { text: string }) => (
  <b className="text-ink">{text === '' ? t`· was empty` : t`· was ${text}`}</b>
)
