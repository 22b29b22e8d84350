import { useMemo } from 'react'
import type { Attempt, Plan, Session, Sortie } from '../../api/client'
import { useAttempts, usePlan, useStrips } from '../../api/queries'
import { useKeys } from '../../app/useKeys'
import { Failed, Loading } from '../../design/States'
import { DescentSection } from '../../pictures/DescentSection'
import { GroundView } from '../../pictures/GroundView'
import { ScanStrips } from '../../pictures/ScanStrips'
import { windowOf } from '../../pictures/scale'
import { AttemptList } from './AttemptList'
import { Faults } from './Faults'
import { Grading } from './Grading'
import { Import } from './Import'
import { FlownPictures } from './FlownPictures'
import { Measures } from './Measures'
import { OneChange } from './OneChange'
import { useReviewAddress } from './useReviewAddress'

/** The day of the plan without its path: another manoeuvre was flown than the one that was planned. */
const flownOnly = (plan: Plan, attempt: Attempt): Plan => ({
  ...plan,
  path: attempt.path ?? [],
  band: [],
  gates: [],
  reaches: [],
})

/** Review: the attempts as found, flown over planned, every measure against its band, the grades. */
export function Review({ sortie, session }: { sortie: Sortie; session: Session }) {
  const attempts = useAttempts(sortie.id)
  const plan = usePlan(sortie.id, {})
  const { number, phase, timeS, set } = useReviewAddress()
  const count = attempts.data?.length ?? 0
  const attempt = attempts.data?.find((row) => row.position === number) ?? attempts.data?.[0]
  const strips = useStrips(attempt?.id)
  useKeys(
    useMemo(
      () => [
        { key: 'n', does: 'Next attempt', run: () => set({ attempt: Math.min(count, number + 1), t: null }) },
        { key: 'b', does: 'Attempt before', run: () => set({ attempt: Math.max(1, number - 1), t: null }) },
      ],
      [count, number, set],
    ),
  )
  if (attempts.isPending) return <Loading what="the attempts" />
  if (attempts.isError) return <Failed error={attempts.error} again={() => void attempts.refetch()} />

  const moment = timeS === undefined || !attempt ? undefined : attempt.start_s + timeS
  const onTime = (at: number) => attempt && set({ t: at - attempt.start_s })
  const fault = attempt?.fault_details?.[0]
  const planned = attempt?.manoeuvre === plan.data?.manoeuvre
  const drawn = plan.data && attempt && (planned ? plan.data : flownOnly(plan.data, attempt))
  return (
    <>
      <Import sortie={sortie} empty={count === 0} />
      {attempt && (
        <div className="mt-2 grid grid-cols-[minmax(0,1fr)_23rem] gap-5 max-xl:grid-cols-1">
          <div className="min-w-0">
            <AttemptList
              attempts={attempts.data}
              current={attempt.position}
              select={(to) => set({ attempt: to, t: null, phase: null })}
            />
            {attempt.shown === 'self_grade_first' && (
              <p className="sheet my-2 p-3">
                Look at the strips and the path, and grade yourself first. Then you see the measures, the proposal and
                your instructor&apos;s grades.
              </p>
            )}
            {fault && <Faults attempt={attempt} onTime={onTime} />}
            {fault && attempt.shown === 'all' && (
              <OneChange key={`change-${attempt.id}`} attempt={attempt} plan={plan.data} />
            )}
            {drawn && (
              <div className="mt-2">
                <DescentSection
                  plan={drawn}
                  flown={attempt.path ?? []}
                  title={planned ? 'Flown (solid) over planned (dashed), true scale' : 'As flown, true scale'}
                  doors={['gate']}
                  window={windowOf(drawn, [attempt.path ?? []])}
                  {...(moment === undefined ? {} : { timeS: moment })}
                  onTime={onTime}
                />
              </div>
            )}
            {strips.data ? (
              <ScanStrips
                strips={strips.data}
                attempt={attempt}
                timeS={moment}
                onTime={onTime}
                {...(fault ? { fault } : {})}
              />
            ) : (
              <Loading what="the strips" />
            )}
            {drawn && (
              <div className="mt-3">
                <GroundView
                  plan={drawn}
                  flown={attempt.path ?? []}
                  spotName={sortie.spot_name}
                  sides={[-700, 700]}
                  window={windowOf(drawn, [attempt.path ?? []])}
                />
              </div>
            )}
            {attempt.shown === 'all' && <FlownPictures key={`pictures-${attempt.id}`} attemptId={attempt.id} />}
          </div>
          <div className="min-w-0">
            <Grading key={attempt.id} attempt={attempt} sortie={sortie} session={session} />
            <Measures attempt={attempt} phase={phase} select={(id) => set({ phase: id })} />
          </div>
        </div>
      )}
    </>
  )
}
