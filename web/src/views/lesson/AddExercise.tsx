import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Popover } from 'radix-ui'
import { useCallback, useMemo, useState } from 'react'
import type { Schemas, Sortie } from '../../api/client'
import { useAddExercises, useOffers, useTemplates } from '../../api/lesson'
import { useCatalogue } from '../../api/queries'
import { keepLesson } from '../../api/ranges.generated'
import { Field } from '../../design/Field'
import { Pick } from '../../design/Pick'
import { useBody } from '../../design/useBody'
import { useKeys } from '../../design/useKeys'
import { capital } from '../../design/words'

interface Props {
  sortie: Sortie
  added: () => void
}

/** One more exercise, or several at once: as last time, a usual lesson, or one of the catalogue. E, then a number. */
export function AddExercise({ sortie, added }: Props) {
  const [open, setOpen] = useState(false)
  useKeys(useMemo(() => [{ key: 'e', does: t`Add an exercise`, run: () => setOpen(true) }], []))
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="button shrink-0">{t`Add an exercise`}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t`Add an exercise`}
          align="start"
          sideOffset={6}
          className="sheet z-40 grid max-h-[70vh] w-[30rem] max-w-[94vw] gap-2 overflow-y-auto p-4"
        >
          <Offers
            sortie={sortie}
            done={() => {
              setOpen(false)
              added()
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

const NONE: Schemas['Offer'][] = []

function Offers({ sortie, done }: { sortie: Sortie; done: () => void }) {
  const offers = useOffers(sortie.id)
  const catalogue = useCatalogue()
  const add = useAddExercises(sortie.id)
  const { keep, drop } = useTemplates(sortie.id)
  const { values, form, field, reset } = useBody({ title: keepLesson.title }, { start: { title: '' } })
  const problem = add.error ?? keep.error ?? drop.error
  const rows = offers.data ?? NONE
  const { mutate } = add
  const take = useCallback(
    (exercises: Schemas['Offer']['exercises']) => mutate(exercises, { onSuccess: done }),
    [done, mutate],
  )
  useKeys(
    useMemo(
      () =>
        rows.slice(0, 9).map((offer, at) => ({
          key: String(at + 1),
          does: t`Add: ${offer.title.toLowerCase()}`,
          run: () => take(offer.exercises),
        })),
      [rows, take],
    ),
    true,
  )
  const kind = sortie.aircraft.kind
  const manoeuvres = (catalogue.data?.manoeuvres ?? []).filter((row) => row.kinds.includes(kind))
  return (
    <div role="group" aria-label={t`What to add`} className="grid gap-1">
      {rows.map((offer, at) => (
        <div key={offer.title} className="flex items-center border-b border-rule">
          <button
            type="button"
            className="grid grow cursor-pointer grid-cols-[1.5rem_1fr] px-1 py-2 text-left leading-snug hover:bg-rule/30"
            disabled={add.isPending}
            onClick={() => take(offer.exercises)}
          >
            <span className="label">{at < 9 ? at + 1 : ''}</span>
            <span>
              <b>{offer.title}</b>
              <span className="block text-sm text-soft">
                {offer.exercises
                  .map(({ title, planned_count: count }) => `${count ? `${count} × ` : ''}${title.toLowerCase()}`)
                  .join(', ')}
                {offer.reason ? `. ${offer.reason}` : ''}
              </span>
            </span>
          </button>
          {offer.template_id && (
            <button
              type="button"
              className="button px-2! py-0! text-xs"
              onClick={() => offer.template_id && drop.mutate(offer.template_id)}
            >
              <Trans>
                Drop<span className="sr-only"> {offer.title}</span>
              </Trans>
            </button>
          )}
        </div>
      ))}
      <label className="mt-2 grid gap-1">
        <span className="label">{t`One of the catalogue`}</span>
        <Pick
          value=""
          choices={[
            { id: '', word: t`Choose…` },
            ...manoeuvres.map(({ id, title, family }) => ({ id, word: title, group: capital(family) })),
          ]}
          onChange={(id) => id && take([{ manoeuvre: id, title: '', settings: {} }])}
        />
      </label>
      <form
        className="mt-2 flex flex-wrap items-start gap-2"
        {...form(({ title }) => keep.mutate({ title: title.trim() }, { onSuccess: () => reset() }))}
      >
        <Field label={t`Keep this lesson, to be taken again, as`} {...field('title')} />
        <button type="submit" className="button mt-5" disabled={values.title.trim() === '' || keep.isPending}>
          {t`Keep it`}
        </button>
      </form>
      {problem && (
        <p role="alert" className="limit-note m-0 p-2">
          {problem.message}
        </p>
      )}
    </div>
  )
}
