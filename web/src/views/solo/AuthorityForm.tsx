import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useAircraft, useCatalogue, usePlaces } from '../../api/queries'
import { useGiveSolo, type Solo } from '../../api/school'
import { Field, fieldErrors, Refused } from '../../design/Field'
import { dayAfter, dateIn } from '../../design/times'

/** On the careful side: every number is the instructor's to set. */
const USUAL = { wind_kt: '12', gust_kt: '15', crosswind_kt: '6', visibility_m: '8000', cloud_base_ft: '1500' }
const LIMITS: { name: keyof typeof USUAL; label: string }[] = [
  { name: 'wind_kt', label: t`Wind up to, kt` },
  { name: 'gust_kt', label: t`Gusts up to, kt` },
  { name: 'crosswind_kt', label: t`Crosswind up to, kt` },
  { name: 'visibility_m', label: t`Visibility at least, m` },
  { name: 'cloud_base_ft', label: t`Cloud base at least, ft` },
]

/** What a student may fly alone, signed as a link of the school's chain. */
export function AuthorityForm({ student, solo, close }: { student: string; solo: Solo; close: () => void }) {
  const give = useGiveSolo(student)
  const catalogue = useCatalogue()
  const places = usePlaces()
  const aircraft = useAircraft()
  const today = dateIn(new Date().toISOString())
  const [numbers, setNumbers] = useState(USUAL)
  const [exercises, setExercises] = useState<string[]>([])
  const [where, setWhere] = useState<string[]>([])
  const [which, setWhich] = useState<string[]>([])
  const [daylight, setDaylight] = useState(true)
  const [from, setFrom] = useState(today)
  const [until, setUntil] = useState(dayAfter(today, 30))
  const [despite, setDespite] = useState('')
  const missing = solo.conditions.filter(({ met }) => !met)
  const errors = fieldErrors(give.error)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    give.mutate(
      {
        exercises,
        places: where,
        aircraft_ids: which,
        wind_kt: Number(numbers.wind_kt),
        gust_kt: Number(numbers.gust_kt),
        crosswind_kt: Number(numbers.crosswind_kt),
        visibility_m: Number(numbers.visibility_m),
        cloud_base_ft: Number(numbers.cloud_base_ft),
        daylight_only: daylight,
        from,
        until,
        remark: null,
        despite: despite || null,
      },
      { onSuccess: close },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-4">
      <Choices
        legend={t`Exercises`}
        error={errors.exercises}
        all={(catalogue.data?.manoeuvres ?? [])
          .filter(({ kinds }) => kinds.includes(solo.kind as never))
          .map(({ id, title }) => ({ id, word: title }))}
        chosen={exercises}
        choose={setExercises}
      />
      <Choices
        legend={t`Places`}
        error={errors.places}
        all={(places.data ?? [])
          .filter(({ kind }) => kind !== 'obstacle')
          .map(({ name }) => ({ id: name, word: name }))}
        chosen={where}
        choose={setWhere}
      />
      <Choices
        legend={t`Aircraft`}
        error={errors.aircraft_ids}
        all={(aircraft.data ?? []).filter(({ kind }) => kind === solo.kind).map(({ id, mark }) => ({ id, word: mark }))}
        chosen={which}
        choose={setWhich}
      />
      <div className="grid gap-3 sm:grid-cols-3">
        {LIMITS.map(({ name, label }) => (
          <Field
            key={name}
            label={label}
            type="number"
            required
            value={numbers[name]}
            error={errors[name]}
            onText={(text) => setNumbers((now) => ({ ...now, [name]: text }))}
          />
        ))}
        <Field label={t`From`} type="date" required value={from} onText={setFrom} />
        <Field
          label={t`Until, at most 90 days`}
          type="date"
          required
          value={until}
          error={errors.until}
          onText={setUntil}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" checked={daylight} onChange={(event) => setDaylight(event.target.checked)} />
          {t`By daylight only`}
        </label>
      </div>
      {missing.length > 0 && (
        <div className="limit-note grid gap-2 p-3">
          <p className="m-0">
            <b>{t`Not everything is there:`}</b> {missing.map(({ text }) => text).join('; ')}.
          </p>
          <Field
            label={t`Given all the same, because (it is signed)`}
            required
            minLength={3}
            value={despite}
            onText={setDespite}
          />
        </div>
      )}
      <p className="label m-0">
        {t`It allows what is written here and nothing else, and replaces no licence, medical or authority that the law asks for.`}
      </p>
      <Refused
        error={give.error}
        fields={['exercises', 'places', 'aircraft_ids', 'until', ...LIMITS.map(({ name }) => name)]}
      />
      <div className="flex gap-3">
        <button type="submit" className="button solid" disabled={give.isPending}>
          {t`Sign it`}
        </button>
        <button type="button" className="button" onClick={close}>
          {t`Cancel`}
        </button>
      </div>
    </form>
  )
}

interface ChoicesProps {
  legend: string
  error: string | undefined
  all: { id: string; word: string }[]
  chosen: string[]
  choose: (ids: string[]) => void
}

const Choices = ({ legend, error, all, chosen, choose }: ChoicesProps) => (
  <fieldset className="m-0 border border-rule p-2">
    <legend className="label px-1">{legend}</legend>
    <div className="flex max-h-36 flex-wrap gap-x-4 overflow-auto">
      {all.map(({ id, word }) => (
        <label key={id} className="flex min-h-9 items-center gap-1.5">
          <input
            type="checkbox"
            checked={chosen.includes(id)}
            onChange={(event) => choose(event.target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))}
          />
          {word}
        </label>
      ))}
    </div>
    {error && (
      <span role="alert" className="text-sm font-semibold text-limit">
        {error}
      </span>
    )}
  </fieldset>
)
