import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { type ComponentProps } from 'react'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { useSetReadiness } from '../../api/queries'
import { setReadiness } from '../../api/ranges.generated'
import { Pick } from '../../design/Pick'
import { useBody } from '../../design/useBody'

type Rule = Schemas['ReadinessRule']
type Catalogue = Schemas['Catalogue']

interface Props {
  readiness: Catalogue['readiness']
  manoeuvres: Catalogue['manoeuvres']
  chief: boolean
}

/** What a sign-off asks for, in a sentence of numbers; one manoeuvre may ask for something else. */
export function ReadyWhen({ readiness: { usual, manoeuvres: own }, manoeuvres, chief }: Props) {
  const set = useSetReadiness()
  const titleOf = (id: string) => manoeuvres.find((row) => row.id === id)?.title ?? id
  const others = manoeuvres.filter(({ id }) => own.every((row) => row.manoeuvre !== id))
  return (
    <section className="mt-8" aria-labelledby="ready-when">
      <h2 id="ready-when" className="mb-1 text-xl font-bold">
        {t`Ready for a sign-off`}
      </h2>
      <p className="mt-0 max-w-3xl">
        {t`Every declared phase graded, to the standard of the student's stage, alone, and:`}
      </p>
      <Sentence
        key={JSON.stringify(usual)}
        name={t`Every manoeuvre`}
        rule={usual}
        chief={chief}
        store={(rule) => set.mutate({ manoeuvre: null, rule }, { onSuccess: () => toast(t`Stored`) })}
      />
      {own.map(({ manoeuvre, rule }) => (
        <Sentence
          key={manoeuvre + JSON.stringify(rule)}
          name={titleOf(manoeuvre)}
          rule={rule}
          chief={chief}
          store={(next) => set.mutate({ manoeuvre, rule: next }, { onSuccess: () => toast(t`Stored`) })}
          drop={() => set.mutate({ manoeuvre, rule: null })}
        />
      ))}
      {chief && (
        <label className="mt-2 grid max-w-72 gap-0.5">
          <span className="label">{t`Another rule for`}</span>
          <Pick
            value=""
            choices={[
              { id: '', word: t`Choose a manoeuvre…` },
              ...others.map(({ id, title }) => ({ id, word: title })),
            ]}
            onChange={(id) => id && set.mutate({ manoeuvre: id, rule: usual })}
          />
        </label>
      )}
      {set.error && (
        <p role="alert" className="limit-note m-0 mt-2 p-2">
          {set.error.message}
        </p>
      )}
    </section>
  )
}

const FIELDS: { key: keyof Rule; before: string; after: string }[] = [
  { key: 'attempts', before: t`the last`, after: t`counted attempts to standard` },
  { key: 'days', before: t`on at least`, after: 'days' },
  { key: 'critical_window', before: t`nothing critical in the last`, after: '' },
]

const RULE = setReadiness.rule.fields

/** A number within a sentence. */
const SmallNumber = ({ error, ...rest }: ComponentProps<'input'> & { error: string | undefined }) => (
  <input {...rest} className="field figures w-16!" aria-invalid={error !== undefined} />
)

interface SentenceProps {
  name: string
  rule: Rule
  chief: boolean
  store: (rule: Rule) => void
  drop?: () => void
}

function Sentence({ name, rule, chief, store, drop }: SentenceProps) {
  const { values, form, field, errorOf } = useBody(RULE, {
    start: { attempts: String(rule.attempts), days: String(rule.days), critical_window: String(rule.critical_window) },
  })
  const changed = FIELDS.some(({ key }) => Number(values[key]) !== rule[key])
  const wrong = FIELDS.map(({ key }) => errorOf(key)).find(Boolean)
  return (
    <form
      aria-label={t`Ready: ${name}`}
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-rule py-2"
      {...form(store)}
    >
      <b className="w-56">{name}</b>
      {FIELDS.map(({ key, before, after }) => (
        <label key={key} className="flex items-center gap-2">
          {before}
          <SmallNumber disabled={!chief} {...field(key)} />
          {after}
          {key !== 'critical_window' && ','}
        </label>
      ))}
      {chief && changed && (
        <button type="submit" className="button solid">
          {t`Store`}
        </button>
      )}
      {chief && drop && (
        <button type="button" className="button" onClick={drop}>
          <Trans>
            As the others<span className="sr-only">: {name}</span>
          </Trans>
        </button>
      )}
      {wrong && (
        <span role="alert" className="limit-note p-1">
          {wrong}
        </span>
      )}
    </form>
  )
}
