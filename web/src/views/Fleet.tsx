import { useState } from 'react'
import type { Schemas, Session } from '../api/client'
import { useAircraft, useClearAircraft } from '../api/queries'
import { Failed, Loading } from '../design/States'

/** The fleet: each aircraft, its type's numbers, and what must be looked at before it flies. */
export function Fleet({ session }: { session: Session }) {
  const aircraft = useAircraft()
  if (aircraft.isPending) return <Loading what="the fleet" />
  if (aircraft.isError) return <Failed error={aircraft.error} again={() => void aircraft.refetch()} />
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">Fleet</h1>
      <div className="mt-4 grid gap-4 md:grid-cols-2">
        {aircraft.data.map((row) => (
          <section key={row.id} className="sheet p-4" aria-label={row.mark}>
            <h2 className="m-0 text-xl font-bold">
              {row.mark}{' '}
              <span className="font-normal text-soft">
                {row.type_name}, rotor {row.rotor_direction}
              </span>
            </h2>
            {row.look_at_it && <LookAtIt row={row} chief={session.person?.role === 'chief_instructor'} />}
            {!row.look_at_it && row.look_at_it_reason && <p className="label mb-0">{row.look_at_it_reason}</p>}
            <dl className="mt-3 mb-0 grid grid-cols-[1fr_auto] gap-y-1">
              {(row.numbers ?? []).map((number) => (
                <div key={number.label} className="contents">
                  <dt className="text-soft">{number.label}</dt>
                  <dd className="m-0 text-right font-semibold">
                    {number.value}
                    <span className="unit">{number.unit}</span>
                  </dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <p className="label">
        The types are invented and their numbers come from the type files. A real aircraft&apos;s flight manual comes
        first, always.
      </p>
    </>
  )
}

function LookAtIt({ row, chief }: { row: Schemas['Aircraft']; chief: boolean }) {
  const clear = useClearAircraft()
  const [note, setNote] = useState('')
  return (
    <div className="limit-note mt-2 p-3">
      <p className="mt-0">
        <b>To be looked at before flight.</b> {row.look_at_it_reason}
      </p>
      {chief ? (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            clear.mutate({ id: row.id, note })
          }}
        >
          <label className="grow">
            <span className="sr-only">What was found</span>
            <input
              className="field h-11"
              placeholder="What was found"
              required
              minLength={3}
              value={note}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
          <button type="submit" className="button" disabled={clear.isPending}>
            Clear it
          </button>
        </form>
      ) : (
        <p className="m-0 text-sm">The chief instructor clears it once somebody qualified has looked.</p>
      )}
    </div>
  )
}
