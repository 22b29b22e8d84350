import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useSetUp } from '../../api/people'
import { Field, fieldErrors, PickField, Refused } from '../../design/Field'
import { UnitFields } from '../../design/UnitFields'

/** The types that ship: their files are the application's own. */
const TYPES = [
  { id: 'tansy-2', word: t`Tansy 2, two-seat piston helicopter` },
  { id: 'bracken-2', word: t`Bracken 2, two-seat piston helicopter` },
  { id: 'yarrow-4', word: t`Yarrow 4, four-seat turbine helicopter` },
  { id: 'sorrel-g', word: t`Sorrel G, two-seat gyroplane` },
]
const FILE = { id: 'file', word: t`From a type file` }

const EMPTY = {
  name: '',
  station: '',
  lat: '',
  lon: '',
  elevation: '0',
  chief: '',
  sign_in: '',
  password: '',
  mass: '75',
  email: '',
  mark: '',
  type: 'tansy-2',
  file: '',
  code: '',
}
const ZONES = Intl.supportedValuesOf('timeZone')
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone

/** The first page of an installation that has no school yet. */
export function SetUp({ codeNeeded }: { codeNeeded: boolean }) {
  const setUp = useSetUp()
  const [zone, setZone] = useState(ZONES.includes(HERE) ? HERE : 'Etc/UTC')
  const [form, setForm] = useState(EMPTY)
  const [units, setUnits] = useState<Record<string, string>>({})
  const put = (name: keyof typeof EMPTY) => (text: string) => setForm((now) => ({ ...now, [name]: text }))
  const errors = fieldErrors(setUp.error)

  const submit = (event: FormEvent) => {
    event.preventDefault()
    setUp.mutate({
      ...(codeNeeded ? { code: form.code } : {}),
      school: {
        name: form.name,
        station: form.station,
        time_zone: zone,
        lat_deg: Number(form.lat),
        lon_deg: Number(form.lon),
        elevation_ft: Number(form.elevation),
        units,
      },
      chief: {
        name: form.chief,
        sign_in: form.sign_in,
        password: form.password,
        mass_kg: Number(form.mass),
        email: form.email || null,
      },
      ...(form.mark
        ? {
            aircraft:
              form.type === 'file'
                ? { mark: form.mark, type_file: form.file }
                : { mark: form.mark, type_id: form.type },
          }
        : {}),
    })
  }
  return (
    <main className="mx-auto max-w-3xl p-6">
      <h1 className="m-0 text-3xl font-bold">{t`Set up a school`}</h1>
      <p className="mt-1 text-soft">
        {t`Once, now. Everything here can be changed later but for the station, which the weather is asked by.`}
      </p>
      <form onSubmit={submit} className="grid gap-5">
        {codeNeeded && (
          <Field
            label={t`Code`}
            hint={t`The server printed it when it started: this is another machine.`}
            required
            value={form.code}
            onText={put('code')}
          />
        )}
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`School`}</legend>
          <Field label={t`Name`} required value={form.name} onText={put('name')} />
          <Field
            label={t`Station`}
            hint={t`Four letters, as in its weather reports`}
            required
            pattern="[A-Za-z]{4}"
            value={form.station}
            onText={put('station')}
          />
          <PickField
            label={t`Time zone`}
            value={zone}
            error={errors['school.time_zone']}
            choices={[...new Set(['Etc/UTC', ...ZONES])].map((id) => ({ id, word: id }))}
            onText={setZone}
          />
          <Field label={t`Elevation, ft`} type="number" required value={form.elevation} onText={put('elevation')} />
          <Field
            label={t`Latitude, ° north`}
            type="number"
            step="any"
            min={-90}
            max={90}
            required
            value={form.lat}
            onText={put('lat')}
          />
          <Field
            label={t`Longitude, ° east`}
            type="number"
            step="any"
            min={-180}
            max={180}
            required
            value={form.lon}
            onText={put('lon')}
          />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-4">
          <legend className="px-1 text-lg font-semibold">{t`Units that the school reads in`}</legend>
          <UnitFields units={units} put={(changed) => setUnits((before) => ({ ...before, ...changed }))} />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`You, the first chief instructor`}</legend>
          <Field label={t`Name`} required value={form.chief} onText={put('chief')} />
          <Field
            label={t`Sign-in name`}
            autoComplete="username"
            required
            value={form.sign_in}
            onText={put('sign_in')}
          />
          <Field
            label={t`Password`}
            type="password"
            hint={t`At least 10 characters`}
            autoComplete="new-password"
            required
            error={errors['chief.password']}
            value={form.password}
            onText={put('password')}
          />
          <Field label={t`Mass, kg`} type="number" min={30} max={200} required value={form.mass} onText={put('mass')} />
          <Field label={t`Mail address, if letters shall come`} type="email" value={form.email} onText={put('email')} />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`First aircraft`}</legend>
          <Field label={t`Mark`} hint={t`Empty: later, in Fleet`} value={form.mark} onText={put('mark')} />
          <PickField label={t`Type`} value={form.type} choices={[...TYPES, FILE]} onText={put('type')} />
          {form.type === 'file' && (
            <label className="grid gap-1 sm:col-span-2">
              <span className="label">{t`Type file`}</span>
              <input
                type="file"
                accept=".yml,.yaml"
                onChange={(event) => void event.target.files?.[0]?.text().then(put('file'))}
              />
            </label>
          )}
        </fieldset>
        <Refused error={setUp.error} fields={['school.time_zone', 'chief.password']} />
        <button type="submit" className="button solid justify-self-start" disabled={setUp.isPending}>
          {t`Begin`}
        </button>
      </form>
      <p className="label mt-6">
        {t`A training aid. The flight manual, the operator's procedures, the authority's rules and a licensed instructor decide.`}
      </p>
    </main>
  )
}
