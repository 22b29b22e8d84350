import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, unwrap } from '../api/client'
import type { Schemas } from '../api/client'
import { Field } from '../design/Field'
import { useBody } from '../design/useBody'
import { fullDayOf } from '../design/words'

const CODE = { code: { type: 'string', required: true } } as const

/** A sign-off on paper, found again by its code, and what was withdrawn, as a signed file. */
export function CheckSignOff() {
  const { values, form, field } = useBody(CODE, { start: { code: '' } })
  const [found, setFound] = useState<Schemas['SignOff'][]>()
  const [problem, setProblem] = useState<Error>()
  const look = async (code: string) => {
    setFound(undefined)
    setProblem(undefined)
    try {
      setFound((await unwrap(api.GET('/api/sign-offs', { params: { query: { code } } }))).items)
    } catch (error) {
      setProblem(error as Error)
    }
  }
  return (
    <section className="no-print mt-8 border-t border-rule pt-4">
      <form className="flex flex-wrap items-end gap-3" {...form(({ code }) => void look(code))}>
        <Field
          label={t`Code on a printed sign-off`}
          className="figures max-w-64"
          placeholder="0000-0000-0000-0000"
          {...field('code')}
        />
        <button type="submit" className="button" disabled={values.code.trim() === ''}>
          {t`Check it`}
        </button>
        <a className="button" href="/api/sign-offs/withdrawn">
          {t`All withdrawn, as a signed file`}
        </a>
      </form>
      <div role="status" className="mt-2">
        {found?.length === 0 && (
          <p className="m-0">{t`This school made no sign-off with this code. Compare it again.`}</p>
        )}
        {found?.map((row) => (
          <p key={row.id} className="m-0">
            <Trans>
              <Link to={`/sign-offs/${row.id}`}>
                {row.title}, {row.student.name}
              </Link>
              , signed by {row.by} on {fullDayOf(row.signed_at)}
              {row.withdrawn ? (
                <b>
                  <Trans>, withdrawn: {row.withdrawn_reason}</Trans>
                </b>
              ) : (
                t`, in force`
              )}
              .
            </Trans>
          </p>
        ))}
        {problem && (
          <p role="alert" className="limit-note m-0 p-2">
            {problem.message}
          </p>
        )}
      </div>
    </section>
  )
}
