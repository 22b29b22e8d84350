import { t } from '@lingui/core/macro'
import type { Planned, SortieChange } from '../../api/client'
import { usePlaceChanges } from '../../api/lesson'
import { addPlace } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { useBody } from '../../design/useBody'

interface Props {
  sortie: Planned
  set: (fields: SortieChange) => void
}

/** The spot under a name, among the school's places. */
export function KeepPlace({ sortie, set }: Props) {
  const { add } = usePlaceChanges()
  const { values, form, field, refused } = useBody({ name: addPlace.name }, { start: { name: '' }, error: add.error })
  const { spot_lat_deg: lat, spot_lon_deg: lon, elevation_ft: elevation, course_deg: course } = sortie
  return (
    <form
      className="flex flex-wrap items-start gap-2"
      {...form(({ name }) => {
        const place = {
          name: name.trim(),
          kind: 'spot' as const,
          lat_deg: lat,
          lon_deg: lon,
          elevation_ft: elevation,
          courses: course == null ? [] : [course],
        }
        add.mutate(place, { onSuccess: () => set({ spot_name: place.name }) })
      })}
    >
      <Field label={t`Keep this spot among the places, as`} {...field('name')} />
      <button type="submit" className="button mt-5" disabled={values.name.trim() === '' || add.isPending}>
        {t`Keep the place`}
      </button>
      <Refused {...refused()} />
    </form>
  )
}
