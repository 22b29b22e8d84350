import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Standing } from '../api/client'
import { useSignOff } from '../api/queries'

/** Whether the sign-off is ready, exactly which conditions are missing, and the act itself. */
export function Conditions({ standing, studentId, staff }: { standing: Standing; studentId: string; staff: boolean }) {
  const signOff = useSignOff()
  const navigate = useNavigate()
  const [sure, setSure] = useState(false)
  const sign = () =>
    signOff.mutate(
      { student_id: studentId, manoeuvre: standing.manoeuvre },
      { onSuccess: (row) => void navigate(`/sign-offs/${row.id}`) },
    )
  return (
    <div>
      <h3 className="mt-0 mb-2 font-semibold">
        {standing.signed_off
          ? t`Signed off`
          : standing.ready
            ? t`Ready for the sign-off`
            : t`Not ready for the sign-off`}
      </h3>
      <ul className="m-0 grid list-none gap-1.5 p-0">
        {standing.conditions.map((condition) => (
          <li key={condition.id} className="flex gap-2">
            <svg
              width="16"
              height="16"
              viewBox="0 0 16 16"
              className="mt-1 shrink-0"
              role="img"
              aria-label={condition.met ? t`met` : t`missing`}
            >
              {condition.met ? (
                <rect x="2" y="2" width="12" height="12" fill="currentColor" />
              ) : (
                <rect
                  x="2.500"
                  y="2.500"
                  width="11"
                  height="11"
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="1.500"
                  strokeDasharray="2.500 2"
                />
              )}
            </svg>
            <span className={condition.met ? '' : 'font-semibold'}>{condition.text}</span>
          </li>
        ))}
      </ul>
      {staff && standing.ready && !standing.signed_off && (
        <div className="mt-3">
          {sure ? (
            <div className="sheet p-3">
              <p className="mt-0">
                {t`Your signature joins the school's chain. It can be withdrawn with a reason, never edited.`}
              </p>
              <div className="flex gap-2">
                <button type="button" className="button solid" onClick={sign} disabled={signOff.isPending}>
                  {t`Sign`}
                </button>
                <button type="button" className="button" onClick={() => setSure(false)}>
                  {t`Not now`}
                </button>
              </div>
            </div>
          ) : (
            <button type="button" className="button solid" onClick={() => setSure(true)}>
              {t`Sign off`}
            </button>
          )}
        </div>
      )}
      {signOff.isError && (
        <p role="alert" className="limit-note mt-3 p-3">
          {signOff.error.message}
        </p>
      )}
    </div>
  )
}
