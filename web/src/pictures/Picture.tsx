import { clsx } from 'clsx'
import { type ComponentProps, type ReactNode } from 'react'

interface Props extends Omit<ComponentProps<'svg'>, 'viewBox' | 'ref'> {
  width: number
  height: number
  /** What it shows, for who can't see it. */
  label: string
  children: ReactNode
}

/** The frame that every picture is drawn in: CSS pixels at its full width, narrower where there is no room. Read by arrow keys where `onKeyDown` is given. */
export const Picture = ({ width, height, label, className, role = 'img', children, ...rest }: Props) => (
  <svg
    {...rest}
    {...(rest.onKeyDown ? { tabIndex: 0 } : {})}
    width={width}
    height={height}
    viewBox={`0 0 ${width} ${height}`}
    className={clsx('picture block h-auto max-w-full', rest.onPointerMove && 'touch-none', className)}
    role={role}
    aria-label={label}
  >
    {children}
  </svg>
)
