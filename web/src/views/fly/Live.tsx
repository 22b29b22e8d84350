import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import type { Sortie } from '../../api/client'
import { recordLive, stopRecording } from '../../api/review'
import { capital } from '../../design/words'
import { LiveNumbers, SoFar } from './LiveNumbers'
import type { Flight } from './useFlight'
import type { Reading } from './useLive'

interface Props {
  sortie: Sortie
  flight: Flight
  /** Id of the exercise that was tapped. */
  tapped: string
}

/** The flight as the recorder sends it: the phase, its numbers against their bands, the gate's call, what it has come to. */
export function Live({ sortie, flight, tapped }: Props) {
  const { recording, taken, reading, now, ended, stale, soFar, behindMs } = flight
  const queries = useQueryClient()
  const again = () => void queries.invalidateQueries({ queryKey: ['sortie', sortie.id] })
  const begin = useMutation({ mutationFn: () => recordLive(sortie.id), onSettled: again })
  const stop = useMutation({ mutationFn: stopRecording, onSettled: again })
  const problem = begin.error?.message ?? stop.error?.message

  return (
    <section
      aria-label={t`Live from the recorder`}
      className={recording ? 'live-sheet sheet w-full p-3' : taken ? 'w-full' : 'ml-auto'}
    >
      <div className={recording ? 'live-head' : 'flex flex-wrap items-center justify-between gap-3'}>
        {recording ? (
          <p className="m-0 text-xl font-bold [grid-area:phase]" role="status">
            {ended
              ? t`Recording ended: ${ended}`
              : reading
                ? phaseWords(reading, sortie, tapped)
                : t`Waiting for the recorder`}
            {stale && !ended && <span className="label ml-3">{t`no reading now; these numbers are old`}</span>}
          </p>
        ) : (
          <p className="label m-0">
            {taken?.status === 'failed' ? (
              taken.error
            ) : taken ? (
              <>
                <Trans>
                  Recording ended{ended && `: ${ended}`}. What arrived is kept.{' '}
                  <Link to={`/sorties/${sortie.id}/review`}>Look at it in Review</Link>
                </Trans>
              </>
            ) : null}
          </p>
        )}
        {recording && (
          // The call has its place kept, so that no button moves under a finger.
          <div className="min-h-14 [grid-area:call]">
            {now?.gate ? <Gate gate={now.gate} /> : <SoFar lines={soFar} />}
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
              {t`Stop recording`}
            </button>
          ) : (
            <button type="button" className="tap px-4" disabled={begin.isPending} onClick={() => begin.mutate()}>
              {t`Record live`}
            </button>
          ))}
      </div>
      {problem && (
        <p role="alert" className="limit-note mt-2 mb-0 p-2">
          {problem}
        </p>
      )}
      {recording && reading && (
        <div data-behind-ms={behindMs} className={stale ? 'border-2 border-dashed border-ink' : ''}>
          <LiveNumbers reading={reading} />
        </div>
      )}
    </section>
  )
}

const NAMELESS = t`No attempt under way`

/** The phase that goes on, of which exercise where that is not the one that was tapped, and the clock of a hover. */
function phaseWords({ phase, phase_s: held, box_s: box, exercise }: Reading, sortie: Sortie, tapped: string) {
  if (phase === null) return NAMELESS
  const title = exercise === tapped ? undefined : sortie.exercises.find(({ id }) => id === exercise)?.title
  const clock =
    box === null || held === null
      ? undefined
      : held < box
        ? t`${Math.floor(held)} of ${Math.round(box)} s`
        : t`${Math.round(box)} s held`
  return [capital(phase), clock, title].filter(Boolean).join(' · ')
}

/** The gate's call, ahead of time and as it is passed. A help beside the eyes outside, never instead of them. */
function Gate({ gate }: { gate: NonNullable<Reading['gate']> }) {
  const height = `${gate.title} ${Math.round(gate.height_ft)} ft`
  if (gate.call === 'ahead')
    return (
      <p className="m-0 text-2xl font-bold" aria-live="assertive">
        {t`${height} in ${Math.max(0, Math.round(gate.seconds ?? 0))} s`}
      </p>
    )
  if (gate.call === 'continue')
    return (
      <p className="m-0 border-2 border-ink bg-ink p-2 text-2xl font-bold text-paper" aria-live="assertive">
        <Trans>
          Continue <span className="text-base font-normal">{height}: in band</span>
        </Trans>
      </p>
    )
  return (
    <p className="limit-note m-0 p-2 text-xl leading-tight font-bold" aria-live="assertive">
      {gate.call === 'go_around' ? gate.say : t`Your own call: not all is sent`}
      <span className="block text-base font-normal">
        {height}: {gate.reasons.join('; ')}
      </span>
    </p>
  )
}
