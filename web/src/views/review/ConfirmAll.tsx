import { plural, t } from '@lingui/core/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Attempt } from '../../api/client'
import { useAddGrades } from '../../api/review'

const TO_STANDARD = 3

/** One press for every attempt whose proposal is to standard or better and that nobody has decided yet. */
export function ConfirmAll({ attempts, sortieId }: { attempts: Attempt[]; sortieId: string }) {
  const add = useAddGrades(sortieId)
  const [failed, setFailed] = useState<string>()
  const open = attempts.filter(isToStandard)
  if (open.length < 2 && !failed) return null
  const confirm = async () => {
    setFailed(undefined)
    let done = 0
    try {
      for (const attempt of open) {
        await add.mutateAsync({
          attemptId: attempt.id,
          grades: attempt.phases.flatMap((phase) =>
            phase.proposed == null ? [] : [{ phase: phase.id, kind: 'instructor' as const, grade: phase.proposed }],
          ),
        })
        done += 1
      }
      toast(plural(open.length, { one: '# attempt confirmed as proposed', other: '# attempts confirmed as proposed' }))
    } catch (error) {
      const why = error instanceof Error ? error.message : t`Fujin did not answer.`
      setFailed(t`${done} of ${open.length} are confirmed. Attempt ${open[done]?.position ?? ''} was not: ${why}`)
    }
  }
  return (
    <>
      {open.length > 1 && (
        <button type="button" className="button mb-2" disabled={add.isPending} onClick={() => void confirm()}>
          {plural(open.length, {
            one: 'Confirm the attempt that is to standard',
            other: 'Confirm the # attempts that are to standard',
          })}
        </button>
      )}
      {failed && (
        <p role="alert" className="limit-note mt-0 mb-2 p-2">
          {failed}
        </p>
      )}
    </>
  )
}

const isToStandard = (attempt: Attempt) => {
  const proposed = attempt.phases.flatMap((phase) => (phase.proposed == null ? [] : [phase.proposed]))
  const decided = attempt.grades.some((grade) => grade.kind === 'instructor')
  return attempt.counts && !decided && proposed.length > 0 && Math.min(...proposed) >= TO_STANDARD
}
