import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Planned, SortieChange } from '../../api/client'
import { usePlaceChanges } from '../../api/lesson'

interface Props {
  sortie: Planned
  set: (fields: SortieChange) => void
}

/** The spot under a name, among the school's places. */
export function KeepPlace({ sortie, set }: Props) {
  const { add } = usePlaceChanges()
  const [name, setName] = useState('')
  const { spot_lat_deg: lat, spot_lon_deg: lon, elevation_ft: elevation, course_deg: course } = sortie
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        const place = {
          name: name.trim(),
          kind: 'spot' as const,
          lat_deg: lat,
          lon_deg: lon,
          elevation_ft: elevation,
          courses: course == null ? [] : [course],
        }
        add.mutate(place, { onSuccess: () => set({ spot_name: place.name }) })
      }}
    >
      <label className="grid gap-0.5">
        <span className="label">{t`Keep this spot among the places, as`}</span>
        <input className="field" maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <button type="submit" className="button" disabled={name.trim() === '' || add.isPending}>
        {t`Keep the place`}
      </button>
      {add.isError && (
        <p role="alert" className="limit-note m-0 p-2">
          {add.error.message}
        </p>
      )}
    </form>
  )
}
