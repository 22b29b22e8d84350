import { t } from '@lingui/core/macro'
import { useSetUp } from '../../api/people'
import { setUpSchool } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { UnitFields } from '../../design/UnitFields'
import { useBody } from '../../design/useBody'

/** The types that ship: their files are the application's own. */
const TYPES = [
  { id: 'tansy-2', word: t`Tansy 2, two-seat piston helicopter` },
  { id: 'bracken-2', word: t`Bracken 2, two-seat piston helicopter` },
  { id: 'yarrow-4', word: t`Yarrow 4, four-seat turbine helicopter` },
  { id: 'sorrel-g', word: t`Sorrel G, two-seat gyroplane` },
]
const FILE = { id: 'file', word: t`From a type file` }

const ZONES = Intl.supportedValuesOf('timeZone')
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone
const START = {
  code: '',
  school: {
    name: '',
    station: '',
    time_zone: ZONES.includes(HERE) ? HERE : 'Etc/UTC',
    lat_deg: '',
    lon_deg: '',
    elevation_ft: '0',
    units: {} as Record<string, string>,
  },
  chief: { name: '', sign_in: '', password: '', mass_kg: '75', email: '' },
  aircraft: { mark: '', type_id: 'tansy-2', type_file: '' },
}
// A first aircraft may be left for later: what it is made of is asked for where it has a mark.
const BODY = { ...setUpSchool, aircraft: { ...setUpSchool.aircraft, required: true } } as const

/** The first page of an installation that has no school yet. */
export function SetUp({ codeNeeded }: { codeNeeded: boolean }) {
  const setUp = useSetUp()
  const { values, form, field, pick, put, refused } = useBody(BODY, { start: START, error: setUp.error })
  const ofFile = values.aircraft.type_id === FILE.id
  const send = form(({ code, aircraft: { mark, type_id: type, type_file: file }, ...body }) =>
    setUp.mutate({
      ...(codeNeeded ? { code } : {}),
      ...body,
      ...(mark ? { aircraft: ofFile ? { mark, type_file: file } : { mark, type_id: type } } : {}),
    }),
  )
  return (
    <main className="mx-auto max-w-3xl p-6">
      <h1 className="m-0 text-3xl font-bold">{t`Set up a school`}</h1>
      <p className="mt-1 text-soft">
        {t`Once, now. Everything here can be changed later but for the station, which the weather is asked by.`}
      </p>
      <form {...send} className="grid gap-5">
        {codeNeeded && (
          <Field
            label={t`Code`}
            hint={t`The server printed it when it started: this is another machine.`}
            {...field('code', { required: true })}
          />
        )}
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`School`}</legend>
          <Field label={t`Name`} {...field('school.name')} />
          <Field label={t`Station`} hint={t`Four letters, as in its weather reports`} {...field('school.station')} />
          <PickField
            label={t`Time zone`}
            {...pick('school.time_zone')}
            choices={[...new Set(['Etc/UTC', ...ZONES])].map((id) => ({ id, word: id }))}
          />
          <Field label={t`Elevation, ft`} {...field('school.elevation_ft')} />
          <Field label={t`Latitude, ° north`} {...field('school.lat_deg')} />
          <Field label={t`Longitude, ° east`} {...field('school.lon_deg')} />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-4">
          <legend className="px-1 text-lg font-semibold">{t`Units that the school reads in`}</legend>
          <UnitFields
            units={values.school.units}
            put={(changed) => put('school.units', { ...values.school.units, ...changed })}
          />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`You, the first chief instructor`}</legend>
          <Field label={t`Name`} {...field('chief.name')} />
          <Field
            label={t`Sign-in name`}
            hint={t`Letters and figures, without a space`}
            autoComplete="username"
            {...field('chief.sign_in')}
          />
          <Field
            label={t`Password`}
            hint={t`At least 10 characters`}
            autoComplete="new-password"
            {...field('chief.password')}
            type="password"
          />
          <Field label={t`Mass, kg`} {...field('chief.mass_kg')} />
          <Field label={t`Mail address, if letters shall come`} {...field('chief.email')} type="email" />
        </fieldset>
        <fieldset className="sheet grid gap-3 p-4 sm:grid-cols-2">
          <legend className="px-1 text-lg font-semibold">{t`First aircraft`}</legend>
          <Field label={t`Mark`} hint={t`Empty: later, in Fleet`} {...field('aircraft.mark', { required: false })} />
          <PickField label={t`Type`} choices={[...TYPES, FILE]} {...pick('aircraft.type_id')} />
          {ofFile && (
            <label className="grid gap-1 sm:col-span-2">
              <span className="label">{t`Type file`}</span>
              <input
                type="file"
                accept=".yml,.yaml"
                onChange={(event) =>
                  void event.target.files?.[0]?.text().then((file) => put('aircraft.type_file', file))
                }
              />
            </label>
          )}
        </fieldset>
        <Refused {...refused()} />
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
