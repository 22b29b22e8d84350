import { clsx } from 'clsx'
import type { ComponentProps } from 'react'

interface Props extends ComponentProps<'table'> {
  /** Of the frame around it. */
  outer?: string
}

/** A table that scrolls in a frame of its own where there is no room for it, so that the page never does. */
export const WideTable = ({ outer, className, ...table }: Props) => (
  <div className={clsx('overflow-x-auto', outer)}>
    <table {...table} className={clsx('border-collapse', className)} />
  </div>
)
