import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { usePlaceChanges } from '../../api/lesson'
import { usePlaces } from '../../api/queries'
import type { Schemas } from '../../api/client'
import { addPlace } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { FileButton } from '../../design/FileButton'
import { HeadRow } from '../../design/HeadRow'
import { choicesOf } from '../../design/Pick'
import { wrongWith } from '../../design/rangeWords'
import { Sure } from '../../design/Sure'
import { useBody } from '../../design/useBody'
import { WideTable } from '../../design/WideTable'

const KINDS: Record<Schemas['Place']['kind'], string> = {
  aerodrome: t`Aerodrome`,
  runway: t`Runway`,
  strip: t`Strip`,
  pad: t`Pad`,
  area: t`Training area`,
  spot: t`Spot`,
  figure: t`Figure`,
  line: t`Line`,
  obstacle: t`Obstacle`,
}

/** The school's places: by coordinates, from a GeoJSON file, and back into one. */
export function Places({ chief }: { chief: boolean }) {
  const places = usePlaces()
  const { add, remove, load } = usePlaceChanges()
  const error = remove.error ?? load.error
  return (
    <section className="mt-8" aria-label={t`Places`}>
      <h2 className="mb-1 text-xl font-bold">{t`Places`}</h2>
      <p className="mt-0 max-w-3xl">
        {t`Where exercises are flown. Choosing one in Prepare takes its coordinates, elevation and first course; lessons keep what they took.`}
      </p>
      <WideTable className="w-full text-sm">
        <HeadRow heads={[t`Place`, t`Kind`, t`North, °`, t`East, °`, t`Elevation, ft`, t`Courses, ° true`, '']} />
        <tbody>
          {(places.data ?? []).map((place) => (
            <tr key={place.id} className="border-t border-rule">
              <th scope="row" className="p-2 text-left font-semibold">
                {place.name}
              </th>
              <td className="p-2">{KINDS[place.kind]}</td>
              <td className="figures p-2">{decimal(place.lat_deg, 4)}</td>
              <td className="figures p-2">{decimal(place.lon_deg, 4)}</td>
              <td className="figures p-2">{Math.round(place.elevation_ft)}</td>
              <td className="figures p-2">{place.courses.join(', ') || '—'}</td>
              <td className="p-2 text-right">
                {chief && (
                  <Sure
                    className="button px-2! py-0! text-xs"
                    word={t`Remove ${place.name}`}
                    says={t`It leaves the list for new lessons. Lessons that were planned there keep it.`}
                    onSure={() => remove.mutate(place.id)}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </WideTable>
      <PlaceForm add={add} />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <a className="button" href="/api/places/geojson">
          {t`Take them as GeoJSON`}
        </a>
        <FileButton
          word={t`Load a GeoJSON file`}
          accept=".geojson,.json,application/geo+json"
          onFile={(file) => load.mutate(file)}
        />
      </div>
      {error && (
        <p role="alert" className="limit-note mt-2 p-3">
          {error instanceof SyntaxError ? t`This file is no JSON. Nothing was loaded.` : error.message}
        </p>
      )}
    </section>
  )
}

/** What begins at the place and runs to a far end. */
const LONG: string[] = ['runway', 'strip', 'line']

type NewPlace = Omit<Schemas['Place'], 'id'>

const EMPTY = {
  name: '',
  kind: 'spot',
  lat_deg: '',
  lon_deg: '',
  elevation_ft: '',
  courses: '',
  far_lat_deg: '',
  far_lon_deg: '',
  width_ft: '',
  height_ft: '',
}
// Courses are typed as a list, a far end as two numbers that may be left open.
const { lat_deg: lat, lon_deg: lon } = addPlace.far_end.fields
const BODY = {
  ...addPlace,
  courses: { type: 'string' },
  far_lat_deg: { ...lat, required: false, nullable: true },
  far_lon_deg: { ...lon, required: false, nullable: true },
} as const
const listed = (courses: string) => courses.split(/[ ,;]+/).filter(Boolean)
const course = addPlace.courses.each
const noCourse = (text: string) =>
  listed(text)
    .map((one) => wrongWith(course, one, true))
    .find(Boolean)

function PlaceForm({ add }: { add: ReturnType<typeof usePlaceChanges>['add'] }) {
  const { values, form, field, pick, reset, refused } = useBody(BODY, { start: EMPTY, error: add.error })
  const long = LONG.includes(values.kind)
  const send = form(
    ({ courses = '', far_lat_deg: farLat, far_lon_deg: farLon, width_ft: width, height_ft: height, ...place }) => {
      const made: NewPlace = {
        ...place,
        name: place.name.trim(),
        ...(long && farLat !== null && farLon !== null ? { far_end: { lat_deg: farLat, lon_deg: farLon } } : {}),
        ...(long && width !== null ? { width_ft: width } : {}),
        ...(place.kind === 'obstacle' && height !== null ? { height_ft: height } : {}),
        courses: listed(courses).map(Number),
      }
      add.mutate(made, { onSuccess: () => reset({ ...EMPTY, kind: place.kind }) })
    },
  )
  return (
    <form
      className="mt-3 grid grid-cols-[2fr_1fr_1fr_1fr_1fr_1fr_auto] items-start gap-2 max-lg:grid-cols-2"
      aria-label={t`Add a place`}
      {...send}
    >
      <Field label={t`Name`} {...field('name')} />
      <PickField label={t`Kind`} choices={choicesOf(KINDS)} {...pick('kind')} />
      <Field label={t`North, °`} {...field('lat_deg')} />
      <Field label={t`East, °`} {...field('lon_deg')} />
      <Field label={t`Elevation, ft`} {...field('elevation_ft')} />
      <Field
        label={t`Courses, ° true`}
        placeholder={long ? t`along it` : '350, 170'}
        {...field('courses', { wrong: noCourse })}
      />
      {long && (
        <>
          <Field label={t`Far end north, °`} {...field('far_lat_deg', { required: values.far_lon_deg !== '' })} />
          <Field label={t`Far end east, °`} {...field('far_lon_deg', { required: values.far_lat_deg !== '' })} />
          <Field label={t`Width, ft`} {...field('width_ft')} />
        </>
      )}
      {values.kind === 'obstacle' && <Field label={t`Height, ft`} {...field('height_ft', { required: true })} />}
      <button type="submit" className="button mt-5" disabled={add.isPending}>
        {t`Add it`}
      </button>
      <div className="col-span-full">
        <Refused {...refused()} />
      </div>
    </form>
  )
}
