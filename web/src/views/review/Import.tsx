import { decimal } from '#language/numbers'
import { locale } from '#language/i18n'
import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { clsx } from 'clsx'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState, type DragEvent } from 'react'
import type { Schemas, Sortie } from '../../api/client'
import { fetchFromRecorder, tellHeadings, uploadRecording, useRecording } from '../../api/review'
import { Headings } from './Headings'

/** Recordings in: by drag, by dialog, or from the recorder. The work goes on in the background and can be left. */
export function Import({ sortie, empty }: { sortie: Sortie; empty: boolean }) {
  const [sent, setSent] = useState<string>()
  // What was sent from here, or what is being worked at: a flight under way, or one measured again for a moved spot.
  const working = sortie.recordings.find((row) => row.status !== 'ready' && row.status !== 'failed')?.id
  const followed = working ?? sent
  const [problem, setProblem] = useState<string>()
  const [over, setOver] = useState(false)
  const [asked, setAsked] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const recording = useRecording(followed)
  const queries = useQueryClient()
  const status = recording.data?.status
  const answeredAt = recording.dataUpdatedAt

  // At every answer that says ready, not only the first: work as short as one question is never seen under way.
  useEffect(() => {
    if (status !== 'ready') return
    for (const key of ['attempts', 'sortie']) void queries.invalidateQueries({ queryKey: [key, sortie.id] })
    for (const key of ['today', 'attempt-pictures', 'attempt-path', 'one-change', 'strips'])
      void queries.invalidateQueries({ queryKey: [key] })
  }, [status, answeredAt, queries, sortie.id])

  const take = async (work: Promise<Schemas['Recording']>) => {
    setProblem(undefined)
    try {
      setSent((await work).id)
    } catch (error) {
      setProblem(
        error instanceof Error ? error.message : t`The file could not be sent. Nothing was changed; try again.`,
      )
    }
  }
  const onFiles = (files: FileList | null) => {
    const file = files?.[0]
    if (file) void take(uploadRecording(sortie.id, file))
  }
  const onDrop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    onFiles(event.dataTransfer.files)
  }
  const shown = recording.data ?? sortie.recordings.at(-1)
  // What was flown comes first: where there is a recording, the way to another one is a button.
  const open = empty || asked || over

  return (
    <section aria-label={t`Recording`} className="mt-2">
      {sortie.may_edit && (
        <div
          onDragOver={(event) => {
            event.preventDefault()
            setOver(true)
          }}
          onDragLeave={() => setOver(false)}
          onDrop={onDrop}
          className={clsx(
            'flex flex-wrap items-center gap-x-3 gap-y-1',
            open && 'border border-dashed px-3 py-1.5',
            over ? 'border-ink bg-wash' : 'border-faint',
            empty && 'min-h-40 justify-center py-6',
          )}
        >
          {!empty && shown && <Summary recording={shown} />}
          {open && (
            <>
              <span className={empty ? 'text-lg' : 'label'}>
                {empty ? t`No recording yet. Drop the recorder’s file here, or` : t`Drop another recording here, or`}
              </span>
              <button
                type="button"
                className={empty ? 'button solid' : 'button'}
                onClick={() => input.current?.click()}
              >
                {t`Choose a file`}
              </button>
              <button type="button" className="button" onClick={() => void take(fetchFromRecorder(sortie.id))}>
                {t`From the stand-in recorder`}
              </button>
            </>
          )}
          {!empty && (
            <button type="button" className="act label ml-auto" aria-expanded={asked} onClick={() => setAsked(!asked)}>
              {asked ? t`No other recording` : t`Another recording`}
            </button>
          )}
          <input
            ref={input}
            type="file"
            accept=".csv,.nmea,.txt,.log,.gpx,.igc,.gz"
            className="sr-only"
            aria-label={t`Recording file`}
            onChange={(event) => onFiles(event.target.files)}
          />
        </div>
      )}
      {!sortie.may_edit && empty && (
        <p className="border border-dashed border-faint p-5 text-soft">
          {t`No recording yet. Your instructor loads it after the flight.`}
        </p>
      )}
      {problem && (
        <p role="alert" className="limit-note mt-2 mb-0 p-3">
          {problem}
        </p>
      )}
      {recording.data && (status === 'waiting' || status === 'working') && <Progress recording={recording.data} />}
      {shown?.status === 'ready' && shown.error && (
        <p role="alert" className="limit-note mt-2 mb-0 p-3">
          {shown.error}
        </p>
      )}
      {shown?.status === 'failed' && (
        <p role="alert" className="limit-note mt-2 mb-0 p-3">
          <Trans>
            {shown.name} was not imported: {shown.error}
          </Trans>
        </p>
      )}
      {sortie.may_edit && shown?.status === 'failed' && shown.summary?.headings && (
        <Headings
          key={shown.id}
          summary={shown.summary}
          tell={async (columns) => {
            await tellHeadings(shown.id, columns)
            void queries.invalidateQueries({ queryKey: ['recording', shown.id] })
            setSent(shown.id)
          }}
        />
      )}
      {status === 'ready' && recording.data?.attempts === 0 && (
        <p role="status" className="sheet mt-2 mb-0 p-3">
          {t`${recording.data.name} was read, and no attempt was found in it. The recording is kept.`}
        </p>
      )}
    </section>
  )
}

function Progress({ recording }: { recording: Schemas['Recording'] }) {
  const percent = Math.round(recording.progress * 100)
  return (
    <div className="sheet mt-2 p-3" role="status">
      <div className="flex justify-between">
        <span>
          {recording.name}: {recording.step}
        </span>
        <span>{percent} %</span>
      </div>
      <div
        role="progressbar"
        aria-label={t`Import`}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="mt-2 h-3 border border-ink"
      >
        <div className="h-full bg-ink" style={{ width: `${percent}%` }} />
      </div>
      <p className="label mt-1 mb-0">{t`You can leave this page; the work goes on.`}</p>
    </div>
  )
}

function Summary({ recording }: { recording: Schemas['Recording'] }) {
  const summary = recording.summary
  if (!summary) return null
  const notes = summary.notes ?? []
  return (
    <details className="label">
      <summary className="min-h-11 cursor-pointer py-2">
        <Trans>
          {recording.name}, {summary.rows?.toLocaleString(locale)} rows at{' '}
          {summary.rate_hz && decimal(summary.rate_hz, 0)} Hz
          {notes.length > 0 ? plural(notes.length, { one: ', # note', other: ', # notes' }) : ''}
        </Trans>
      </summary>
      <ul className="m-0 pl-4">
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
        <li>{t`Channels: ${(summary.channels ?? []).join(', ')}`}</li>
        {summary.wind && (
          <li>
            {t`Wind ${summary.wind} (${
              summary.wind_source === 'given'
                ? t`from the sortie`
                : summary.wind_source === 'file'
                  ? t`from the file`
                  : t`from the drift, estimated`
            })`}
          </li>
        )}
      </ul>
    </details>
  )
}
