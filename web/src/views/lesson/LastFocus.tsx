import { t } from '@lingui/core/macro'
/** The one thing that the lesson before left to work on. */
export const LastFocus = ({ text }: { text: string | null | undefined }) =>
  text ? (
    <p className="m-0 mt-1 text-base">
      <b>{t`The one thing:`}</b> {text}
    </p>
  ) : null
