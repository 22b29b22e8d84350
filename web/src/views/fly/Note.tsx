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
        <span className="sr-only">Note</span>
        <input
          className="field h-16 text-lg"
          placeholder="A note"
          value={text}
          disabled={locked}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button type="submit" className="tap w-32" disabled={locked || !text.trim()}>
        Keep
      </button>
    </form>
  )
}
