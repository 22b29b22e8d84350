import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState, type FormEvent } from 'react'
import { useNavigate } from 'react-router'
import { useAccept, useInvitation } from '../../api/people'
import { Field, fieldErrors, Refused } from '../../design/Field'
import { Failed, Loading } from '../../design/States'

/** The page behind an invitation's link: choose a password, and be in. */
export function Join({ word }: { word: string }) {
  const invitation = useInvitation(word)
  const accept = useAccept(word)
  const navigate = useNavigate()
  const [password, setPassword] = useState('')
  const [again, setAgain] = useState('')
  const [differ, setDiffer] = useState(false)
  if (invitation.isPending) return <Loading what={t`the invitation`} />
  if (invitation.isError) return <Failed error={invitation.error} />
  const submit = (event: FormEvent) => {
    event.preventDefault()
    setDiffer(password !== again)
    if (password === again) accept.mutate(password, { onSuccess: () => void navigate('/') })
  }
  return (
    <main className="mx-auto grid min-h-screen max-w-md content-center p-6">
      <h1 className="m-0 text-3xl font-bold">{t`Welcome, ${invitation.data.name}`}</h1>
      <p className="mt-1 mb-6 text-soft">
        <Trans>
          {invitation.data.school} has a place for you. Your sign-in name is <b>{invitation.data.sign_in}</b>.
        </Trans>
      </p>
      <form onSubmit={submit} className="sheet grid gap-4 p-6">
        <Field
          label={t`Choose a password`}
          type="password"
          hint={t`At least 10 characters, none that stands in lists of known ones`}
          autoComplete="new-password"
          required
          error={fieldErrors(accept.error).password}
          value={password}
          onText={setPassword}
        />
        <Field
          label={t`The same again`}
          type="password"
          autoComplete="new-password"
          required
          error={differ ? t`the two are not the same` : undefined}
          value={again}
          onText={setAgain}
        />
        <Refused error={accept.error} fields={['password']} />
        <button type="submit" className="button solid" disabled={accept.isPending}>
          {t`Come in`}
        </button>
      </form>
    </main>
  )
}
