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

/** The day and the load in one strip: everything that the plan depends on. */
export function DayStrip({ sortie, set, errors, aircraftId }: Props) {
  const locked = !sortie.may_edit
  const fleet = useAircraft()
  const house = sortie.effective_house
  const setHouse = (name: string, value: string) => set({ house: { ...sortie.house, [name]: value } })
  const choice = (name: string) => String(sortie.house[name] ?? house[name] ?? '')
  return (
    <section aria-label="Day and load" className="no-print mt-2 grid grid-cols-9 gap-x-2 gap-y-1.5 max-lg:grid-cols-4">
      <label className="grid gap-0.5">
        <span className="label">Aircraft</span>
        <select
          className="field"
          disabled={locked}
          value={aircraftId ?? sortie.aircraft.id}
          onChange={(e) => set({ aircraft_id: e.target.value })}
        >
          {(fleet.data ?? [sortie.aircraft]).map((row) => (
            <option key={row.id} value={row.id}>
              {row.mark}
              {row.look_at_it ? ' ⚑' : ''}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-0.5">
        <span className="label">Aboard</span>
        <select
          className="field"
          disabled={locked}
          value={sortie.people_aboard}
          onChange={(e) => set({ people_aboard: e.target.value as 'dual' | 'solo' })}
        >
          <option value="dual">Dual</option>
          <option value="solo">Solo</option>
        </select>
      </label>
      <NumberField
        label="Fuel"
        unit="kg"
        value={sortie.fuel_kg}
        low={0}
        high={sortie.aircraft.fuel_full_kg ?? 300}
        disabled={locked}
        error={errors.fuel_kg}
        onChange={(v) => set({ fuel_kg: v ?? 0 })}
      />
      <NumberField
        label="Wind from"
        unit="° true"
        value={sortie.wind_from_deg}
        low={0}
        high={360}
        step={10}
        optional
        disabled={locked}
        error={errors.wind}
        onChange={(v) => set({ wind_from_deg: v })}
      />
      <NumberField
        label="Wind"
        unit="kt"
        value={sortie.wind_kt}
        low={0}
        high={60}
        optional
        disabled={locked}
        onChange={(v) => set({ wind_kt: v })}
      />
      <NumberField
        label="Gust"
        unit="kt"
        value={sortie.gust_kt}
        low={0}
        high={80}
        optional
        disabled={locked}
        error={errors.gust_kt}
        onChange={(v) => set({ gust_kt: v })}
      />
      <NumberField
        label="Air"
        unit="°C"
        value={sortie.oat_c}
        low={-45}
        high={55}
        disabled={locked}
        error={errors.oat_c}
        onChange={(v) => v !== null && set({ oat_c: v })}
      />
      <NumberField
        label="Dew point"
        unit="°C"
        value={sortie.dew_point_c}
        low={-60}
        high={40}
        optional
        disabled={locked}
        onChange={(v) => set({ dew_point_c: v })}
      />
      <NumberField
        label="QNH"
        unit="hPa"
        value={sortie.qnh_hpa}
        low={900}
        high={1080}
        disabled={locked}
        error={errors.qnh_hpa}
        onChange={(v) => v !== null && set({ qnh_hpa: v })}
      />
      <NumberField
        label="Entry height"
        unit="ft"
        value={sortie.height_ft}
        low={50}
        high={10000}
        step={100}
        disabled={locked}
        error={errors.height_ft}
        onChange={(v) => v !== null && set({ height_ft: v })}
      />
      <NumberField
        label="Final course"
        unit="° true"
        value={sortie.course_deg}
        low={0}
        high={360}
        step={10}
        optional
        disabled={locked}
        onChange={(v) => set({ course_deg: v })}
      />
      <NumberField
        label="Elevation"
        unit="ft"
        value={sortie.elevation_ft}
        low={-1500}
        high={14000}
        step={10}
        disabled={locked}
        onChange={(v) => v !== null && set({ elevation_ft: v })}
      />
      <Choice
        label="Entry from"
        value={choice('entry')}
        options={{ cruise: 'Cruise', standard: 'Standard' }}
        locked={locked}
        onChange={(v) => setHouse('entry', v)}
      />
      <Choice
        label="Glide speed"
        value={choice('glide_speed')}
        options={{ house: 'House', minimum_sink: 'Minimum sink', fast: 'Fast' }}
        locked={locked}
        onChange={(v) => setHouse('glide_speed', v)}
      />
      <Choice
        label="Ends with"
        value={choice('ending')}
        options={{ power_recovery: 'Power recovery', touchdown: 'Touchdown' }}
        locked={locked}
        onChange={(v) => setHouse('ending', v)}
      />
      <Choice
        label="Standard"
        value={sortie.stage}
        options={{ early: 'Early', solo: 'Solo', test: 'Test', instructor: 'Instructor' }}
        locked={locked}
        onChange={(v) => set({ stage: v as Sortie['stage'] })}
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
