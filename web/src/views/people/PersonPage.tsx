import { t } from '@lingui/core/macro'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import type { Session } from '../../api/client'
import {
  useChangePerson,
  useEndSecondFactorOf,
  useForget,
  useInvite,
  usePerson,
  usePutState,
  type Person,
} from '../../api/people'
import { changePerson } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { ReasonForm } from '../../design/ReasonForm'
import { Failed, Loading } from '../../design/States'
import { useBody } from '../../design/useBody'
import { capital } from '../../design/words'
import { Documents } from './Documents'
import { History } from './History'
import { learns, ROLES, STAGES } from './personWords'

/** One person: who they are here, their documents, how they come in, what was changed. */
export function PersonPage({ session }: { session: Session }) {
  const { id = '' } = useParams()
  const answer = usePerson(id)
  const chief = session.person?.role === 'chief_instructor'
  if (answer.isPending) return <Loading what={t`this person`} />
  if (answer.isError) return <Failed error={answer.error} again={() => void answer.refetch()} />
  const { person, version } = answer.data
  return (
    <>
      <header className="flex flex-wrap items-baseline justify-between gap-4 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{person.name}</h1>
        <span className="text-soft">
          {capital(person.role)}
          {person.stage ? t`, ${person.stage} stage` : ''} · {person.state}
        </span>
      </header>
      <p className="mt-2 mb-0 flex gap-5 *:inline-flex *:min-h-11 *:items-center">
        {learns(person.role) && <Link to={`/students/${person.id}`}>{t`Record`}</Link>}
        <Link to={`/people/${person.id}/log`}>{t`Log`}</Link>
      </p>
      <div className="mt-4 grid gap-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="grid content-start gap-6">
          <Documents person={person} staff />
          {chief && person.history && <History entries={person.history} />}
        </div>
        {chief && (
          <div className="grid content-start gap-4">
            <Invite person={person} />
            <ChangeForm key={version} person={person} version={version} />
            {person.id !== session.person?.id && <StateForm person={person} />}
          </div>
        )}
      </div>
    </>
  )
}

function Invite({ person }: { person: Person }) {
  const invite = useInvite(person.id)
  if (person.state !== 'invited' && person.state !== 'active') return null
  return (
    <section className="sheet grid gap-3 p-4" aria-labelledby="invite">
      <h2 id="invite" className="m-0 text-lg font-semibold">
        {person.state === 'invited' ? t`Not come in yet` : t`Password forgotten?`}
      </h2>
      {invite.data ? (
        <>
          <p className="m-0">
            {t`${invite.data.mailed_to ? t`A letter went to ${invite.data.mailed_to}. ` : ''}The link works once, for 7 days, and is shown only now:`}
          </p>
          <input
            className="field h-11"
            readOnly
            aria-label={t`Link`}
            value={invite.data.link}
            onFocus={(e) => e.target.select()}
          />
        </>
      ) : (
        <button
          type="button"
          className={person.state === 'invited' ? 'button solid' : 'button'}
          disabled={invite.isPending}
          onClick={() => invite.mutate(undefined)}
        >
          {person.state === 'invited' ? t`Invite` : t`Send a new link`}
        </button>
      )}
      <Refused error={invite.error} />
    </section>
  )
}

function ChangeForm({ person, version }: { person: Person; version: string }) {
  const change = useChangePerson(person.id, version)
  const { values, form, field, pick, refused } = useBody(changePerson, {
    start: {
      name: person.name,
      role: person.role,
      stage: person.stage ?? 'early',
      mass_kg: String(person.mass_kg),
      email: person.email ?? '',
      why: '',
    },
    error: change.error,
  })
  const grave = values.role !== person.role || (learns(values.role) && values.stage !== (person.stage ?? 'early'))
  const send = form(({ role, stage, why, ...rest }) =>
    change.mutate(
      { ...rest, ...(grave ? { role, why, ...(learns(values.role) ? { stage } : {}) } : {}) },
      { onSuccess: () => toast(t`Stored.`) },
    ),
  )
  return (
    <form {...send} className="sheet grid gap-3 p-4">
      <Field label={t`Name`} {...field('name', { required: true })} />
      <PickField label={t`Role`} choices={ROLES} {...pick('role')} />
      {learns(values.role) && <PickField label={t`Stage`} choices={STAGES} {...pick('stage')} />}
      {grave && <Field label={t`Why role or stage is changed`} {...field('why', { required: true })} />}
      <Field label={t`Mass, kg`} {...field('mass_kg', { required: true })} />
      <Field label={t`Mail address`} {...field('email')} type="email" />
      <Refused {...refused()} />
      <button type="submit" className="button" disabled={change.isPending}>
        {t`Store`}
      </button>
    </form>
  )
}

const STATES = [
  {
    state: 'suspended',
    act: t`Suspend`,
    says: t`Sign-in ends at once; nothing can be booked. Everything recorded stays.`,
  },
  { state: 'left', act: t`Has left`, says: t`Sign-in ends at once and the name leaves the lists. The record stays.` },
  { state: 'active', act: t`Back again`, says: t`May sign in and be booked again.` },
] as const

function StateForm({ person }: { person: Person }) {
  const put = usePutState(person.id)
  const forget = useForget(person.id)
  const endFactor = useEndSecondFactorOf(person.id)
  const away = person.state === 'suspended' || person.state === 'left'
  return (
    <section className="sheet grid gap-3 p-4" aria-label={t`Access`}>
      {STATES.filter(({ state }) => (state === 'active') === away).map(({ state, act, says }) => (
        <div key={state}>
          <p className="label m-0 mb-1">{says}</p>
          <ReasonForm
            ask={t`Why: ${act.toLowerCase()}`}
            act={act}
            close
            onReason={(why) => put.mutate({ state, why })}
          />
        </div>
      ))}
      {person.second_factor && (
        <div>
          <p className="label m-0 mb-1">{t`The authenticator is lost, and the codes on paper too.`}</p>
          <ReasonForm
            ask={t`How you know that it is them`}
            act={t`End the second factor`}
            close
            onReason={(why) => endFactor.mutate(why)}
          />
        </div>
      )}
      {person.state === 'left' && !person.forgotten_on && (
        <div>
          <p className="label m-0 mb-1">
            {t`Mail address, documents, sessions, calendar and times away go for good; lessons, grades and what was signed stay.`}
          </p>
          <ReasonForm ask={t`Why: who asked for it`} act={t`Forget`} close onReason={(why) => forget.mutate(why)} />
        </div>
      )}
      <Refused error={put.error ?? forget.error ?? endFactor.error} />
    </section>
  )
}
