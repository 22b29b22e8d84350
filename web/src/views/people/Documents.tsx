import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useAddDocument, useDocumentKinds, useWithdrawDocument, type Person } from '../../api/people'
import { useTypes } from '../../api/queries'
import { addDocument } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { FormEnd } from '../../design/FormEnd'
import { Sheet } from '../../design/Sheet'
import { useBody } from '../../design/useBody'
import { Empty } from '../../design/States'

const BLOCKS = { solo: t`flying alone`, instruct: t`instructing`, examine: t`examining` }

/** Documents with dates: where each stands today, and what it holds up. */
export function Documents({ person, staff }: { person: Person; staff: boolean }) {
  const withdraw = useWithdrawDocument()
  return (
    <section aria-labelledby="documents">
      <div className="flex items-center justify-between gap-3">
        <h2 id="documents" className="m-0 text-lg font-semibold">
          {t`Documents`}
        </h2>
        {staff && (
          <Sheet word={t`Add a document`} title={t`A document of ${person.name}`}>
            {(close) => <AddDocument person={person} close={close} />}
          </Sheet>
        )}
      </div>
      {person.missing.map((title) => (
        <p key={title} className="limit-note mt-2 mb-0 p-2">
          {t`${title}: none on file, and the school asks for it.`}
        </p>
      ))}
      {person.documents.length === 0 && person.missing.length === 0 && (
        <Empty>{t`None on file, none asked for.`}</Empty>
      )}
      <ul className="m-0 mt-2 list-none border-t border-rule p-0">
        {person.documents.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-3 border-b border-rule py-2">
            <span>
              <span className={one.state === 'good' ? '' : 'font-semibold'}>
                {one.state === 'over' ? '▲ ' : ''}
                {one.text}
              </span>
              <span className="label block">
                {[one.type_id, one.reference, needed(one.blocks)].filter(Boolean).join(' · ')}
              </span>
            </span>
            {staff && (
              <button
                type="button"
                className="button"
                disabled={withdraw.isPending}
                onClick={() => withdraw.mutate(one.id)}
              >
                <Trans>
                  Withdraw<span className="sr-only">: {one.title}</span>
                </Trans>
              </button>
            )}
          </li>
        ))}
      </ul>
      <Refused error={withdraw.error} />
    </section>
  )
}

const needed = (blocks: (keyof typeof BLOCKS)[]) =>
  blocks.length > 0 ? t`needed for ${blocks.map((block) => BLOCKS[block]).join(t` and `)}` : ''

function AddDocument({ person, close }: { person: Person; close: () => void }) {
  const kinds = useDocumentKinds()
  const types = useTypes()
  const add = useAddDocument(person.id)
  const { values, form, field, pick, refused } = useBody(addDocument, {
    start: { kind: 'medical', type_id: '', reference: '', valid_from: '', valid_until: '' },
    error: add.error,
  })
  const kind = kinds.data?.find(({ id }) => id === values.kind)
  const send = form((body) =>
    add.mutate({ ...body, type_id: kind?.by_type ? body.type_id : null }, { onSuccess: close }),
  )
  return (
    <form {...send} className="grid gap-3">
      <PickField
        label={t`Kind`}
        {...pick('kind')}
        choices={(kinds.data ?? [])
          .filter(({ roles }) => roles.includes(person.role))
          .map(({ id, title }) => ({ id, word: title }))}
      />
      {kind?.by_type && (
        <PickField
          label={t`Type of aircraft`}
          {...pick('type_id', { required: true })}
          choices={[{ id: '', word: t`Choose…` }, ...(types.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
        />
      )}
      <Field label={t`Number or class`} {...field('reference')} />
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`Good from`} {...field('valid_from')} />
        <Field label={t`Good until`} hint={t`Empty: does not run out`} {...field('valid_until')} />
      </div>
      <FormEnd refused={refused()} word={t`Put on file`} busy={add.isPending} close={close} />
    </form>
  )
}
