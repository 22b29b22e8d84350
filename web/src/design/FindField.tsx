import { t } from '@lingui/core/macro'
interface Props {
  /** What it finds, as 'a student'. */
  what: string
  value: string
  onChange: (text: string) => void
}

/** Narrows a list to those whose name has a part. */
export const FindField = ({ what, value, onChange }: Props) => (
  <input
    type="search"
    aria-label={t`Find ${what}`}
    placeholder={t`Find ${what}`}
    className="field w-44"
    value={value}
    onChange={(event) => onChange(event.target.value)}
  />
)
