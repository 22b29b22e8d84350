import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import type { Schemas, Sortie } from '../../api/client'
import { recordLive, stopRecording } from '../../api/review'
import { Figure } from '../../design/Figure'
import { capital } from '../../design/words'
import { BandRuler } from '../../pictures/BandRuler'
import type { CallKind } from './calls'
import { useCalls } from './useCalls'
import { useLive, type Reading } from './useLive'

const SHOWN: { name: 'rotor_rpm_pct' | 'ias_kt' | 'sink_fpm' | 'height_ft'; label: string; unit: string }[] = [
  { name: 'rotor_rpm_pct', label: 'Rotor', unit: 'pct' },
  { name: 'ias_kt', label: 'Airspeed', unit: 'kt' },
  { name: 'sink_fpm', label: 'Sink', unit: 'fpm' },
  { name: 'height_ft', label: 'Height', unit: 'ft' },
]

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
  /** Which calls are spoken. */
  calls: CallKind[]
}

/** The flight as the recorder sends it: four numbers against the phase's band, and the gate's call. */
export function Live({ sortie, onExercise, onPhase, onOver, calls }: Props) {
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
  const shown = recording && !live.stale ? live.reading?.phase : undefined
  useEffect(() => onPhase(shown), [onPhase, shown])
  const { over: attemptOver } = live
  useEffect(() => onOver(attemptOver), [onOver, attemptOver])
  useCalls(recording && !live.stale ? live.reading : undefined, calls)
  const problem = begin.error?.message ?? stop.error?.message

  return (
    <section
      aria-label="Live from the recorder"
      className={recording ? 'sheet w-full p-3' : over ? 'w-full' : 'ml-auto'}
    >
      <div className="flex flex-wrap items-center justify-between gap-3">
        {recording ? (
          <p className="m-0 text-xl font-bold" role="status">
            {ended
              ? `Recording ended: ${ended}`
              : live.reading
                ? capital(live.reading.phase)
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
        {sortie.may_edit &&
          (recording ? (
            <button
              type="button"
              className="tap px-4"
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
          {/* The call has its place kept, so that no button moves under a finger. */}
          <div className="mt-2 min-h-24">
            <Gate reading={live.reading} />
          </div>
          <div className="mt-2 grid grid-cols-2 gap-3">
            {SHOWN.map(({ name, label, unit }) => (
              <LiveNumber
                key={name}
                label={label}
                unit={unit}
                value={live.reading?.[name]}
                band={live.reading?.bands[name]}
              />
            ))}
          </div>
        </div>
      )}
    </section>
  )
}

interface NumberProps {
  label: string
  unit: string
  value: number | null | undefined
  band: (number | null)[] | undefined
}

/** One number, its band under it; out of the band it is outlined and says so. */
function LiveNumber({ label, unit, value, band }: NumberProps) {
  const [low = null, high = null] = band ?? []
  const out = value != null && ((low !== null && value < low) || (high !== null && value > high))
  return (
    <div className={`min-h-32 border-2 p-2 ${out ? 'border-limit' : 'border-transparent'}`}>
      <div className="label flex justify-between">
        {label}
        {out && <b className="text-limit">{low !== null && value < low ? 'low' : 'high'}</b>}
      </div>
      <div className="figures text-4xl leading-tight font-bold">
        {value == null ? <span className="text-base font-normal">not sent</span> : <Figure value={value} unit={unit} />}
      </div>
      {band && <BandRuler measure={{ value, low, high }} />}
      {band && <div className="label">{bandWords(low, high)}</div>}
    </div>
  )
}

const bandWords = (low: number | null, high: number | null) =>
  low === null
    ? `at most ${Math.round(high ?? 0)}`
    : high === null
      ? `at least ${Math.round(low)}`
      : `${Math.round(low)} to ${Math.round(high)}`

/** The gate's call, ahead of time and as it is passed. A help beside the eyes outside, never instead of them. */
function Gate({ reading }: { reading: Reading }) {
  const { gate } = reading
  if (!gate) return null
  const height = `gate ${Math.round(gate.height_ft)} ft`
  if (gate.call === 'ahead')
    return (
      <p className="m-0 text-2xl font-bold" aria-live="assertive">
        {capital(height)} in {Math.max(0, Math.round(gate.seconds ?? 0))} s
      </p>
    )
  if (gate.call === 'continue')
    return (
      <p className="m-0 border-2 border-ink bg-ink p-2 text-3xl font-bold text-paper" aria-live="assertive">
        Continue <span className="text-base font-normal">{height}: all three in band</span>
      </p>
    )
  return (
    <p className="limit-note m-0 p-2 text-3xl font-bold" aria-live="assertive">
      {gate.call === 'go_around' ? 'Go around: throttle, then collective' : 'Your own call: not all is sent'}
      <span className="block text-base font-normal">
        {height}: {gate.reasons.join('; ')}
      </span>
    </p>
  )
}
