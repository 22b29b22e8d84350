import { useState } from 'react'
import type { Schemas, Session } from '../../api/client'
import { useAircraft, useClearAircraft, usePowerCard, useTypes } from '../../api/queries'
import { Failed, Loading } from '../../design/States'
import { capital, figure, unitWord } from '../../design/words'
import { TypeFileForm } from './TypeForm'
import { TypeSheet } from './TypeSheet'
import { ReasonForm } from '../../design/ReasonForm'

/** The fleet: each aircraft and what must be looked at before it flies; each type's numbers, curves and history. */
export function Fleet({ session }: { session: Session }) {
  const aircraft = useAircraft()
  const types = useTypes()
  const chief = session.person?.role === 'chief_instructor'
  if (aircraft.isPending || types.isPending) return <Loading what="the fleet" />
  if (aircraft.isError) return <Failed error={aircraft.error} again={() => void aircraft.refetch()} />
  if (types.isError) return <Failed error={types.error} again={() => void types.refetch()} />
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">Fleet</h1>
      <div className="mt-4 grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {aircraft.data.map((row) => (
          <Aircraft key={row.id} row={row} chief={chief} />
        ))}
      </div>
      <h2 className="mt-8 mb-0 border-b border-ink pb-1 text-xl font-bold">Types</h2>
      {types.data.map((type) => (
        <TypeSheet key={type.id} type={type} chief={chief} />
      ))}
      {chief && <NewType />}
      <p className="label">
        The types are invented and their numbers come from the type files. A real aircraft&apos;s flight manual comes
        first, always.
      </p>
    </>
  )
}

function Aircraft({ row, chief }: { row: Schemas['Aircraft']; chief: boolean }) {
  const card = usePowerCard(row.id)
  return (
    <section className="sheet p-4" aria-label={row.mark}>
      <h2 className="m-0 text-xl font-bold">
        {row.mark}{' '}
        <span className="font-normal text-soft">
          {row.type_name}, rotor {row.rotor_direction}
        </span>
      </h2>
      {row.look_at_it && <LookAtIt row={row} chief={chief} />}
      {!row.look_at_it && row.look_at_it_reason && <p className="label mb-0">{row.look_at_it_reason}</p>}
      {card.data && card.data.settings.length > 0 ? (
        <dl className="figures mt-2 mb-0 grid grid-cols-[1fr_auto_auto] gap-x-3 gap-y-0.5 text-sm">
          {card.data.settings.map((setting) => (
            <div key={setting.phase} className="contents">
              <dt className="text-soft">{capital(setting.phase)}, as flown</dt>
              <dd className="m-0 text-right font-semibold">
                {figure(setting.value ?? undefined, card.data.unit, 1)}
                <span className="unit">{unitWord(card.data.unit)}</span>
              </dd>
              <dd className="label m-0 text-right">
                {setting.flights} {setting.flights === 1 ? 'flight' : 'flights'}
              </dd>
            </div>
          ))}
        </dl>
      ) : (
        <p className="label mb-0">
          {card.data ? 'No power settings recorded yet: the card fills as flights are loaded.' : ''}
        </p>
      )}
    </section>
  )
}

function LookAtIt({ row, chief }: { row: Schemas['Aircraft']; chief: boolean }) {
  const clear = useClearAircraft()
  return (
    <div className="limit-note mt-2 p-3">
      <p className="mt-0">
        <b>To be looked at before flight.</b> {row.look_at_it_reason}
      </p>
      {chief ? (
        <ReasonForm
          ask="What was found"
          act="Clear it"
          close
          disabled={clear.isPending}
          onReason={(note) => clear.mutate({ id: row.id, note })}
        />
      ) : (
        <p className="m-0 text-sm">The chief instructor clears it once somebody qualified has looked.</p>
      )}
    </div>
  )
}

/** A type file, pasted or picked: checked by field, kept as a new version. */
function NewType() {
  const [open, setOpen] = useState(false)
  if (!open) {
    return (
      <button type="button" className="button mt-4" onClick={() => setOpen(true)}>
        Add a type from a file
      </button>
    )
  }
  return <TypeFileForm done={() => setOpen(false)} />
}
