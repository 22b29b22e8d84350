import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Session } from '../../api/client'
import { useTypes } from '../../api/queries'
import { useFleet } from '../../api/school'
import { isLearner } from '../../api/who'
import { Failed, Loading } from '../../design/States'
import { AddAircraft } from './AddAircraft'
import { AircraftCard } from './AircraftCard'
import { TypeFileForm } from './TypeForm'
import { TypeSheet } from './TypeSheet'

/** The fleet: each aircraft and what must be looked at before it flies; each type's numbers, curves and history. */
export function Fleet({ session }: { session: Session }) {
  const aircraft = useFleet()
  const types = useTypes()
  const chief = session.person?.role === 'chief_instructor'
  if (aircraft.isPending || types.isPending) return <Loading what={t`the fleet`} />
  if (aircraft.isError) return <Failed error={aircraft.error} again={() => void aircraft.refetch()} />
  if (types.isError) return <Failed error={types.error} again={() => void types.refetch()} />
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{t`Fleet`}</h1>
        {chief && <AddAircraft />}
      </header>
      <div className="mt-4 grid gap-3 md:grid-cols-2 xl:grid-cols-3">
        {aircraft.data.map((row) => (
          <AircraftCard key={row.id} row={row} chief={chief} staff={!isLearner(session.person)} />
        ))}
      </div>
      <h2 className="mt-8 mb-0 border-b border-ink pb-1 text-xl font-bold">{t`Types`}</h2>
      {types.data.map((type) => (
        <TypeSheet key={type.id} type={type} chief={chief} />
      ))}
      {chief && <NewType />}
      <p className="label">
        {t`The types are invented and their numbers come from the type files. A real aircraft's flight manual comes first, always.`}
      </p>
    </>
  )
}

/** A type file, pasted or picked: checked by field, kept as a new version. */
function NewType() {
  const [open, setOpen] = useState(false)
  if (!open) {
    return (
      <button type="button" className="button mt-4" onClick={() => setOpen(true)}>
        {t`Add a type from a file`}
      </button>
    )
  }
  return <TypeFileForm done={() => setOpen(false)} />
}
