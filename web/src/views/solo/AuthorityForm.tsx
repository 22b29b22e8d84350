import { t } from '@lingui/core/macro'
import { useAircraft, useCatalogue, usePlaces } from '../../api/queries'
import { useGiveSolo, type Solo } from '../../api/school'
import { giveSolo } from '../../api/ranges.generated'
import { Field, Tick } from '../../design/Field'
import { FormEnd } from '../../design/FormEnd'
import { useBody } from '../../design/useBody'
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
  const { values, form, field, tick, put, refused, errorOf } = useBody(giveSolo, {
    start: {
      ...USUAL,
      exercises: [] as string[],
      places: [] as string[],
      aircraft_ids: [] as string[],
      daylight_only: true,
      from: today,
      until: dayAfter(today, 30),
      despite: '',
    },
    error: give.error,
  })
  const missing = solo.conditions.filter(({ met }) => !met)
  const several = (name: 'exercises' | 'places' | 'aircraft_ids') => ({
    chosen: values[name],
    choose: (ids: string[]) => put(name, ids),
    error: errorOf(name),
  })
  return (
    <form
      {...form((body) => give.mutate({ remark: null, ...body, despite: body.despite ?? null }, { onSuccess: close }))}
      className="grid gap-4"
    >
      <Choices
        legend={t`Exercises`}
        {...several('exercises')}
        all={(catalogue.data?.manoeuvres ?? [])
          .filter(({ kinds }) => kinds.includes(solo.kind as never))
          .map(({ id, title }) => ({ id, word: title }))}
      />
      <Choices
        legend={t`Places`}
        {...several('places')}
        all={(places.data ?? [])
          .filter(({ kind }) => kind !== 'obstacle')
          .map(({ name }) => ({ id: name, word: name }))}
      />
      <Choices
        legend={t`Aircraft`}
        {...several('aircraft_ids')}
        all={(aircraft.data ?? []).filter(({ kind }) => kind === solo.kind).map(({ id, mark }) => ({ id, word: mark }))}
      />
      <div className="grid gap-3 sm:grid-cols-3">
        {LIMITS.map(({ name, label }) => (
          <Field key={name} label={label} {...field(name)} />
        ))}
        <Field label={t`From`} {...field('from')} />
        <Field label={t`Until, at most 90 days`} {...field('until')} />
        <Tick label={t`By daylight only`} {...tick('daylight_only')} />
      </div>
      {missing.length > 0 && (
        <div className="limit-note grid gap-2 p-3">
          <p className="m-0">
            <b>{t`Not everything is there:`}</b> {missing.map(({ text }) => text).join('; ')}.
          </p>
          <Field label={t`Given all the same, because (it is signed)`} {...field('despite', { required: true })} />
        </div>
      )}
      <p className="label m-0">
        {t`It allows what is written here and nothing else, and replaces no licence, medical or authority that the law asks for.`}
      </p>
      <FormEnd refused={refused()} word={t`Sign it`} busy={give.isPending} close={close} />
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
        <label key={id} className="flex min-h-11 items-center gap-1.5">
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
