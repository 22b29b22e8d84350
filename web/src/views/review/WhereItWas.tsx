import type { Attempt } from '../../api/client'
import { useAttemptPictures, useFlownPath } from '../../api/review'
import { HoverTrace } from '../../pictures/HoverTrace'
import { TouchdownScatter } from '../../pictures/TouchdownScatter'

interface Props {
  attempt: Attempt
  timeS: number | undefined
  select: (position: number) => void
}

/** How it drifted in the hover, and where it ended beside the others of the sortie. */
export function WhereItWas({ attempt, timeS, select }: Props) {
  const pictures = useAttemptPictures(attempt.id)
  const path = useFlownPath(attempt.id)
  if (!pictures.data) return null
  const { hover, landings } = pictures.data
  const flown = path.filter((p) => p.t_s >= attempt.start_s && p.t_s <= attempt.end_s)
  return (
    <>
      {hover && <HoverTrace points={flown} hover={hover} timeS={timeS} />}
      {landings.points.length > 1 && (
        <div className="mt-3">
          <TouchdownScatter landings={landings} current={attempt.position} select={select} />
        </div>
      )}
    </>
  )
}
