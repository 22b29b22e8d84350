import { t } from '@lingui/core/macro'
import { useMemo, useState } from 'react'
import ranges from '../../../../core/data/ranges.json'
import { changeSortie } from '../../api/ranges.generated'
import type { Plan, Planned, SortieChange } from '../../api/client'
import { useAircraft } from '../../api/queries'
import { capital, figure, unitWord } from '../../design/words'
import { CountsToday } from './CountsToday'
import { CourseField } from './CourseField'
import { NumberField } from './NumberField'
import { Was } from './Was'
import { PlaceFields } from './PlaceFields'
import { PlannedHow } from './PlannedHow'
import { choicesOf, Pick } from '../../design/Pick'
import { useKeys } from '../../design/useKeys'
import { dayWords, windWords } from './dayWords'

interface Props {
  sortie: Planned
  /** As it stood when the view was opened: what differs from it is marked. */
  opened: Planned
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
  { key: 'wind_from_deg', label: t`Wind from`, unit: '° true', step: 10, optional: true },
  { key: 'wind_kt', label: t`Wind`, unit: 'kt', optional: true },
  { key: 'gust_kt', label: t`Gust`, unit: 'kt', optional: true },
  { key: 'oat_c', label: t`Air`, unit: '°C' },
  { key: 'dew_point_c', label: t`Dew point`, unit: '°C', optional: true },
  { key: 'qnh_hpa', label: t`QNH`, unit: 'hPa' },
  { key: 'height_ft', label: t`Entry height`, unit: 'ft', step: 100, optional: true },
  { key: 'elevation_ft', label: t`Elevation`, unit: 'ft', step: 10 },
]

const STANDARDS = { early: t`Early`, solo: t`Solo`, test: t`Test`, instructor: t`Instructor` }

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
  useKeys(useMemo(() => [{ key: 'd', does: t`Open or close the day`, run: () => setAsked(!open) }], [open]))
  return (
    <section aria-label={t`Day and load`} className="no-print mt-1">
      <div className="flex items-center justify-between gap-x-4 gap-y-2 max-sm:flex-wrap">
        <p className="figures m-0 text-lg leading-snug">
          {wind === undefined && <b className="limit-note px-1.5">{t`Wind not given`}</b>}{' '}
          {dayWords(sortie, plan).join('; ')}
        </p>
        <button
          type="button"
          className="button shrink-0"
          aria-expanded={open}
          disabled={wrong}
          onClick={() => setAsked(!open)}
        >
          {open ? t`Close the day` : sortie.may_edit ? t`Change the day` : t`The whole day`}
        </button>
      </div>
      {open && <DayFields {...props} />}
    </section>
  )
}

function DayFields({ sortie, opened, plan, set, errors, aircraftId }: Props) {
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
        label={t`Aircraft`}
        value={aircraftId ?? sortie.aircraft.id}
        was={opened.aircraft.id}
        options={aircraft}
        locked={locked}
        onChange={(id) => set({ aircraft_id: id })}
      />
      <Choice
        label={t`Aboard`}
        value={sortie.people_aboard}
        was={opened.people_aboard}
        options={{ dual: t`Dual`, solo: t`Solo` }}
        locked={locked}
        onChange={(who) => set({ people_aboard: who as Planned['people_aboard'] })}
      />
      <NumberField
        label={t`Fuel`}
        unit="kg"
        value={sortie.fuel_kg}
        was={opened.fuel_kg}
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
          was={opened[key]}
          placeholder={key === 'height_ft' ? planned(plan, 'entry_height_ft') : undefined}
          disabled={locked}
          error={errors[key] ?? (key === 'wind_from_deg' ? errors.wind : undefined)}
          onChange={(value) => (value !== null || spec.optional) && set({ [key]: value })}
        />
      ))}
      {sortie.house_settings.slice(0, SHOWN).map((row) => (
        <HouseChoice key={row.name} row={row} sortie={sortie} opened={opened} set={set} />
      ))}
      {sortie.manoeuvre_settings.map((setting) => (
        <Setting
          key={setting.name}
          setting={setting}
          plan={plan}
          sortie={sortie}
          opened={opened}
          set={set}
          error={errors[setting.name]}
        />
      ))}
      <Choice
        label={t`Standard`}
        value={sortie.stage}
        was={opened.stage}
        options={STANDARDS}
        locked={locked}
        onChange={(stage) => set({ stage: stage as Planned['stage'] })}
      />
      <CourseField sortie={sortie} was={opened.course_deg ?? null} set={set} error={errors.course_deg} />
      <PlaceFields sortie={sortie} set={set} errors={errors} />
      <NumberField
        label={t`Attempts`}
        unit="planned"
        value={sortie.planned_count ?? null}
        was={opened.planned_count ?? null}
        low={changeSortie.planned_count.minimum}
        high={changeSortie.planned_count.maximum}
        optional
        disabled={locked}
        onChange={(count) => set({ planned_count: count })}
      />
      <label className="col-span-3 grid gap-0.5">
        <span className="label">{t`Objective today`}</span>
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
          <summary className="label min-h-11 cursor-pointer py-2.5">
            {t`Method for this exercise: ${sortie.house_settings
              .slice(SHOWN)
              .map(({ name, short }) => `${short} ${chosen(sortie, name)}`.toLowerCase().replaceAll('_', ' '))
              .join(', ')}`}
          </summary>
          <div className="grid grid-cols-9 gap-x-2 gap-y-1.5 max-lg:grid-cols-4">
            {sortie.house_settings.slice(SHOWN).map((row) => (
              <HouseChoice key={row.name} row={row} sortie={sortie} opened={opened} set={set} />
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
  opened: Planned
  set: (fields: SortieChange) => void
}

const HouseChoice = ({ row: { name, short, choices }, sortie, opened, set }: HouseChoiceProps) => (
  <Choice
    label={short}
    value={chosen(sortie, name)}
    was={chosen(opened, name)}
    options={Object.fromEntries(choices.map((choice) => [choice, capital(choice)]))}
    locked={!sortie.may_edit}
    onChange={(value) => set({ house: { ...sortie.house, [name]: value } })}
  />
)

interface SettingProps {
  setting: Planned['manoeuvre_settings'][number]
  plan: Plan | undefined
  sortie: Planned
  opened: Planned
  set: (fields: SortieChange) => void
  error: string | undefined
}

/** One of the exercise's own settings: a number in its range, or a choice. Empty is the manoeuvre's own. */
function Setting({ setting, plan, sortie, opened, set, error }: SettingProps) {
  const value = sortie.settings[setting.name] ?? setting.default ?? null
  const was = opened.settings[setting.name] ?? setting.default ?? null
  const change = (next: string | number | null) => set({ settings: { ...sortie.settings, [setting.name]: next } })
  if (setting.choices.length > 0) {
    return (
      <Choice
        label={setting.label}
        value={String(value)}
        was={String(was)}
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
      was={typeof was === 'number' ? was : null}
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
  was: string
  options: Record<string, string>
  locked: boolean
  onChange: (value: string) => void
}

const Choice = ({ label, value, was, options, locked, onChange }: ChoiceProps) => (
  <label className="grid content-start gap-0.5">
    <span className="label">
      {label} {value !== was && <Was text={options[was] ?? was} />}
    </span>
    <Pick disabled={locked} value={value} choices={choicesOf(options)} onChange={onChange} />
  </label>
)
