import type { Sortie, SortieChange } from '../../api/client'
import { useAircraft } from '../../api/queries'
import { NumberField } from './NumberField'

interface Props {
  sortie: Sortie
  set: (fields: SortieChange) => void
  errors: Record<string, string>
  /** The aircraft chosen but not stored yet. */
  aircraftId: string | undefined
}

type NumberKey =
  | 'wind_from_deg'
  | 'wind_kt'
  | 'gust_kt'
  | 'oat_c'
  | 'dew_point_c'
  | 'qnh_hpa'
  | 'height_ft'
  | 'course_deg'
  | 'elevation_ft'

interface NumberSpec {
  key: NumberKey
  label: string
  unit: string
  low: number
  high: number
  step?: number
  optional?: boolean
}

const NUMBERS: NumberSpec[] = [
  { key: 'wind_from_deg', label: 'Wind from', unit: '° true', low: 0, high: 360, step: 10, optional: true },
  { key: 'wind_kt', label: 'Wind', unit: 'kt', low: 0, high: 60, optional: true },
  { key: 'gust_kt', label: 'Gust', unit: 'kt', low: 0, high: 80, optional: true },
  { key: 'oat_c', label: 'Air', unit: '°C', low: -45, high: 55 },
  { key: 'dew_point_c', label: 'Dew point', unit: '°C', low: -60, high: 40, optional: true },
  { key: 'qnh_hpa', label: 'QNH', unit: 'hPa', low: 900, high: 1080 },
  { key: 'height_ft', label: 'Entry height', unit: 'ft', low: 50, high: 10000, step: 100 },
  { key: 'course_deg', label: 'Final course', unit: '° true', low: 0, high: 360, step: 10, optional: true },
  { key: 'elevation_ft', label: 'Elevation', unit: 'ft', low: -1500, high: 14000, step: 10 },
]

const HOUSE_CHOICES: { name: string; label: string; options: Record<string, string> }[] = [
  { name: 'entry', label: 'Entry from', options: { cruise: 'Cruise', standard: 'Standard' } },
  {
    name: 'glide_speed',
    label: 'Glide speed',
    options: { house: 'House', minimum_sink: 'Minimum sink', fast: 'Fast' },
  },
  { name: 'ending', label: 'Ends with', options: { power_recovery: 'Power recovery', touchdown: 'Touchdown' } },
]

const STANDARDS = { early: 'Early', solo: 'Solo', test: 'Test', instructor: 'Instructor' }

/** The day and the load in one strip: everything that the plan depends on. */
export function DayStrip({ sortie, set, errors, aircraftId }: Props) {
  const locked = !sortie.may_edit
  const fleet = useAircraft()
  const aircraft = Object.fromEntries(
    (fleet.data ?? [sortie.aircraft]).map((row) => [row.id, `${row.mark}${row.look_at_it ? ' (!)' : ''}`]),
  )
  return (
    <section aria-label="Day and load" className="no-print mt-2 grid grid-cols-9 gap-x-2 gap-y-1.5 max-lg:grid-cols-4">
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
        onChange={(who) => set({ people_aboard: who as Sortie['people_aboard'] })}
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
          value={sortie[key]}
          disabled={locked}
          error={errors[key] ?? (key === 'wind_from_deg' ? errors.wind : undefined)}
          onChange={(value) => (value !== null || spec.optional) && set({ [key]: value })}
        />
      ))}
      {HOUSE_CHOICES.map(({ name, label, options }) => (
        <Choice
          key={name}
          label={label}
          value={String(sortie.house[name] ?? sortie.effective_house[name] ?? '')}
          options={options}
          locked={locked}
          onChange={(value) => set({ house: { ...sortie.house, [name]: value } })}
        />
      ))}
      <Choice
        label="Standard"
        value={sortie.stage}
        options={STANDARDS}
        locked={locked}
        onChange={(stage) => set({ stage: stage as Sortie['stage'] })}
      />
      <label className="grid gap-0.5">
        <span className="label">Spot</span>
        <input
          className="field"
          disabled={locked}
          defaultValue={sortie.spot_name}
          onBlur={(e) => e.target.value && e.target.value !== sortie.spot_name && set({ spot_name: e.target.value })}
        />
      </label>
    </section>
  )
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
    <select className="field" disabled={locked} value={value} onChange={(e) => onChange(e.target.value)}>
      {Object.entries(options).map(([id, word]) => (
        <option key={id} value={id}>
          {word}
        </option>
      ))}
    </select>
  </label>
)
