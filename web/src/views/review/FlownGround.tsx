import { useMemo } from 'react'
import type { Attempt, Plan } from '../../api/client'
import { useAttemptPictures, useFlownPath } from '../../api/review'
import { GroundView } from '../../pictures/GroundView'
import { sidesOf, windowOf } from '../../pictures/scale'

interface Props {
  attempt: Attempt
  plan: Plan
  spotName: string
  timeS: number | undefined
}

/** The attempt from above; of a surprise, what could be reached from where it came instead of what was planned. */
export function FlownGround({ attempt, plan, spotName, timeS }: Props) {
  const reachable = useAttemptPictures(attempt.id).data?.reachable
  const drawn = useMemo(() => (reachable ? { ...plan, reaches: reachable.reaches } : plan), [plan, reachable])
  const path = useFlownPath(attempt.id)
  return (
    <div className="mt-3">
      <GroundView
        plan={drawn}
        flown={path}
        {...(attempt.spot_name || !plan.ground ? {} : { ground: plan.ground })}
        spotName={attempt.spot_name ?? spotName}
        timeS={timeS}
        sides={sidesOf(plan, path, 500)}
        window={windowOf(plan, [path])}
      />
      {reachable && <p className="m-0 border-l-4 border-ink pl-3 text-lg">{reachable.text}</p>}
    </div>
  )
}
