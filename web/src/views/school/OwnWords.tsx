import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { api, unwrap, type Schemas } from '../../api/client'
import { changeSchool } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { UnitFields } from '../../design/UnitFields'
import { useBody } from '../../design/useBody'

type School = Schemas['School']

/** The school's own name, clock, mark and words; what is kept of those who left, and why. */
export function OwnWords() {
  const school = useQuery({ queryKey: ['school'], queryFn: () => unwrap(api.GET('/api/school')) })
  if (!school.data) return null
  return (
    <>
      <NameForm key={JSON.stringify(wordsOf(school.data))} school={school.data} />
      <Logo school={school.data} />
      <Kept school={school.data} />
    </>
  )
}

function useSchoolChange<T>(change: (body: T) => Promise<School>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: change,
    onSuccess: (school) => {
      queries.setQueryData(['school'], school)
      for (const key of ['session', 'audit']) void queries.invalidateQueries({ queryKey: [key] })
      toast(t`Stored.`)
    },
  })
}

/** What the form is about, and nothing else: another mark on what is printed leaves alone what is typed. */
const wordsOf = (school: School) => ({
  name: school.name,
  time_zone: school.time_zone,
  print_words: school.print_words ?? '',
  keep_left_days: String(school.keep_left_days),
  units: school.units,
})

function NameForm({ school }: { school: School }) {
  const change = useSchoolChange(
    (body: {
      name: string
      time_zone: string
      print_words: string | null
      keep_left_days: number
      units?: Record<string, string>
    }) => unwrap(api.PUT('/api/school', { body })),
  )
  const { values, form, field, put, refused } = useBody(changeSchool, {
    start: wordsOf(school),
    error: change.error,
  })
  return (
    <form {...form((body) => change.mutate(body))} className="grid gap-3">
      <h2 className="m-0 text-lg font-semibold">{t`The school’s own`}</h2>
      <Field label={t`Name`} {...field('name')} />
      <Field label={t`Time zone`} {...field('time_zone')} />
      <Field label={t`Words at the foot of what is printed`} {...field('print_words')} />
      <Field label={t`Days that what may go is kept of those who left`} {...field('keep_left_days')} />
      <fieldset className="m-0 grid grid-cols-2 gap-3 border border-rule p-3">
        <legend className="label px-1">{t`Units of whoever has not chosen their own`}</legend>
        <UnitFields units={values.units} put={(changed) => put('units', { ...values.units, ...changed })} />
      </fieldset>
      <Refused {...refused()} />
      <button type="submit" className="button justify-self-start" disabled={change.isPending}>
        {t`Store`}
      </button>
    </form>
  )
}

function Logo({ school }: { school: School }) {
  const set = useSchoolChange((image: string) => unwrap(api.PUT('/api/school/logo', { body: { image } })))
  const drop = useSchoolChange(() => unwrap(api.DELETE('/api/school/logo')))
  const read = async (file: File | undefined) => {
    if (!file) return
    const bytes = new Uint8Array(await file.arrayBuffer())
    set.mutate(btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join('')))
  }
  return (
    <div className="grid gap-2">
      <label className="grid gap-1">
        <span className="label">{t`Mark on what is printed, PNG or JPEG, at most 200 kB`}</span>
        <input type="file" accept="image/png,image/jpeg" onChange={(event) => void read(event.target.files?.[0])} />
      </label>
      {school.logo && (
        <div className="flex items-center gap-3">
          <img src={school.logo} alt={t`The school’s mark`} className="max-h-12 bg-white p-1" />
          <button type="button" className="button" onClick={() => drop.mutate(undefined)}>
            {t`Without it`}
          </button>
        </div>
      )}
      <Refused error={set.error ?? drop.error} />
    </div>
  )
}

const Kept = ({ school }: { school: School }) => (
  <section aria-labelledby="kept">
    <h2 id="kept" className="m-0 text-lg font-semibold">
      {t`What is kept of somebody who left`}
    </h2>
    <dl className="m-0 mt-2">
      {school.kept.map(({ what, goes, why }) => (
        <div key={what} className="border-t border-rule py-2">
          <dt className="font-semibold">
            {goes ? t`Goes` : t`Stays`}: {what}
          </dt>
          <dd className="m-0 text-soft">{why}</dd>
        </div>
      ))}
    </dl>
    {school.long_gone.length > 0 && (
      <p className="limit-note m-0 p-2">
        <Trans>
          Left longer ago than that:{' '}
          {school.long_gone.map(({ id, name }) => (
            <Link key={id} to={`/people/${id}`} className="mr-3">
              {name}
            </Link>
          ))}
        </Trans>
      </p>
    )}
  </section>
)
