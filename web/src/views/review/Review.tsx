import { t } from '@lingui/core/macro'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { Attempt, PathPoint, Plan, Session, Sortie } from '../../api/client'
import { usePlan } from '../../api/prepare'
import { useAttempts, useFlownPath, useReadAhead, useStrips } from '../../api/review'
import { useKeys } from '../../design/useKeys'
import { Failed, Loading } from '../../design/States'
import { DescentSection } from '../../pictures/DescentSection'
import { ScanStrips } from '../../pictures/ScanStrips'
import { WhereItWas } from './WhereItWas'
import { windowOf } from '../../pictures/scale'
import { AttemptList } from './AttemptList'
import { Boundaries } from './Boundaries'
import { ConfirmAll } from './ConfirmAll'
import { Faults } from './Faults'
import { BreakAdvice } from '../lesson/BreakAdvice'
import { exerciseOf } from '../lesson/exercise'
import { GivenTo } from './GivenTo'
import { Grading } from './Grading'
import { Import } from './Import'
import { LayOver, shiftOf, type Over } from './LayOver'
import { FlownGround } from './FlownGround'
import { FlownPictures } from './FlownPictures'
import { Measures } from './Measures'
import { OneChange } from './OneChange'
import { ReplayBar } from './ReplayBar'
import { Teaching } from './Teaching'
import { WholeFlightFold } from './WholeFlightFold'
import { AtMoment } from './moment'
import { useReplay } from './useReplay'
import { useReviewAddress } from './useReviewAddress'
import { isLearner } from '../../api/who'

/** The attempt of the same recording that begins next and still counts. */
const nextOf = (attempts: Attempt[], attempt: Attempt) =>
  attempts
    .filter((row) => row.recording_id === attempt.recording_id && row.counts && row.start_s > attempt.start_s)
    .sort((a, b) => a.start_s - b.start_s)[0]

/** The day of the plan without its path: another manoeuvre was flown than the one that was planned. */
const flownOnly = (plan: Plan, path: PathPoint[]): Plan => ({
  ...plan,
  path,
  band: [],
  gates: [],
  reaches: [],
  watched: [],
})

