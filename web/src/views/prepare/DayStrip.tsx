import { useMemo, useState } from 'react'
import ranges from '../../../../core/data/ranges.json'
import type { Plan, Planned, SortieChange } from '../../api/client'
import { useAircraft } from '../../api/queries'
import { capital, figure, unitWord } from '../../design/words'
import { CountsToday } from './CountsToday'
import { CourseField } from './CourseField'
import { NumberField } from './NumberField'
import { PlaceFields } from './PlaceFields'
import { PlannedHow } from './PlannedHow'
import { choicesOf, Pick } from '../../design/Pick'
import { useKeys } from '../../design/useKeys'
import { dayWords, windWords } from './dayWords'

interface Props {
  sortie: Planned
  /** Its numbers stand in for fields left empty. */
  plan: Plan | undefined
  set: (fields: SortieChange) => void
  errors: Record<string, string>
  /** The aircraft chosen but not stored yet. */
  aircraftId: string | undefined
}

type NumberKey =
  'wind_from_deg' | 'wind_kt' | 'gust_kt' | 'oat_c' | 'dew_point_c' | 'qnh_hpa' | 'height_ft' | 'elevation_ft'

interface NumberSpec {
  key: NumberKey
  label: string
  unit: string
  step?: number
  optional?: boolean
}

const NUMBERS: NumberSpec[] = [
  { key: 'wind_from_deg', label: 'Wind from', unit: '° true', step: 10, optional: true },
  { key: 'wind_kt', label: 'Wind', unit: 'kt', optional: true },
  { key: 'gust_kt', label: 'Gust', unit: 'kt', optional: true },
  { key: 'oat_c', label: 'Air', unit: '°C' },
  { key: 'dew_point_c', label: 'Dew point', unit: '°C', optional: true },
  { key: 'qnh_hpa', label: 'QNH', unit: 'hPa' },
  { key: 'height_ft', label: 'Entry height', unit: 'ft', step: 100, optional: true },
  { key: 'elevation_ft', label: 'Elevation', unit: 'ft', step: 10 },
]

const STANDARDS = { early: 'Early', solo: 'Solo', test: 'Test', instructor: 'Instructor' }

/**
 * The day and the load: everything that the plan depends on, in one line of words that opens to fields. It stands open
 * where something is missing or wrong.
 */
export function DayStrip(props: Props) {
  const { sortie, plan, errors } = props
  const wind = windWords(sortie)
  const wrong = Object.keys(errors).length > 0
  const [asked, setAsked] = useState<boolean>()
  const open = wrong || (asked ?? (sortie.may_edit && wind === undefined))
  useKeys(useMemo(() => [{ key: 'd', does: 'Open or close the day', run: () => setAsked(!open) }], [open]))
  return (
    <section aria-label="Day and load" className="no-print mt-2">
      <div className="flex items-center justify-between gap-4">
        <p className="figures m-0 text-lg leading-snug">
          {wind === undefined && <b className="limit-note px-1.5">Wind not given</b>}{' '}
          {dayWords(sortie, plan).join('; ')}
        </p>
        <button
          type="button"
          className="button shrink-0"
          aria-expanded={open}
          disabled={wrong}
          onClick={() => setAsked(!open)}
        >
          {open ? 'Close the day' : sortie.may_edit ? 'Change the day' : 'The whole day'}
        </button>
      </div>
      {open && <DayFields {...props} />}
    </section>
  )
}

