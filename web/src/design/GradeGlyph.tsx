import { t } from '@lingui/core/macro'
import { GRADE_WORDS } from './words'

interface Props {
  grade: number | null | undefined
  size?: number
  /** Shows the word beside the glyph. */
  worded?: boolean
  /** Dotted, for the student's own grade. */
  own?: boolean
}

const LINES = [
  { y: 13.5, x: 14 },
  { y: 10, x: 12.5 },
  { y: 6.5, x: 11 },
  { y: 3, x: 9.5 },
]

/**
 * Fujin's own mark for the five grades: streamlines gathered along an edge. One line for each step reached; the
 * fourth curls, so that polished differs in shape; none and a stroke through for taken over; dashes for no grade.
 */
export function GradeGlyph({ grade, size = 20, worded = false, own = false }: Props) {
  const word = grade === null || grade === undefined ? t`No grade` : (GRADE_WORDS[grade] ?? '')
  return (
    <span className="inline-flex items-center gap-2 align-middle">
      <svg
        width={size}
        height={size}
        viewBox="0 0 16 16"
        role={worded ? 'presentation' : 'img'}
        aria-label={worded ? undefined : word}
        fill="none"
        stroke="currentColor"
        strokeLinecap="round"
        strokeWidth={2}
        strokeDasharray={own ? '0.1 2.9' : undefined}
      >
        {grade === null || grade === undefined ? (
          <path d="M1.5 2v12" strokeDasharray="2 2.6" />
        ) : (
          <>
            <path d="M1.5 2v12" />
            {grade === 0 && <path d="M4.5 13.5 13 3.5" />}
            {LINES.slice(0, grade).map(({ y, x }, index) =>
              index === 3 ? (
                <path key={y} d="M4 3h6.2c2.400 0 3.800 1 3.800 2.400" />
              ) : (
                <path key={y} d={`M4 ${y}H${x}`} />
              ),
            )}
          </>
        )}
      </svg>
      {worded && <span>{word}</span>}
    </span>
  )
}
