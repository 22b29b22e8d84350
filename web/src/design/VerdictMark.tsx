import { t } from '@lingui/core/macro'
const WORDS: Record<string, string> = {
  polished: t`polished`,
  in: t`in band`,
  marginal: t`marginal`,
  out: t`out of band`,
  not_recorded: t`not recorded`,
  shown: t`shown, not judged`,
}

/**
 * Verdicts by shape, never by colour alone: solid in band (with a cut corner when polished), hatched marginal,
 * hatched with outline and notch out, open dashed not recorded.
 */
export function VerdictMark({ verdict, tooClose = false }: { verdict: string | null | undefined; tooClose?: boolean }) {
  const id = verdict ?? 'shown'
  const word = (WORDS[id] ?? id) + (tooClose ? t`, too close to call` : '')
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" role="img" aria-label={word} className="shrink-0">
      <title>{word}</title>
      {id === 'polished' && <path d="M2 2h8l4 4v8H2z" fill="currentColor" />}
      {id === 'in' && <rect x="2" y="2" width="12" height="12" fill="currentColor" />}
      {id === 'marginal' && <Hatched />}
      {id === 'out' && (
        <g style={{ color: 'var(--limit)' }}>
          <Hatched />
          <path d="M1.500 1.500h4.500l2 3 2-3h4.500v13h-13z" fill="none" stroke="currentColor" strokeWidth="1.8" />
        </g>
      )}
      {id === 'not_recorded' && (
        <rect x="2.500" y="2.500" width="11" height="11" fill="none" stroke="currentColor" strokeDasharray="2.500 2" />
      )}
      {id === 'shown' && <circle cx="8" cy="8" r="2" fill="currentColor" />}
      {tooClose && <path d="M0 8h16" stroke="var(--sheet)" strokeWidth="2.500" />}
    </svg>
  )
}

const Hatched = () => (
  <g stroke="currentColor" strokeWidth="1.500">
    <path d="M2 6 6 2M2 10l8-8M2 14 14 2M6 14l8-8M10 14l4-4" />
  </g>
)