function DayFields({ sortie, plan, set, errors, aircraftId }: Props) {
  const locked = !sortie.may_edit
  const fleet = useAircraft()
  const aircraft = Object.fromEntries(
    (fleet.data ?? [sortie.aircraft])
      .filter((row) => row.kind === sortie.aircraft.kind)
      .map((row) => [row.id, `${row.mark}${row.look_at_it ? ' (!)' : ''}`]),
  )
  return (
    <div className="mt-2 grid grid-cols-9 gap-x-2 gap-y-1.5 border-b border-rule pb-2 max-lg:grid-cols-4 max-sm:grid-cols-2">
      <Choice
        label="Aircraft"
        value={aircraftId ?? sortie.aircraft.id}
        options={aircraft}
        locked={locked}
        onChange={(id) => set({ aircraft_id: id })}
      />
      <Choice
        label="Aboard"
        value={sortie.people_aboard}
        options={{ dual: 'Dual', solo: 'Solo' }}
        locked={locked}
        onChange={(who) => set({ people_aboard: who as Planned['people_aboard'] })}
      />
      <NumberField
        label="Fuel"
        unit="kg"
        value={sortie.fuel_kg}
        low={0}
        high={sortie.aircraft.fuel_full_kg ?? 300}
        disabled={locked}
        error={errors.fuel_kg ?? errors.mass_kg}
        onChange={(kg) => set({ fuel_kg: kg ?? 0 })}
      />
      {NUMBERS.map(({ key, ...spec }) => (
        <NumberField
          key={key}
          {...spec}
          low={ranges[key][0] ?? 0}
          high={ranges[key][1] ?? 0}
          value={sortie[key]}
          placeholder={key === 'height_ft' ? planned(plan, 'entry_height_ft') : undefined}
          disabled={locked}
          error={errors[key] ?? (key === 'wind_from_deg' ? errors.wind : undefined)}
          onChange={(value) => (value !== null || spec.optional) && set({ [key]: value })}
        />
      ))}
      {sortie.house_settings.slice(0, SHOWN).map((row) => (
        <HouseChoice key={row.name} row={row} sortie={sortie} set={set} />
      ))}
      {sortie.manoeuvre_settings.map((setting) => (
        <Setting
          key={setting.name}
          setting={setting}
          plan={plan}
          sortie={sortie}
          set={set}
          error={errors[setting.name]}
        />
      ))}
      <Choice
        label="Standard"
        value={sortie.stage}
        options={STANDARDS}
        locked={locked}
        onChange={(stage) => set({ stage: stage as Planned['stage'] })}
      />
      <CourseField sortie={sortie} set={set} error={errors.course_deg} />
      <PlaceFields sortie={sortie} set={set} errors={errors} />
      <NumberField
        label="Attempts"
        unit="planned"
        value={sortie.planned_count ?? null}
        low={1}
        high={50}
        optional
        disabled={locked}
        onChange={(count) => set({ planned_count: count })}
      />
      <label className="col-span-3 grid gap-0.5">
        <span className="label">Objective today</span>
        <input
          className="field"
          maxLength={300}
          disabled={locked}
          defaultValue={sortie.objective ?? ''}
          onBlur={(e) =>
            e.target.value !== (sortie.objective ?? '') && set({ objective: e.target.value.trim() || null })
          }
        />
      </label>
      <CountsToday sortie={sortie} set={set} />
      <PlannedHow sortie={sortie} set={set} />
      {sortie.house_settings.length > SHOWN && (
        <details className="col-span-6 open:col-span-full max-lg:col-span-4">
          <summary className="label min-h-8 cursor-pointer py-1">
            Method for this exercise:{' '}
            {sortie.house_settings
              .slice(SHOWN)
              .map(({ name, short }) => `${short} ${chosen(sortie, name)}`.toLowerCase().replaceAll('_', ' '))
              .join(', ')}
          </summary>
          <div className="grid grid-cols-9 gap-x-2 gap-y-1.5 max-lg:grid-cols-4">
            {sortie.house_settings.slice(SHOWN).map((row) => (
              <HouseChoice key={row.name} row={row} sortie={sortie} set={set} />
            ))}
          </div>
        </details>
      )}
    </div>
  )
}

/** How many choices of the method stand open; the rest unfold. */
const SHOWN = 3
const chosen = (sortie: Planned, name: string) => String(sortie.house[name] ?? sortie.effective_house[name] ?? '')

interface HouseChoiceProps {
  row: Planned['house_settings'][number]
  sortie: Planned
  set: (fields: SortieChange) => void
}

const HouseChoice = ({ row: { name, short, choices }, sortie, set }: HouseChoiceProps) => (
  <Choice
    label={short}
    value={chosen(sortie, name)}
    options={Object.fromEntries(choices.map((choice) => [choice, capital(choice)]))}
    locked={!sortie.may_edit}
    onChange={(value) => set({ house: { ...sortie.house, [name]: value } })}
  />
)

interface SettingProps {
  setting: Planned['manoeuvre_settings'][number]
  plan: Plan | undefined
  sortie: Planned
  set: (fields: SortieChange) => void
  error: string | undefined
}

/** One of the exercise's own settings: a number in its range, or a choice. Empty is the manoeuvre's own. */
function Setting({ setting, plan, sortie, set, error }: SettingProps) {
  const value = sortie.settings[setting.name] ?? setting.default ?? null
  const change = (next: string | number | null) => set({ settings: { ...sortie.settings, [setting.name]: next } })
  if (setting.choices.length > 0) {
    return (
      <Choice
        label={setting.label}
        value={String(value)}
        options={Object.fromEntries(setting.choices.map((choice) => [choice, capital(choice)]))}
        locked={!sortie.may_edit}
        onChange={change}
      />
    )
  }
  return (
    <NumberField
      label={setting.label}
      unit={unitWord(setting.unit ?? '')}
      value={typeof value === 'number' ? value : null}
      low={setting.low ?? 0}
      high={setting.high ?? 10_000}
      optional
      placeholder={planned(plan, setting.stands_for)}
      disabled={!sortie.may_edit}
      error={error}
      onChange={change}
    />
  )
}

const planned = (plan: Plan | undefined, name: string) => {
  const number = plan?.numbers[name]
  return number?.value == null ? undefined : figure(number.value, number.unit, number.digits)
}

interface ChoiceProps {
  label: string
  value: string
  options: Record<string, string>
  locked: boolean
  onChange: (value: string) => void
}

const Choice = ({ label, value, options, locked, onChange }: ChoiceProps) => (
  <label className="grid gap-0.5">
    <span className="label">{label}</span>
    <Pick disabled={locked} value={value} choices={choicesOf(options)} onChange={onChange} />
  </label>
)
