import { t } from '@lingui/core/macro'
import { useTypes } from '../../api/queries'
import { useAddAircraft } from '../../api/school'
import { addAircraft } from '../../api/ranges.generated'
import { Field, PickField, Refused, Tick } from '../../design/Field'
import { Sheet } from '../../design/Sheet'
import { useBody } from '../../design/useBody'

/** A new aircraft on the list, with the hours that it came with. */
export const AddAircraft = () => (
  <Sheet word={t`Add an aircraft`} title={t`A new aircraft`} solid>
    {(close) => <Form close={close} />}
  </Sheet>
)

function Form({ close }: { close: () => void }) {
  const types = useTypes()
  const add = useAddAircraft()
  const { form, field, pick, tick, refused } = useBody(addAircraft, {
    start: { mark: '', type_id: '', hours_before: '0', hours_since: '', recorder: '', dual_controls: true },
    error: add.error,
  })
  return (
    <form {...form((body) => add.mutate(body, { onSuccess: close }))} className="grid gap-3">
      <Field label={t`Mark`} {...field('mark')} />
      <PickField
        label={t`Type`}
        {...pick('type_id')}
        choices={[{ id: '', word: t`Choose…` }, ...(types.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`Hours that it has`} {...field('hours_before', { required: true })} />
        <Field label={t`On the day`} hint={t`Later lessons are added to them`} {...field('hours_since')} />
      </div>
      <Field label={t`Recorder`} {...field('recorder')} />
      <Tick label={t`Dual controls`} {...tick('dual_controls')} />
      <Refused {...refused()} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Add it`}
      </button>
    </form>
  )
}
