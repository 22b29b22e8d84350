import { t } from '@lingui/core/macro'
import type { ReactNode } from 'react'

/** Streamlines that drift while something is on its way. */
export function Loading({ what }: { what: string }) {
  return (
    <div role="status" className="flex items-center gap-4 p-8 text-soft">
      <svg
        width="56"
        height="24"
        viewBox="0 0 56 24"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        aria-hidden="true"
      >
        <path d="M2 6c14-5 22 6 36 1s12-3 16-2M2 13c14-5 22 6 36 1s12-3 16-2M2 20c14-5 22 6 36 1s12-3 16-2" />
      </svg>
      {t`Reading ${what}…`}
    </div>
  )
}

/** What happened, what was kept, what to do. */
export function Failed({ error, again }: { error: unknown; again?: () => void }) {
  return (
    <div role="alert" className="limit-note m-4 max-w-2xl p-4">
      <p className="font-semibold">{error instanceof Error ? error.message : t`Something went wrong.`}</p>
      {again && (
        <button type="button" className="button mt-3" onClick={again}>
          {t`Try again`}
        </button>
      )}
    </div>
  )
}

export function Empty({ children }: { children: ReactNode }) {
  return <p className="border border-dashed border-faint p-5 text-soft">{children}</p>
}
