interface Props {
  more: boolean
  busy: boolean
  next: () => void
}

/** Under a list that goes on. */
export const MoreRows = ({ more, busy, next }: Props) =>
  more && (
    <button type="button" className="button no-print mt-3" disabled={busy} onClick={next}>
      {busy ? 'Reading more…' : 'Show more'}
    </button>
  )
