import { TransNoContext } from '@lingui/react/server'
import type { ReactElement } from 'react'
import { i18n } from './i18n'

interface Props {
  id: string
  message?: string
  values?: Record<string, unknown>
  components?: Record<string, ReactElement>
}
const SPOKEN = { i18n }

/** A text with elements in it. What somebody wrote with a `<` in it is no element. */
export function Trans({ values, ...text }: Props) {
  return <TransNoContext {...text} values={values && written(values)} lingui={SPOKEN} />
}

const written = (values: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'string' && value.includes('<') ? <>{value}</> : value,
    ]),
  )
