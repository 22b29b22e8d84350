import { clsx } from 'clsx'
import { useEffect } from 'react'
import { changeStandard } from '../api/ranges.generated'
import { Field } from './Field'
import { useBody } from './useBody'

/** Every reason is held to the same. */
export const REASON = { reason: changeStandard.reason } as const

interface Props {
  /** What is asked for. */
  ask: string
  /** What the button does. */
  act: string
  onReason: (reason: string) => void
  disabled?: boolean
  /** It opened because somebody asked for it: the field has the hand. */
  focused?: boolean
  /** The question stands in the field, where there is little room. */
  close?: boolean
  className?: string
}

/** Something that is kept with its reason. */
export function ReasonForm({ ask, act, onReason, disabled, focused = false, close, className }: Props) {
  const { form, field, focus } = useBody(REASON, { start: { reason: '' } })
  useEffect(() => {
    if (focused) focus('reason')
  }, [focus, focused])
  return (
    <form className={clsx('flex items-start gap-2', className)} {...form(({ reason }) => onReason(reason))}>
      <Field label={ask} close={close} {...field('reason')} />
      <button type="submit" className={clsx('button', !close && 'mt-5')} disabled={disabled}>
        {act}
      </button>
    </form>
  )
}
