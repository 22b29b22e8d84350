import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Session } from '../api/client'
import { useSignOffDocument, useWithdraw } from '../api/queries'
import { GradeGlyph } from '../design/GradeGlyph'
import { Failed, Loading } from '../design/States'
import { capital, fullDayOf } from '../design/words'
import { isLearner } from '../api/who'
import { ReasonForm } from '../design/ReasonForm'
import { WideTable } from '../design/WideTable'

/** One sign-off as a page to print, with its evidence and how to check it. */
export function SignOffPage({ session }: { session: Session }) {
  const { id = '' } = useParams()
  const row = useSignOffDocument(id)
  if (row.isPending) return <Loading what={t`the sign-off`} />
  if (row.isError) return <Failed error={row.error} again={() => void row.refetch()} />
  const doc = row.data
  return (
    <article className="mx-auto max-w-3xl">
      {doc.broken && (
        <p role="alert" className="limit-note p-3 font-semibold">
          {t`Not good: ${doc.broken}. Do not rely on it. Compare it with the exported file or the code on paper, and tell the chief instructor.`}
        </p>
      )}
      {doc.withdrawn && (
        <p className="limit-note p-3 font-semibold">
          <Trans>
            Withdrawn by {doc.withdrawn_by} on {fullDayOf(doc.withdrawn_at ?? '')}: {doc.withdrawn_reason}
          </Trans>
        </p>
      )}
      <p className="label mb-0">
        <Trans>{session.school?.name} · sign-off</Trans>
      </p>
      <h1 className="mt-0 mb-1 border-b-2 border-ink pb-2 text-3xl font-bold">{doc.title}</h1>
      <p className="mt-3 mb-2 text-xl">
        <Trans>
          <b>{doc.student.name}</b> met every condition below. Signed by <b>{doc.by}</b> on {fullDayOf(doc.signed_at)}.
        </Trans>
      </p>
      {doc.remark && <p>{doc.remark}</p>}
      {doc.scope && (
        <p className="mt-1">
          {t`Shown in ${doc.scope.aircraft_types.join(', ')}, ${doc.scope.people_aboard.join(t` and `)}, ended by ${doc.scope.endings.join(t` and `)}, held to the standard ${doc.scope.standards.join(', ')} at stage ${doc.scope.stages.join(', ')}.`}
        </p>
      )}
      <h2 className="mt-5 mb-1 text-lg font-semibold">{t`Conditions`}</h2>
      <ul className="list-disc pl-5">
        {doc.conditions.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      {doc.validity.length > 0 && (
        <>
          <h2 className="mt-5 mb-1 text-lg font-semibold">{t`What it is good for`}</h2>
          <ul className="list-disc pl-5">
            {doc.validity.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      <h2 className="mt-5 mb-1 text-lg font-semibold">{t`Evidence`}</h2>
      <WideTable className="w-full">
        <thead>
          <tr className="label text-left">
            <th className="p-1.5 font-normal">{t`Day`}</th>
            <th className="p-1.5 font-normal">{t`Aircraft`}</th>
            <th className="p-1.5 font-normal">{t`Grades`}</th>
          </tr>
        </thead>
        <tbody>
          {doc.evidence.map((item) => (
            <tr key={item.attempt_id} className="border-t border-rule">
              <td className="p-1.5">{fullDayOf(item.on_day)}</td>
              <td className="p-1.5">{item.aircraft}</td>
              <td className="p-1.5">
                {Object.entries(item.grades ?? {}).map(([phase, grade]) => (
                  <span key={phase} className="mr-4 inline-flex items-center gap-1">
                    {capital(phase)} <GradeGlyph grade={grade} />
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </WideTable>
      <h2 className="mt-5 mb-1 text-lg font-semibold">{t`To check that it was not altered`}</h2>
      <p className="figures m-0 text-2xl font-bold">{doc.code}</p>
      <p className="mt-0">
        <Trans>
          By this code the school finds it under Students. Or export the file and run{' '}
          <code>bin/fujin verify FILE --key {doc.public_key}</code>. It needs neither this server nor its database.
        </Trans>
      </p>
      <dl className="my-3 grid grid-cols-[8rem_1fr] gap-x-3 text-sm break-all">
        <dt className="label">{t`This sign-off`}</dt>
        <dd className="m-0">{doc.hash}</dd>
        <dt className="label">{t`Follows`}</dt>
        <dd className="m-0">
          {/^0+$/.test(doc.previous_hash) ? t`nothing: the first of the chain` : doc.previous_hash}
        </dd>
        <dt className="label">{t`School key`}</dt>
        <dd className="m-0">{doc.public_key}</dd>
      </dl>
      <p className="label">{t`It replaces no licence, rating or authorisation that the authority requires.`}</p>
      <div className="no-print mt-4 flex flex-wrap gap-3">
        <a className="button solid" href={`/api/sign-offs/${doc.id}/document`} download>
          {t`Export the file`}
        </a>
        <a className="button" href={`/api/sign-offs/${doc.id}/sheet`} target="_blank" rel="noreferrer">
          {t`Print as PDF`}
        </a>
        <Link className="button" to={`/students/${doc.student.id}`}>
          {t`To the record`}
        </Link>
        {!isLearner(session.person) && !doc.withdrawn && <Withdraw id={doc.id} />}
      </div>
    </article>
  )
}

function Withdraw({ id }: { id: string }) {
  const withdraw = useWithdraw(id)
  const [asking, setAsking] = useState(false)
  if (!asking) {
    return (
      <button type="button" className="button" onClick={() => setAsking(true)}>
        {t`Withdraw`}
      </button>
    )
  }
  return (
    <ReasonForm
      className="w-full"
      ask={t`Withdrawing is final and stays on record. Why?`}
      act={t`Withdraw it`}
      focused
      disabled={withdraw.isPending}
      onReason={(reason) => withdraw.mutate(reason)}
    />
  )
}
