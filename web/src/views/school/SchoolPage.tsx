import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMutation } from '@tanstack/react-query'
import { toast } from 'sonner'
import { api, unwrap, type Session } from '../../api/client'
import { MoreRows } from '../../design/MoreRows'
import { useAudit, useDocumentKinds } from '../../api/people'
import { useBookingRules, useSetBookingRules, type BookingRules } from '../../api/school'
import { setBookingRules, throwDemoAway } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { Failed, Loading } from '../../design/States'
import { useBody } from '../../design/useBody'
import { capital } from '../../design/words'
import { History } from '../people/History'
import { HowItRuns } from './HowItRuns'
import { OwnWords } from './OwnWords'

type NumberRule = Exclude<keyof BookingRules, 'minima' | 'required'>
const NUMBERS: { name: NumberRule; label: string }[] = [
  { name: 'duty_max_h', label: t`Instructor’s day at most, h` },
  { name: 'rest_min_h', label: t`Rest between days at least, h` },
  { name: 'instructing_max_h', label: t`Instructing a day at most, h` },
  { name: 'turnaround_min', label: t`Between two flights of an aircraft, min` },
  { name: 'sunset_margin_min', label: t`Said when so near to sunset, min` },
  { name: 'shortest_min', label: t`Shortest booking, min` },
  { name: 'longest_h', label: t`Longest booking, h` },
]
const MINIMA = [
  { name: 'visibility_m', label: t`Visibility, m` },
  { name: 'cloud_base_ft', label: t`Cloud base, ft` },
] as const

/** Numbers as their fields show them. */
const textsOf = <N extends string>(numbers: Partial<Record<N, number>>, rows: readonly { name: N }[]) =>
  Object.fromEntries(rows.map(({ name }) => [name, String(numbers[name] ?? '')])) as Record<N, string>

/** What the school asks of bookings, and what was changed by whom. */
export function SchoolPage({ session }: { session: Session }) {
  const rules = useBookingRules()
  if (rules.isPending) return <Loading what={t`the rules`} />
  if (rules.isError) return <Failed error={rules.error} again={() => void rules.refetch()} />
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">{t`School`}</h1>
      <div className="mt-4 grid items-start gap-8 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <Rules key={JSON.stringify(rules.data)} rules={rules.data} />
        <div className="grid gap-8">
          <HowItRuns />
          <OwnWords />
          <Audit />
        </div>
      </div>
      {session.school?.demo && <ThrowAway name={session.school.name} />}
    </>
  )
}

/** The demo is one, and goes when it is not wanted any more. */
function ThrowAway({ name }: { name: string }) {
  const throwAway = useMutation({
    mutationFn: (typed: string) => unwrap(api.DELETE('/api/demo', { body: { name: typed } })),
    onSuccess: () => window.location.assign('/'),
  })
  const { values, form, field, refused } = useBody(throwDemoAway, { start: { name: '' }, error: throwAway.error })
  return (
    <form
      className="limit-note mt-8 grid max-w-2xl gap-3 p-4"
      aria-labelledby="throw-away"
      {...form((body) => throwAway.mutate(body.name))}
    >
      <h2 id="throw-away" className="m-0 text-lg font-semibold">
        {t`Throw the demo away`}
      </h2>
      <p className="m-0">
        <Trans>
          Everything in Fujin goes: people, lessons, recordings, sign-offs. There is no way back. Then a school of your
          own is set up on the first page; start with <code>bin/start --empty</code> from then on.
        </Trans>
      </p>
      <Field label={t`Type its name: ${name}`} {...field('name')} />
      <Refused {...refused()} />
      <button
        type="submit"
        className="button justify-self-start"
        disabled={values.name !== name || throwAway.isPending}
      >
        {t`Throw it away`}
      </button>
    </form>
  )
}

function Rules({ rules }: { rules: BookingRules }) {
  const set = useSetBookingRules()
  const kinds = useDocumentKinds()
  const { values, form, field, put, refused } = useBody(setBookingRules, {
    start: {
      ...textsOf(rules, NUMBERS),
      minima: Object.fromEntries(
        Object.entries(rules.minima ?? {}).map(([stage, least]) => [stage, textsOf(least, MINIMA)]),
      ),
      required: rules.required ?? [],
    },
    error: set.error,
  })
  const send = form((body) =>
    set.mutate(body, { onSuccess: () => toast(t`The rules are stored and hold from now on.`) }),
  )
  return (
    <form {...send} className="grid gap-4" aria-labelledby="rules">
      <div>
        <h2 id="rules" className="m-0 text-lg font-semibold">
          {t`What bookings are held to`}
        </h2>
        <p className="label m-0">{t`Duty, rest and minima are the authority’s and the operator’s to set: enter theirs.`}</p>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        {NUMBERS.map(({ name, label }) => (
          <Field key={name} label={label} {...field(name, { required: true })} />
        ))}
      </div>
      <fieldset className="m-0 grid gap-2 border border-rule p-3">
        <legend className="label px-1">{t`Weather minima by stage`}</legend>
        {Object.keys(values.minima).map((stage) => (
          <div key={stage} className="grid grid-cols-[6rem_1fr_1fr] items-end gap-3">
            <b className="pb-2">{capital(stage)}</b>
            {MINIMA.map(({ name, label }) => (
              <Field key={name} label={label} {...field(`minima.${stage}.${name}`, { required: true })} />
            ))}
          </div>
        ))}
      </fieldset>
      <fieldset className="m-0 border border-rule p-3">
        <legend className="label px-1">{t`Documents that must be on file`}</legend>
        <div className="flex flex-wrap gap-x-5">
          {(kinds.data ?? []).map(({ id, title }) => (
            <label key={id} className="flex min-h-11 items-center gap-1.5">
              <input
                type="checkbox"
                checked={values.required.includes(id)}
                onChange={(event) =>
                  put(
                    'required',
                    event.target.checked ? [...values.required, id] : values.required.filter((one) => one !== id),
                  )
                }
              />
              {title}
            </label>
          ))}
        </div>
      </fieldset>
      <Refused {...refused()} />
      <button type="submit" className="button solid justify-self-start" disabled={set.isPending}>
        {t`Store the rules`}
      </button>
    </form>
  )
}

function Audit() {
  const audit = useAudit()
  if (!audit.data) return null
  return (
    <div>
      <History entries={audit.data.pages.flatMap(({ items }) => items)} subjects />
      <MoreRows more={audit.hasNextPage} busy={audit.isFetchingNextPage} next={() => void audit.fetchNextPage()} />
    </div>
  )
}
