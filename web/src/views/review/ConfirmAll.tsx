import { toast } from 'sonner'
import type { Attempt } from '../../api/client'
import { useAddGrades } from '../../api/review'

const TO_STANDARD = 3

/** One press for every attempt whose proposal is to standard or better and that nobody has decided yet. */
export function ConfirmAll({ attempts, sortieId }: { attempts: Attempt[]; sortieId: string }) {
  const add = useAddGrades(sortieId)
  const open = attempts.filter(isToStandard)
  if (open.length < 2) return null
  const confirm = async () => {
    for (const attempt of open) {
      await add.mutateAsync({
        attemptId: attempt.id,
        grades: attempt.phases.flatMap((phase) =>
          phase.proposed == null ? [] : [{ phase: phase.id, kind: 'instructor' as const, grade: phase.proposed }],
        ),
      })
    }
    toast(`${open.length} attempts confirmed as proposed`)
  }
  return (
    <button type="button" className="button mb-2 min-h-9!" disabled={add.isPending} onClick={() => void confirm()}>
      Confirm the {open.length} attempts that are to standard
    </button>
  )
}

const isToStandard = (attempt: Attempt) => {
  const proposed = attempt.phases.flatMap((phase) => (phase.proposed == null ? [] : [phase.proposed]))
  const decided = attempt.grades.some((grade) => grade.kind === 'instructor')
  return attempt.counts && !decided && proposed.length > 0 && Math.min(...proposed) >= TO_STANDARD
}
