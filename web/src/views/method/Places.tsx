import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { usePlaceChanges } from '../../api/lesson'
import { usePlaces } from '../../api/queries'
import type { Schemas } from '../../api/client'
import { FileButton } from '../../design/FileButton'
import { HeadRow } from '../../design/HeadRow'
import { choicesOf, Pick } from '../../design/Pick'
import { Sure } from '../../design/Sure'
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
  const error = add.error ?? remove.error ?? load.error
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
                    className="button min-h-8! px-2! py-0! text-xs"
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
      <PlaceForm add={add.mutate} pending={add.isPending} />
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

function PlaceForm({ add, pending }: { add: (place: NewPlace) => void; pending: boolean }) {
  const [kind, setKind] = useState<NewPlace['kind']>('spot')
  const long = LONG.includes(kind)
  return (
    <form
      className="mt-3 grid grid-cols-[2fr_1fr_1fr_1fr_1fr_1fr_auto] items-end gap-2 max-lg:grid-cols-2"
      aria-label={t`Add a place`}
      onSubmit={(event) => {
        event.preventDefault()
        const form = event.currentTarget
        const data = new FormData(form)
        const text = (key: string) => {
          const value = data.get(key)
          return typeof value === 'string' ? value : ''
        }
        add({
          name: text('name').trim(),
          kind,
          lat_deg: Number(text('lat')),
          lon_deg: Number(text('lon')),
          elevation_ft: Number(text('elevation')),
          ...(long && text('far_lat') !== '' && text('far_lon') !== ''
            ? { far_end: { lat_deg: Number(text('far_lat')), lon_deg: Number(text('far_lon')) } }
            : {}),
          ...(long && text('width') !== '' ? { width_ft: Number(text('width')) } : {}),
          ...(kind === 'obstacle' && text('height') !== '' ? { height_ft: Number(text('height')) } : {}),
          courses: text('courses')
            .split(/[ ,;]+/)
            .filter(Boolean)
            .map(Number),
        })
        form.reset()
      }}
    >
      <label>
        <span className="label">{t`Name`}</span>
        <input className="field" name="name" required maxLength={80} />
      </label>
      <label>
        <span className="label">{t`Kind`}</span>
        <Pick value={kind} choices={choicesOf(KINDS)} onChange={(id) => setKind(id as NewPlace['kind'])} />
      </label>
      <label>
        <span className="label">{t`North, °`}</span>
        <input className="field" name="lat" type="number" step="any" min={-90} max={90} required />
      </label>
      <label>
        <span className="label">{t`East, °`}</span>
        <input className="field" name="lon" type="number" step="any" min={-180} max={180} required />
      </label>
      <label>
        <span className="label">{t`Elevation, ft`}</span>
        <input className="field" name="elevation" type="number" step="any" min={-1500} max={14000} required />
      </label>
      <label>
        <span className="label">{t`Courses, ° true`}</span>
        <input className="field" name="courses" placeholder={long ? t`along it` : '350, 170'} />
      </label>
      {long && (
        <>
          <label>
            <span className="label">{t`Far end north, °`}</span>
            <input className="field" name="far_lat" type="number" step="any" min={-90} max={90} />
          </label>
          <label>
            <span className="label">{t`Far end east, °`}</span>
            <input className="field" name="far_lon" type="number" step="any" min={-180} max={180} />
          </label>
          <label>
            <span className="label">{t`Width, ft`}</span>
            <input className="field" name="width" type="number" step="any" min={1} max={2000} />
          </label>
        </>
      )}
      {kind === 'obstacle' && (
        <label>
          <span className="label">{t`Height, ft`}</span>
          <input className="field" name="height" type="number" step="any" min={0} max={3000} required />
        </label>
      )}
      <button type="submit" className="button" disabled={pending}>
        {t`Add it`}
      </button>
    </form>
  )
}
