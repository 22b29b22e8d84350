import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { api, unwrap, type Schemas } from '../../api/client'
import { Field, fieldErrors, Refused } from '../../design/Field'
import { UnitFields } from '../../design/UnitFields'

type School = Schemas['School']

/** The school's own name, clock, mark and words; what is kept of those who left, and why. */
export function OwnWords() {
  const school = useQuery({ queryKey: ['school'], queryFn: () => unwrap(api.GET('/api/school')) })
  if (!school.data) return null
  return (
    <>
      <NameForm key={school.dataUpdatedAt} school={school.data} />
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

function NameForm({ school }: { school: School }) {
  const change = useSchoolChange(
    (body: {
      name: string
      time_zone: string
      print_words: string | null
      keep_left_days: number
      units: Record<string, string>
    }) => unwrap(api.PUT('/api/school', { body })),
  )
  const [name, setName] = useState(school.name)
  const [zone, setZone] = useState(school.time_zone)
  const [words, setWords] = useState(school.print_words ?? '')
  const [days, setDays] = useState(String(school.keep_left_days))
  const [units, setUnits] = useState(school.units)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    change.mutate({ name, time_zone: zone, print_words: words || null, keep_left_days: Number(days), units })
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <h2 className="m-0 text-lg font-semibold">{t`The school’s own`}</h2>
      <Field label={t`Name`} required value={name} onText={setName} />
      <Field label={t`Time zone`} required value={zone} error={fieldErrors(change.error).time_zone} onText={setZone} />
      <Field label={t`Words at the foot of what is printed`} maxLength={200} value={words} onText={setWords} />
      <Field
        label={t`Days that what may go is kept of those who left`}
        type="number"
        min={30}
        max={7300}
        required
        value={days}
        onText={setDays}
      />
      <fieldset className="m-0 grid grid-cols-2 gap-3 border border-rule p-3">
        <legend className="label px-1">{t`Units of whoever has not chosen their own`}</legend>
        <UnitFields units={units} put={(changed) => setUnits((before) => ({ ...before, ...changed }))} />
      </fieldset>
      <Refused error={change.error} fields={['time_zone']} />
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