/** Review: the attempts as found, flown over planned, every measure against its band, the grades. */
export function Review({ sortie, session }: { sortie: Sortie; session: Session }) {
  const attempts = useAttempts(sortie.id)
  const { number, phase, timeS, set } = useReviewAddress()
  const count = attempts.data?.length ?? 0
  const attempt = attempts.data?.find((row) => row.position === number) ?? attempts.data?.[0]
  const exercise = exerciseOf(sortie, attempt?.exercise_id)
  const plan = usePlan(sortie.id, exercise.id, {})
  const strips = useStrips(attempt?.id)
  const [over, setOver] = useState<Over>()
  const other = attempts.data?.find((row) => row.position === over?.position && row.id !== attempt?.id)
  const otherStrips = useStrips(other?.id)
  const path = useFlownPath(attempt?.id)
  useReadAhead(sortie.id, strips.data && attempts.data?.find((row) => row.position === number + 1)?.id)
  const otherPath = useFlownPath(other?.id)
  useKeys(
    useMemo(
      () => [
        { key: 'n', does: t`Next attempt`, run: () => set({ attempt: Math.min(count, number + 1), t: null }) },
        { key: 'b', does: t`Attempt before`, run: () => set({ attempt: Math.max(1, number - 1), t: null }) },
      ],
      [count, number, set],
    ),
  )
  const span = useMemo(
    () => (strips.data ? { from: strips.data.from_s, to: strips.data.to_s } : undefined),
    [strips.data],
  )
  const chosen = timeS === undefined || !attempt ? undefined : attempt.start_s + timeS
  const replay = useReplay(attempt?.id, span, chosen, (at) => attempt && set({ t: at - attempt.start_s }))
  useKeys(useMemo(() => [{ key: 'r', does: t`Play or pause the replay`, run: replay.toggle }], [replay.toggle]))
  if (attempts.isPending) return <Loading what={t`the attempts`} />
  if (attempts.isError) return <Failed error={attempts.error} again={() => void attempts.refetch()} />

  const { moment, choose: onTime } = replay
  const fault = attempt?.fault_details?.[0]
  const planned = attempt?.exercise_id === exercise.id && attempt.manoeuvre === plan.data?.manoeuvre
  const drawn = plan.data && attempt && (planned ? plan.data : flownOnly(plan.data, path))
  const select = (to: number) => set({ attempt: to, t: null, phase: null })
  return (
    <>
      <Import sortie={sortie} empty={count === 0} />
      <BreakAdvice text={sortie.break_advice} />
      {attempt && (
        <div className="mt-2 grid grid-cols-[minmax(0,1fr)_23rem] grid-rows-[auto_1fr] gap-x-5 max-xl:grid-cols-1">
          <div className="min-w-0">
            <AttemptList
              attempts={attempts.data}
              exercises={sortie.exercises}
              current={attempt.position}
              select={select}
            />
            {sortie.may_edit && !attempt.teaching && <ConfirmAll attempts={attempts.data} sortieId={sortie.id} />}
            {attempt.shown === 'name_fault_first' && (
              <p className="sheet my-2 p-3">
                {t`Look at the strips and the path, and name the fault that you would work on. Then you see what was played and what the recording shows.`}
              </p>
            )}
            {attempt.shown === 'self_grade_first' && (
              <p className="sheet my-2 p-3">
                {t`Look at the strips and the path, and grade yourself first. Then you see the measures, the proposal and your instructor's grades.`}
              </p>
            )}
            {fault && <Faults attempt={attempt} onTime={onTime} />}
            {fault && attempt.shown === 'all' && (
              <OneChange key={`change-${attempt.id}`} attempt={attempt} plan={plan.data} />
            )}
            {drawn && (
              <div className="mt-2">
                <AtMoment moment={moment}>
                  {(timeS) => (
                    <DescentSection
                      plan={drawn}
                      flown={path}
                      over={other && otherPath}
                      title={planned ? t`Flown (solid) over planned (dashed), true scale` : t`As flown, true scale`}
                      door="gate"
                      window={windowOf(drawn, [path])}
                      {...(timeS === undefined ? {} : { timeS })}
                      onTime={onTime}
                    />
                  )}
                </AtMoment>
              </div>
            )}
            {strips.data && (
              <div className="flex flex-wrap items-center gap-x-6">
                <ReplayBar replay={replay} />
                <LayOver attempt={attempt} attempts={attempts.data} over={over} choose={setOver} />
              </div>
            )}
            {strips.data ? (
              <AtMoment moment={moment}>
                {(timeS) => (
                  <ScanStrips
                    strips={strips.data}
                    attempt={attempt}
                    timeS={timeS}
                    onTime={onTime}
                    {...(fault ? { fault } : {})}
                    {...(over && other && otherStrips.data
                      ? { over: { strips: otherStrips.data, shiftS: shiftOf(attempt, other, over.event) } }
                      : {})}
                  />
                )}
              </AtMoment>
            ) : (
              <Loading what={t`the strips`} />
            )}
            <WholeFlightFold attempt={attempt} select={select} />
          </div>
          <div className="min-w-0 xl:col-start-2 xl:row-span-2 xl:row-start-1">
            <Link to={`/sorties/${sortie.id}/debrief`} className="button mb-2 w-full">
              {t`Debrief page`}
            </Link>
            <Teaching key={`teaching-${attempt.id}`} attempt={attempt} sortie={sortie} session={session} />
            {!attempt.teaching && <Grading key={attempt.id} attempt={attempt} sortie={sortie} session={session} />}
            {!isLearner(session.person) && sortie.exercises.length > 0 && (
              <GivenTo key={`given-${attempt.id}`} attempt={attempt} exercises={sortie.exercises} />
            )}
            {attempt.shown === 'all' && (
              <Measures attempt={attempt} phase={phase} select={(id) => set({ phase: id })} />
            )}
            {!isLearner(session.person) && (
              <AtMoment moment={moment}>
                {(timeS) => (
                  <Boundaries
                    key={`${attempt.id} ${attempt.start_s} ${attempt.phases.length}`}
                    attempt={attempt}
                    timeS={timeS}
                    next={nextOf(attempts.data, attempt)}
                  />
                )}
              </AtMoment>
            )}
            <AtMoment moment={moment}>
              {(timeS) => <WhereItWas attempt={attempt} timeS={timeS} select={select} />}
            </AtMoment>
          </div>
          <div className="min-w-0 xl:col-start-1 xl:row-start-2">
            {drawn && (
              <AtMoment moment={moment}>
                {(timeS) => <FlownGround attempt={attempt} plan={drawn} spotName={exercise.spot_name} timeS={timeS} />}
              </AtMoment>
            )}
            {attempt.shown === 'all' && (
              <AtMoment moment={moment}>
                {(timeS) => <FlownPictures key={`pictures-${attempt.id}`} attempt={attempt} timeS={timeS} />}
              </AtMoment>
            )}
          </div>
        </div>
      )}
    </>
  )
}
