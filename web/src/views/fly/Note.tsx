import { t } from '@lingui/core/macro'
import { useTyped } from '../../design/useTyped'

interface Props {
  sortieId: string
  add: (text: string) => void
  locked: boolean
}

/** A line of text, kept with the time. */
export function Note({ sortieId, add, locked }: Props) {
  const [text, setText] = useTyped(`${sortieId}.note`, '')
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (!text.trim()) return
        add(text.trim())
        setText('')
      }}
    >
      <label className="grow">
        <span className="sr-only">{t`Note`}</span>
        <input
          className="field h-16 text-lg"
          placeholder={t`A note`}
          value={text}
          disabled={locked}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button type="submit" className="tap w-32" disabled={locked || !text.trim()}>
        {t`Keep`}
      </button>
    </form>
  )
}
