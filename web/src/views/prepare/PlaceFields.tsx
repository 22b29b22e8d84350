import { t } from '@lingui/core/macro'
import { changeSortie } from '../../api/ranges.generated'
import type { Planned, SortieChange } from '../../api/client'
import { usePlaces } from '../../api/queries'
import { Pick } from '../../design/Pick'
import { NumberField } from './NumberField'
import { isAt } from './place'

interface Props {
  sortie: Planned
  set: (fields: SortieChange) => void
  errors: Record<string, string>
}

const ELSEWHERE = 'elsewhere'

/** Where the exercise is flown: one of the school's places, or a name and coordinates. */
export function PlaceFields({ sortie, set, errors }: Props) {
  const places = usePlaces().data ?? []
  const locked = !sortie.may_edit
  const here = places.find((place) => isAt(place, sortie))
  const choose = (id: string) => {
    const place = places.find((row) => row.id === id)
    if (!place) return
    const [course] = place.courses
    set({
      spot_name: place.name,
      spot_lat_deg: place.lat_deg,
      spot_lon_deg: place.lon_deg,
      elevation_ft: place.elevation_ft,
      ...(course === undefined ? {} : { course_deg: course }),
    })
  }
  return (
    <>
      <label className="col-span-2 grid gap-0.5">
        <span className="label">{t`Spot`}</span>
        <Pick
          value={here?.id ?? ELSEWHERE}
          disabled={locked}
          choices={[
            ...places.map(({ id, name, kind }) => ({ id, word: name, group: kind })),
            ...(here ? [] : [{ id: ELSEWHERE, word: sortie.spot_name }]),
          ]}
          onChange={choose}
        />
      </label>
      {(['spot_lat_deg', 'spot_lon_deg'] as const).map((key) => (
        <NumberField
          key={key}
          label={key === 'spot_lat_deg' ? t`Spot north` : t`Spot east`}
          unit="°"
          step={0.0001}
          digits={6}
          value={sortie[key]}
          low={changeSortie[key].minimum}
          high={changeSortie[key].maximum}
          disabled={locked}
          error={errors[key]}
          onChange={(value) =>
            value !== null && set({ [key]: value, ...(here ? { spot_name: t`Near ${here.name}`.slice(0, 80) } : {}) })
          }
        />
      ))}
    </>
  )
}
