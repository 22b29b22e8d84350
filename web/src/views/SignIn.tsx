import { t } from '@lingui/core/macro'
import { useEffect, useRef, useState, type FormEvent } from 'react'
import { useSignIn } from '../api/queries'
import { Field } from '../design/Field'

export function SignIn({ school }: { school: string }) {
  const signIn = useSignIn()
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const [code, setCode] = useState('')
  const asked =
    signIn.error?.message.includes('authenticator') || signIn.error?.message.includes('This code') || code !== ''
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  const submit = (event: FormEvent) => {
    event.preventDefault()
    signIn.mutate({ sign_in: name, password, ...(code ? { code } : {}) })
  }
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
      <form onSubmit={submit} className="sheet grid gap-4 p-6">
        <Field ref={field} label={t`Sign-in name`} autoComplete="username" required value={name} onText={setName} />
        <Field
          label={t`Password`}
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onText={setPassword}
        />
        {asked && (
          <Field
            label={t`Code of the authenticator, or one on paper`}
            autoComplete="one-time-code"
            required
            value={code}
            onText={setCode}
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
