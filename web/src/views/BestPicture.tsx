import { t } from '@lingui/core/macro'
import type { Attempt, Exercise, Plan } from '../api/client'
import { usePlan } from '../api/prepare'
import { useAttemptPictures, useFlownPath } from '../api/review'
import { saidFigure, withUnit } from '../design/words'
import { DescentSection } from '../pictures/DescentSection'
import { GroundView } from '../pictures/GroundView'
import { HoverTrace } from '../pictures/HoverTrace'
import { sidesOf, windowOf } from '../pictures/scale'

interface Props {
  sortieId: string
  exercise: Exercise
  attempts: Attempt[]
}

/** Higher than this, and ending near the ground, a path is seen from the side, feet. */
const SIDE_FT = 30
/** So many numbers say what was meant. */
const MEANT = 3

/** What was meant at an exercise, and the picture that tells most: where its fault showed, else the last attempt. */
export function BestPicture({ sortieId, exercise, attempts }: Props) {
  const plan = usePlan(sortieId, exercise.id, {})
  const shown = attempts.filter((attempt) => attempt.shown === 'all')
  const attempt = shown.find((row) => row.fault_details?.[0]) ?? shown.at(-1)
  if (!plan.data) return null
  return (
    <div className="mb-3 break-inside-avoid">
      <p className="m-0">
        <b>{t`Meant:`}</b> {exercise.objective ? `${exercise.objective}. ` : ''}
        {meant(plan.data)}.
      </p>
      {attempt && <Seen attempt={attempt} plan={plan.data} spotName={attempt.spot_name ?? exercise.spot_name} />}
    </div>
  )
}

const meant = (plan: Plan) =>
  plan.key_numbers
    .flatMap((name) => {
      const number = plan.numbers[name]
      return number?.value == null
        ? []
        : [
            `${number.label.toLowerCase()} ${withUnit(saidFigure(number.value, number.unit, number.digits), number.unit)}`,
          ]
    })
    .slice(0, MEANT)
    .join(', ')

function Seen({ attempt, plan, spotName }: { attempt: Attempt; plan: Plan; spotName: string }) {
  const path = useFlownPath(attempt.id)
  const fault = attempt.fault_details?.[0]
  const timeS = fault?.from_s
  const caption = t`Attempt ${attempt.position}, flown (solid) over planned (dashed)${fault ? t`; the mark is where it began: ${fault.title.toLowerCase()}` : ''}`
  const flown = path.filter((point) => point.t_s >= attempt.start_s && point.t_s <= attempt.end_s)
  const hovers = attempt.phases.length === 1 && attempt.phases[0]?.id === 'hover'
  const top = Math.max(0, ...plan.path.map((point) => point.height_ft))
  const lands = (plan.path.at(-1)?.height_ft ?? 0) < SIDE_FT && (plan.path[0]?.height_ft ?? 0) > SIDE_FT
  if (path.length < 3) return null
  if (hovers) return <Trace attempt={attempt} timeS={timeS} />
  return (
    <div className="mt-1">
      {top > SIDE_FT && lands ? (
        <DescentSection
          plan={plan}
          flown={path}
          title={caption}
          door="gate"
          window={windowOf(plan, [path])}
          {...(timeS === undefined ? {} : { timeS })}
        />
      ) : (
        plan.path.length > 2 && (
          <>
            <p className="label m-0">{caption}</p>
            <GroundView
              plan={plan}
              flown={flown}
              ground={attempt.spot_name ? [] : (plan.ground ?? [])}
              spotName={spotName}
              sides={sidesOf(plan, flown, 300)}
              window={windowOf(plan, [flown])}
              timeS={timeS}
            />
          </>
        )
      )}
    </div>
  )
}

function Trace({ attempt, timeS }: { attempt: Attempt; timeS: number | undefined }) {
  const pictures = useAttemptPictures(attempt.id)
  const path = useFlownPath(attempt.id)
  const hover = pictures.data?.hover
  return hover ? <HoverTrace points={path} hover={hover} timeS={timeS} /> : null
}
