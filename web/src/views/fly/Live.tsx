import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import type { Schemas, Sortie } from '../../api/client'
import { recordLive, stopRecording } from '../../api/review'
import { capital } from '../../design/words'
import type { Levels } from './calls'
import { LiveNumbers, SoFar } from './LiveNumbers'
import { useCalls } from './useCalls'
import { useLive, type Reading } from './useLive'

/** Steps in which a recording is still being taken; after them it is read like any other. */
const TAKEN = ['waiting for a worker', 'recording live', 'stopping']

interface Props {
  sortie: Sortie
  /** The flight shows another exercise of the lesson. */
  onExercise: (id: string) => void
  /** The phase that it shows, as long as readings come. */
  onPhase: (phase: string | undefined) => void
  /** An attempt that is over. */
  onOver: (over: Schemas['LiveAttempt'] | undefined) => void
  /** Whether readings come. */
  onReadings: (come: boolean) => void
  /** The wind that the drift shows. */
  onWind: (wind: string | undefined) => void
  /** How loud each kind of call is. */
  calls: Levels
  /** Id of the exercise that was tapped. */
  tapped: string
}

/** The flight as the recorder sends it: the phase, its numbers against their bands, the gate's call, what it has come to. */
export function Live({ sortie, onExercise, onPhase, onOver, onReadings, onWind, calls, tapped }: Props) {
  const queries = useQueryClient()
  const recording = sortie.recordings.find(
    (r) => r.source === 'live' && ['waiting', 'working'].includes(r.status) && TAKEN.includes(r.step),
  )
  const live = useLive(sortie.id, recording !== undefined, onExercise)
  // The sortie may say that it is over before the line says why, and then the line is closed.
  const [followed, setFollowed] = useState<string>()
  if (recording && recording.id !== followed) setFollowed(recording.id)
  const over = sortie.recordings.find((r) => r.id === followed)
  const again = () => void queries.invalidateQueries({ queryKey: ['sortie', sortie.id] })
  const begin = useMutation({ mutationFn: () => recordLive(sortie.id), onSettled: again })
  const stop = useMutation({ mutationFn: stopRecording, onSettled: again })
  const { ended } = live
  useEffect(() => {
    if (ended) void queries.invalidateQueries({ queryKey: ['sortie', sortie.id] })
  }, [ended, queries, sortie.id])
  const shown = (recording && !live.stale && live.reading?.phase) || undefined
  useEffect(() => onPhase(shown), [onPhase, shown])
  const { over: attemptOver } = live
  useEffect(() => onOver(attemptOver), [onOver, attemptOver])
  const come = recording !== undefined && !live.stale && live.reading !== undefined
  useEffect(() => onReadings(come), [onReadings, come])
  const { wind } = live
  useEffect(() => onWind(wind), [onWind, wind])
  useCalls(recording && !live.stale ? live.reading : undefined, calls)
  const problem = begin.error?.message ?? stop.error?.message

  return (
    <section
      aria-label="Live from the recorder"
      className={recording ? 'live-sheet sheet w-full p-3' : over ? 'w-full' : 'ml-auto'}
    >
      <div className={recording ? 'live-head' : 'flex flex-wrap items-center justify-between gap-3'}>
        {recording ? (
          <p className="m-0 text-xl font-bold [grid-area:phase]" role="status">
            {ended
              ? `Recording ended: ${ended}`
              : live.reading
                ? phaseWords(live.reading, sortie, tapped)
                : 'Waiting for the recorder'}
            {live.stale && !ended && <span className="label ml-3">no reading now; these numbers are old</span>}
          </p>
        ) : (
          <p className="label m-0">
            {over?.status === 'failed' ? (
              over.error
            ) : over ? (
              <>
                Recording ended{ended && `: ${ended}`}. What arrived is kept.{' '}
                <Link to={`/sorties/${sortie.id}/review`}>Look at it in Review</Link>
              </>
            ) : null}
          </p>
        )}
        {recording && (
          // The call has its place kept, so that no button moves under a finger.
          <div className="min-h-14 [grid-area:call]">
            {live.reading?.gate ? <Gate gate={live.reading.gate} /> : <SoFar lines={live.soFar} />}
          </div>
        )}
        {sortie.may_edit &&
          (recording ? (
            <button
              type="button"
              className="tap px-4 [grid-area:stop]"
              disabled={stop.isPending}
              onClick={() => stop.mutate(recording.id)}
            >
              Stop recording
            </button>
          ) : (
            <button type="button" className="tap px-4" disabled={begin.isPending} onClick={() => begin.mutate()}>
              Record live
            </button>
          ))}
      </div>
      {problem && (
        <p role="alert" className="limit-note mt-2 mb-0 p-2">
          {problem}
        </p>
      )}
      {recording && live.reading && (
        <div data-behind-ms={live.behindMs} className={live.stale ? 'border-2 border-dashed border-ink' : ''}>
          <LiveNumbers reading={live.reading} />
        </div>
      )}
    </section>
  )
}

const NAMELESS = 'No attempt under way'

/** The phase that goes on, of which exercise where that is not the one that was tapped, and the clock of a hover. */
function phaseWords({ phase, phase_s: held, box_s: box, exercise }: Reading, sortie: Sortie, tapped: string) {
  if (phase === null) return NAMELESS
  const title = exercise === tapped ? undefined : sortie.exercises.find(({ id }) => id === exercise)?.title
  const clock =
    box === null || held === null
      ? undefined
      : held < box
        ? `${Math.floor(held)} of ${Math.round(box)} s`
        : `${Math.round(box)} s held`
  return [capital(phase), clock, title].filter(Boolean).join(' · ')
}

/** The gate's call, ahead of time and as it is passed. A help beside the eyes outside, never instead of them. */
function Gate({ gate }: { gate: NonNullable<Reading['gate']> }) {
  const height = `${gate.title} ${Math.round(gate.height_ft)} ft`
  if (gate.call === 'ahead')
    return (
      <p className="m-0 text-2xl font-bold" aria-live="assertive">
        {height} in {Math.max(0, Math.round(gate.seconds ?? 0))} s
      </p>
    )
  if (gate.call === 'continue')
    return (
      <p className="m-0 border-2 border-ink bg-ink p-2 text-2xl font-bold text-paper" aria-live="assertive">
        Continue <span className="text-base font-normal">{height}: in band</span>
      </p>
    )
  return (
    <p className="limit-note m-0 p-2 text-xl leading-tight font-bold" aria-live="assertive">
      {gate.call === 'go_around' ? gate.say : 'Your own call: not all is sent'}
      <span className="block text-base font-normal">
        {height}: {gate.reasons.join('; ')}
      </span>
    </p>
  )
}
