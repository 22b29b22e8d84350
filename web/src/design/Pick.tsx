import { clsx } from 'clsx'
import { type ComponentProps } from 'react'

export interface Choice {
  id: string | number
  word: string
  /** Choices of one group stand under its name. */
  group?: string
  disabled?: boolean
}

interface Props extends Omit<ComponentProps<'select'>, 'onChange' | 'value' | 'children'> {
  value: string | number
  choices: Choice[]
  onChange: (id: string) => void
}

/** One of a list. */
export function Pick({ value, choices, onChange, className, ...rest }: Props) {
  const groups = [...new Set(choices.flatMap(({ group }) => group ?? []))]
  const option = ({ id, word, disabled }: Choice) => (
    <option key={id} value={id} disabled={disabled}>
      {word}
    </option>
  )
  return (
    <select
      {...rest}
      className={clsx('field', className)}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      {choices.filter(({ group }) => !group).map(option)}
      {groups.map((group) => (
        <optgroup key={group} label={group}>
          {choices.filter((choice) => choice.group === group).map(option)}
        </optgroup>
      ))}
    </select>
  )
}

/** Choices from words by id. */
export const choicesOf = (words: Record<string, string>): Choice[] =>
  Object.entries(words).map(([id, word]) => ({ id, word }))
