import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { toast } from 'sonner'
import type { Session } from '../../api/client'
import { useChangeSite, useSite, type Site } from '../../api/sites'
import { Choice } from '../../design/Choice'
import { speak } from '../../design/speak'
import { Failed, Loading } from '../../design/States'
import { answered, spotOf, textOf, type Answer } from './draft'
import { FLOWN, GROUPS, POINTS, STATUSES } from './siteWords'

/** The survey list for the cockpit: a group at a time, one large tap a point, kept on the device until it is sent. */
export function LookPage({ session }: { session: Session }) {
  const { id = '' } = useParams()
  const site = useSite(id)
  if (site.isPending) return <Loading what={t`the site`} />
  if (site.isError) return <Failed error={site.error} again={() => void site.refetch()} />
  return <Look site={site.data} person={session.person?.id ?? ''} />
}

/** A person's own: whoever has the tablet next does not send them. */
const keyOf = (id: string, person: string) => `fujin.look.${person}.${id}`

/** What was answered on this device and not sent yet. */
function kept(key: string): Answer[] {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as Answer[]
  } catch {
    return []
  }
}

function Look({ site, person }: { site: Site; person: string }) {
  const key = keyOf(site.id, person)
  const [answers, setAnswers] = useState(() => kept(key))
  const [group, setGroup] = useState('ground')
  const [pass, setPass] = useState<keyof typeof FLOWN>('high')
  const change = useChangeSite(site.id)
  const put = (next: Answer[]) => {
    setAnswers(next)
    localStorage.setItem(key, JSON.stringify(next))
  }
  const answer = (about: string, status: string) =>
    put([
      ...answers.filter((one) => one.group !== group || one.about !== about || one.pass !== pass),
      { group, about, status, pass },
    ])
  const held = (about: string) =>
    answers.find((one) => one.group === group && one.about === about && one.pass === pass)?.status
  const before = (about: string) =>
    site.document.features
      .filter((one) => textOf(one, 'group') === group && textOf(one, 'about') === about)
      .map((one) => `${STATUSES[textOf(one, 'status')] ?? ''} (${textOf(one, 'pass')})`)
      .join(', ')
  const send = () => {
    const at = spotOf(site.document)
    const document = answers.reduce((now, one) => answered(now, one, at), site.document)
    change.mutate(
      { document, version: site.version },
      {
        onSuccess: () => {
          put([])
          toast(t`In the survey now.`)
        },
      },
    )
  }
  const points = POINTS.filter((one) => one.group === group)
  return (
    <div className="p-3">
      <header className="flex flex-wrap items-center justify-between gap-2">
        <h1 className="m-0 text-xl font-bold">
          <Link to={`/sites/${site.id}`}>{site.name}</Link>
        </h1>
        <Choice label={t`Pass`} words={FLOWN} value={pass} onPick={setPass} className="flex gap-2" item="tap" />
      </header>
      <Choice
        label={t`Groups`}
        className="mt-2 grid grid-cols-4 gap-2"
        words={GROUPS}
        value={group}
        onPick={setGroup}
        item="tap"
      />
      <ul className="m-0 mt-3 grid list-none gap-2 p-0">
        {points.map(({ about, ask }) => (
          <li
            key={about}
            className="grid grid-cols-[1fr_auto] items-center gap-3 border-t border-rule pt-2 max-sm:grid-cols-1"
          >
            <button
              type="button"
              className="cursor-pointer bg-transparent text-left text-lg leading-snug"
              onClick={() => speak(ask)}
            >
              {ask}
              {before(about) && <span className="label block">{t`so far: ${before(about)}`}</span>}
            </button>
            <Choice
              label={ask}
              words={STATUSES}
              value={held(about)}
              off={!site.may_edit}
              onPick={(status) => answer(about, status)}
              className="flex gap-3"
              item={(status) => clsx('tap min-w-24', status === 'open' && 'safety')}
            />
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <button type="button" className="tap" disabled={answers.length === 0 || change.isPending} onClick={send}>
          {answers.length === 0 ? t`Nothing to send` : t`Put ${answers.length} into the survey`}
        </button>
        <span className="text-soft" role="status">
          {answers.length > 0 ? t`Kept on this device.` : t`A tap on a question reads it aloud.`}
        </span>
      </div>
      {change.isError && (
        <p role="alert" className="limit-note mt-2 p-2">
          {t`${change.error.message} The answers are still on this device.`}
        </p>
      )}
    </div>
  )
}
