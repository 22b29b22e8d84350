import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useNavigate } from 'react-router'
import { useAccept, useInvitation } from '../../api/people'
import { acceptInvitation } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { Failed, Loading } from '../../design/States'
import { useBody } from '../../design/useBody'

/** The page behind an invitation's link: choose a password, and be in. */
export function Join({ word }: { word: string }) {
  const invitation = useInvitation(word)
  const accept = useAccept(word)
  const navigate = useNavigate()
  const { values, form, field, refused } = useBody(acceptInvitation, {
    start: { password: '', again: '' },
    error: accept.error,
  })
  if (invitation.isPending) return <Loading what={t`the invitation`} />
  if (invitation.isError) return <Failed error={invitation.error} />
  const send = form(({ password }) => accept.mutate(password, { onSuccess: () => void navigate('/') }))
  const differs = (again: string) => (again === values.password ? undefined : t`the two are not the same`)
  return (
    <main className="mx-auto grid min-h-screen max-w-md content-center p-6">
      <h1 className="m-0 text-3xl font-bold">{t`Welcome, ${invitation.data.name}`}</h1>
      <p className="mt-1 mb-6 text-soft">
        <Trans>
          {invitation.data.school} has a place for you. Your sign-in name is <b>{invitation.data.sign_in}</b>.
        </Trans>
      </p>
      <form {...send} className="sheet grid gap-4 p-6">
        <Field
          label={t`Choose a password`}
          hint={t`At least 10 characters, none that stands in lists of known ones`}
          autoComplete="new-password"
          {...field('password')}
          type="password"
        />
        <Field
          label={t`The same again`}
          autoComplete="new-password"
          {...field('again', { required: true, wrong: differs })}
          type="password"
        />
        <Refused {...refused()} />
        <button type="submit" className="button solid" disabled={accept.isPending}>
          {t`Come in`}
        </button>
      </form>
    </main>
  )
}
