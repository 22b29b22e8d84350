import { t } from '@lingui/core/macro'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { useAddPerson } from '../../api/people'
import { addPerson } from '../../api/ranges.generated'
import { Field, PickField } from '../../design/Field'
import { FormEnd } from '../../design/FormEnd'
import { Sheet } from '../../design/Sheet'
import { useBody } from '../../design/useBody'
import { learns, ROLES, STAGES } from './personWords'

/** Somebody new; they choose their password themselves, by an invitation. */
export const AddPerson = () => (
  <Sheet word={t`Add somebody`} title={t`Somebody new`} solid>
    {(close) => <Form close={close} />}
  </Sheet>
)

function Form({ close }: { close: () => void }) {
  const add = useAddPerson()
  const navigate = useNavigate()
  const { values, form, field, pick, refused } = useBody(addPerson, {
    start: { name: '', sign_in: '', role: 'student', stage: 'early', mass_kg: '', email: '' },
    error: add.error,
  })
  const send = form(({ stage, ...person }) =>
    add.mutate(
      { ...person, ...(learns(person.role) ? { stage } : {}) },
      {
        onSuccess: (person) => {
          toast(t`${person.name} is added. Invite them next.`)
          close()
          void navigate(`/people/${person.id}`)
        },
      },
    ),
  )
  return (
    <form {...send} className="grid gap-3">
      <Field label={t`Name`} {...field('name')} />
      <Field label={t`Sign-in name`} {...field('sign_in')} />
      <div className="grid grid-cols-2 gap-3">
        <PickField label={t`Role`} choices={ROLES} {...pick('role')} />
        {learns(values.role) && <PickField label={t`Stage`} choices={STAGES} {...pick('stage')} />}
      </div>
      <Field label={t`Mass, kg`} {...field('mass_kg')} />
      <Field label={t`Mail address`} {...field('email')} type="email" />
      <FormEnd refused={refused()} word={t`Add`} busy={add.isPending} close={close} />
    </form>
  )
}
