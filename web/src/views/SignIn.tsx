import { t } from '@lingui/core/macro'
import { useEffect } from 'react'
import { useSignIn } from '../api/session'
import { signIn as ranges } from '../api/ranges.generated'
import { Field } from '../design/Field'
import { useBody } from '../design/useBody'

interface Props {
  school: string
  /** Why it is asked for. */
  notice?: string
}

export function SignIn({ school, notice }: Props) {
  const signIn = useSignIn()
  const { values, form, field, focus } = useBody(ranges, { start: { sign_in: '', password: '', code: '' } })
  const asked =
    signIn.error?.message.includes('authenticator') || signIn.error?.message.includes('This code') || values.code !== ''
  useEffect(() => focus('sign_in'), [focus])
  return (
    <main className="mx-auto grid min-h-screen max-w-md content-center p-6">
      <svg
        viewBox="0 0 400 90"
        fill="none"
        stroke="currentColor"
        strokeWidth="2.200"
        aria-hidden="true"
        className="mb-2"
      >
        <path d="M4 20c80-30 120 34 220 6s110-16 172-6M4 45c80-30 120 34 220 6s110-16 172-6M4 70c80-30 120 34 220 6s110-16 172-6" />
      </svg>
      <h1 className="m-0 text-4xl font-bold">Fujin</h1>
      <p className="mt-1 mb-6 text-soft">{t`${school}. Sign in to plan, fly, review and record.`}</p>
      {notice && (
        <p role="status" className="caution-edge mt-0 mb-4 py-0.5 pl-4">
          {notice}
        </p>
      )}
      <form {...form((body) => signIn.mutate(body))} className="sheet grid gap-4 p-6">
        <Field label={t`Sign-in name`} autoComplete="username" {...field('sign_in')} />
        <Field label={t`Password`} autoComplete="current-password" {...field('password')} type="password" />
        {asked && (
          <Field
            label={t`Code of the authenticator, or one on paper`}
            autoComplete="one-time-code"
            {...field('code', { required: true })}
          />
        )}
        {signIn.isError && (
          <p role="alert" className="limit-note m-0 p-3">
            {signIn.error.message}
          </p>
        )}
        <button type="submit" className="button solid" disabled={signIn.isPending}>
          {t`Sign in`}
        </button>
      </form>
      <p className="label mt-6">
        {t`A training aid. The flight manual, the operator's procedures, the authority's rules and a licensed instructor decide.`}
      </p>
    </main>
  )
}
