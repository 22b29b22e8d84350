import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Link } from 'react-router'
import { toast } from 'sonner'
import {
  useBeginSecondFactor,
  useChangeMe,
  useChangePassword,
  useEndSecondFactor,
  useEndSession,
  useMe,
  useProveSecondFactor,
  type Me,
} from '../../api/people'
import { useQueryClient } from '@tanstack/react-query'
import { changePassword, endSecondFactor, proveSecondFactor } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { useBody } from '../../design/useBody'
import { UnitFields } from '../../design/UnitFields'
import { Failed, Loading } from '../../design/States'
import { dateOf } from '../../design/times'
import { clockOf, fullDayOf } from '../../design/words'
import { CalendarLink } from './CalendarLink'
import { Documents } from './Documents'

/** What everybody does about themselves. */
export function MePage() {
  const me = useMe()
  if (me.isPending) return <Loading what={t`your page`} />
  if (me.isError) return <Failed error={me.error} again={() => void me.refetch()} />
  return (
    <>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{me.data.name}</h1>
      </header>
      <p className="mt-2 mb-0 flex flex-wrap gap-5 *:inline-flex *:min-h-11 *:items-center">
        <Link to={`/people/${me.data.id}/log`}>{t`My log`}</Link>
        <a href="/api/me/export">{t`Everything that is kept of me, as a file`}</a>
      </p>
      <div className="mt-4 grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
        <Units me={me.data} />
        <Password />
        <SecondFactor me={me.data} />
        <CalendarLink id={me.data.id} />
        <Sessions me={me.data} />
        <Documents person={me.data} staff={false} />
        <Views me={me.data} />
      </div>
    </>
  )
}

function Units({ me }: { me: Me }) {
  const change = useChangeMe()
  return (
    <section className="sheet grid grid-cols-1 gap-3 p-4" aria-labelledby="units">
      <h2 id="units" className="m-0 text-lg font-semibold">
        {t`How I read numbers`}
      </h2>
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        <UnitFields units={me.units} put={(units) => change.mutate({ units })} />
      </div>
      <p className="label m-0">
        {t`Speeds stay in knots, heights in feet, masses on printed sheets in kilograms. What is stored does not change.`}
      </p>
      <Refused error={change.error} />
    </section>
  )
}

function Password() {
  const change = useChangePassword()
  const { form, field, refused, reset } = useBody(changePassword, {
    start: { old: '', new: '' },
    error: change.error,
  })
  const send = form((body) =>
    change.mutate(body, {
      onSuccess: () => {
        reset()
        toast(t`The password is changed. Everywhere else you are signed out.`)
      },
    }),
  )
  return (
    <form {...send} className="sheet grid gap-3 p-4" aria-label={t`Password`}>
      <h2 className="m-0 text-lg font-semibold">{t`Password`}</h2>
      <Field label={t`The old one`} autoComplete="current-password" {...field('old')} type="password" />
      <Field label={t`The new one`} autoComplete="new-password" {...field('new')} type="password" />
      <Refused {...refused()} />
      <button type="submit" className="button" disabled={change.isPending}>
        {t`Change it`}
      </button>
    </form>
  )
}

/** Codes of an authenticator beside the password: begun, proved, ended. */
function SecondFactor({ me }: { me: Me }) {
  const queries = useQueryClient()
  const begin = useBeginSecondFactor()
  const prove = useProveSecondFactor()
  const end = useEndSecondFactor()
  const proof = useBody(proveSecondFactor, { start: { code: '' }, error: prove.error })
  const ending = useBody(endSecondFactor, { start: { password: '' }, error: end.error })
  if (prove.data) {
    return (
      <section className="sheet grid gap-3 p-4" aria-labelledby="second">
        <h2 id="second" className="m-0 text-lg font-semibold">
          {t`Write these down`}
        </h2>
        <p className="m-0">{t`Each lets you in once when the authenticator is lost. They are shown only now.`}</p>
        <ul className="figures m-0 grid list-none grid-cols-2 gap-1 p-0 text-lg font-semibold">
          {prove.data.codes.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
        <button
          type="button"
          className="button"
          onClick={() => {
            prove.reset()
            begin.reset()
            void queries.invalidateQueries({ queryKey: ['me'] })
          }}
        >
          {t`I have them`}
        </button>
      </section>
    )
  }
  return (
    <section className="sheet grid gap-3 p-4" aria-labelledby="second">
      <h2 id="second" className="m-0 text-lg font-semibold">
        {t`Second factor`}
      </h2>
      {me.second_factor ? (
        <form className="grid gap-3" {...ending.form(({ password }) => end.mutate(password))}>
          <p className="m-0">{t`Signing in asks for a code of your authenticator.`}</p>
          <Field label={t`Password, to end it`} {...ending.field('password')} type="password" />
          <button type="submit" className="button">
            {t`End it`}
          </button>
        </form>
      ) : begin.data ? (
        <form className="grid gap-3" {...proof.form(({ code }) => prove.mutate(code))}>
          <p className="m-0">{t`Read this with an authenticator, or type its secret, then type the code that it shows.`}</p>
          <img
            alt={t`The secret, for an authenticator to read`}
            className="w-48 bg-white p-2"
            src={`data:image/svg+xml;base64,${btoa(begin.data.picture)}`}
          />
          <code className="text-sm break-all">{begin.data.secret}</code>
          <Field label={t`Code`} inputMode="numeric" {...proof.field('code')} />
          <button type="submit" className="button solid">
            {t`Prove it`}
          </button>
        </form>
      ) : (
        <>
          <p className="m-0">{t`With it nobody comes in by your password alone. Whoever signs off should have one.`}</p>
          <button type="button" className="button" onClick={() => begin.mutate()}>
            {t`Set it up`}
          </button>
        </>
      )}
      <Refused error={begin.error ?? prove.error ?? end.error} fields={['code', 'password']} />
    </section>
  )
}

function Sessions({ me }: { me: Me }) {
  const end = useEndSession()
  return (
    <section className="sheet grid gap-2 p-4" aria-labelledby="sessions">
      <h2 id="sessions" className="m-0 text-lg font-semibold">
        {t`Where I am signed in`}
      </h2>
      {me.failed.length > 0 && (
        <p className="m-0">
          <Trans>
            <b>{plural(me.failed.length, { one: '# try that failed', other: '# tries that failed' })}</b>, the last{' '}
            {fullDayOf(me.failed[0]?.at ?? '')} {clockOf(me.failed[0]?.at ?? '')} from {me.failed[0]?.address}. Was it
            not you: change the password, and set up a second factor.
          </Trans>
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {me.sessions.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-3 border-t border-rule py-2">
            <span className="min-w-0">
              <Trans>
                {one.this_one ? <b>{t`Here`}</b> : (one.address ?? t`somewhere`)}, since {fullDayOf(one.began_at)}{' '}
                {clockOf(one.began_at)}
                <span className="label block truncate">{one.device}</span>
              </Trans>
            </span>
            {!one.this_one && (
              <button type="button" className="button" onClick={() => end.mutate(one.id)}>
                {t`End`}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

const Views = ({ me }: { me: Me }) =>
  me.views.length === 0 ? null : (
    <section className="sheet grid gap-2 p-4" aria-labelledby="views">
      <h2 id="views" className="m-0 text-lg font-semibold">
        {t`Who looked at my record`}
      </h2>
      <ul className="m-0 list-none p-0">
        {me.views.map(({ viewer, on_day: day, times }) => (
          <li key={viewer + day}>
            {viewer}, {dateOf(day)}
            {times > 1 ? t`, ${times} times` : ''}
          </li>
        ))}
      </ul>
    </section>
  )
