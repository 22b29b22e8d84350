import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { Solo } from '../../api/school'
import { useSolo, useWithdrawSolo } from '../../api/school'
import { Refused } from '../../design/Field'
import { ReasonForm } from '../../design/ReasonForm'
import { Sheet } from '../../design/Sheet'
import { dateOf } from '../../design/times'
import { fullDayOf } from '../../design/words'
import { AuthorityForm } from './AuthorityForm'

const STATES = { in_force: t`In force`, coming: t`Not yet`, over: t`Over`, withdrawn: t`Withdrawn` }

/** Flying alone: what is missing, what was allowed, and the form to allow it. */
export function SoloSection({ student, name, staff }: { student: string; name: string; staff: boolean }) {
  const solo = useSolo(student)
  if (!solo.data) return null
  const { conditions, authorities, ready, kind } = solo.data
  const missing = conditions.filter(({ met }) => !met)
  return (
    <section className="sheet p-4" aria-labelledby="solo">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 id="solo" className="m-0 text-lg font-semibold">
          <Trans>
            Flying alone
            <span className="label ml-3 font-normal">{kind}</span>
          </Trans>
        </h2>
        {staff && (
          <Sheet word={t`Give a solo authority`} title={t`What ${name} may fly alone`} wide>
            {(close) => <AuthorityForm student={student} solo={solo.data} close={close} />}
          </Sheet>
        )}
      </div>
      <p className="mt-2 mb-1 font-semibold">
        {ready
          ? t`Everything on the school’s list is there. The instructor decides.`
          : t`${missing.length} of ${conditions.length} still missing`}
      </p>
      <ul className="m-0 grid list-none gap-x-6 p-0 md:grid-cols-2">
        {[...missing, ...conditions.filter(({ met }) => met)].map(({ id, met, text }) => (
          <li key={id + text} className={met ? 'text-soft' : 'font-semibold'}>
            <span aria-hidden="true">{met ? '●' : '○'}</span> {text}
            <span className="sr-only">{met ? t`, there` : t`, missing`}</span>
          </li>
        ))}
      </ul>
      {authorities.map((one) => (
        <Authority key={one.id} one={one} student={student} staff={staff} />
      ))}
    </section>
  )
}

function Authority({ one, student, staff }: { one: Solo['authorities'][number]; student: string; staff: boolean }) {
  const withdraw = useWithdrawSolo(student)
  return (
    <article className="mt-3 border-t border-rule pt-3" aria-label={t`Solo authority, ${STATES[one.state]}`}>
      <p className="m-0">
        <Trans>
          <b>{STATES[one.state]}</b>: {dateOf(one.from)} to {dateOf(one.until)}, in {one.aircraft.join(', ')}, at{' '}
          {one.places.join(', ')}
        </Trans>
      </p>
      <p className="m-0">{one.exercise_titles.join(', ')}</p>
      <p className="m-0">
        <Trans>
          Wind to <b>{one.wind_kt}</b> kt, gusts to <b>{one.gust_kt}</b> kt, crosswind to <b>{one.crosswind_kt}</b> kt;
          visibility from <b>{one.visibility_m / 1000}</b> km, cloud base from <b>{one.cloud_base_ft}</b> ft
          {one.daylight_only ? t`; by daylight` : ''}
        </Trans>
      </p>
      <p className="label m-0">
        <Trans>
          Signed by {one.by}, {fullDayOf(one.signed_at)} · code {one.code} ·{' '}
          <a href={`/api/solo-authorities/${one.id}/document`}>signed file</a>
          {one.withdrawn_why && t` · withdrawn: ${one.withdrawn_why}`}
        </Trans>
      </p>
      {staff && (one.state === 'in_force' || one.state === 'coming') && (
        <ReasonForm
          ask={t`Why it is withdrawn`}
          act={t`Withdraw`}
          close
          className="mt-2 max-w-xl"
          onReason={(reason) => withdraw.mutate({ id: one.id, reason })}
        />
      )}
      <Refused error={withdraw.error} />
    </article>
  )
}
