import { clsx } from 'clsx'
import type { ComponentProps } from 'react'
import { Sideways } from './Sideways'

interface Props extends ComponentProps<'table'> {
  /** Of the frame around it. */
  outer?: string
}

/** A table that scrolls in a frame of its own where there is no room for it, so that the page never does. */
export const WideTable = ({ outer, className, ...table }: Props) => (
  <Sideways className={outer}>
    <table {...table} className={clsx('border-collapse', className)} />
  </Sideways>
)
