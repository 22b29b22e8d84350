import { t } from '@lingui/core/macro'
import { useMemo, useState } from 'react'
import { useKeys } from '../../design/useKeys'
import { GRADE_WORDS } from '../../design/words'

/**
 * Grading without a mouse: 0 to 4 grades the phase in turn and goes on to the next, `.` and `,` move between phases, `c`
 * stores. Returns the phase that the next digit grades.
 */
export function useGradeKeys(open: string[], choose: (phase: string, grade: number) => void, store: () => void) {
  const [at, setAt] = useState(0)
  const turn = open[Math.min(at, open.length - 1)]
  useKeys(
    useMemo(() => {
      if (turn === undefined) return []
      const index = open.indexOf(turn)
      const move = (by: number) => setAt(Math.min(Math.max(index + by, 0), open.length - 1))
      return [
        ...GRADE_WORDS.map((word, grade) => ({
          key: String(grade),
          does: t`Grade the phase in turn: ${word.toLowerCase()}`,
          run: () => {
            choose(turn, grade)
            move(1)
          },
        })),
        { key: '.', does: t`Next phase to grade`, run: () => move(1) },
        { key: ',', does: t`Phase before`, run: () => move(-1) },
        { key: 'c', does: t`Store the grades`, run: store },
      ]
    }, [open, turn, choose, store]),
  )
  return turn
}
