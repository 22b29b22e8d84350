import { t } from '@lingui/core/macro'
import { addFlyEvents } from '../../api/ranges.generated'
import { Field } from '../../design/Field'
import { useBody } from '../../design/useBody'
import { useTyped } from '../../design/useTyped'

const NOTE = { text: { ...addFlyEvents.events.each.fields.payload.fields.value, required: true } } as const

interface Props {
  sortieId: string
  add: (text: string) => void
  locked: boolean
}

/** A line of text, kept with the time. */
export function Note({ sortieId, add, locked }: Props) {
  const [text, setText] = useTyped(`${sortieId}.note`, '')
  const { form, field, reset } = useBody(NOTE, {
    start: { text },
    typed: { text },
    onTyped: (typed) => setText(typed.text),
  })
  return (
    <form
      className="flex gap-2"
      {...form((body) => {
        add(body.text.trim())
        setText('')
        reset({ text: '' })
      })}
    >
      <Field
        label={t`Note`}
        close
        placeholder={t`A note`}
        className="h-16 text-lg"
        disabled={locked}
        {...field('text')}
      />
      <button type="submit" className="tap w-32" disabled={locked || !text.trim()}>
        {t`Keep`}
      </button>
    </form>
  )
}
