import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { useAddPerson, type NewPerson } from '../../api/people'
import { Field, fieldErrors, PickField, Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'
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
  const [form, setForm] = useState({ name: '', sign_in: '', role: 'student', stage: 'early', mass: '', email: '' })
  const put = (name: keyof typeof form) => (text: string) => setForm((now) => ({ ...now, [name]: text }))
  const errors = fieldErrors(add.error)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(
      {
        name: form.name,
        sign_in: form.sign_in,
        role: form.role as NewPerson['role'],
        mass_kg: Number(form.mass),
        email: form.email || null,
        ...(learns(form.role) ? { stage: form.stage as NonNullable<NewPerson['stage']> } : {}),
      },
      {
        onSuccess: (person) => {
          toast(t`${person.name} is added. Invite them next.`)
          close()
          void navigate(`/people/${person.id}`)
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Field label={t`Name`} required value={form.name} error={errors.name} onText={put('name')} />
      <Field label={t`Sign-in name`} required value={form.sign_in} error={errors.sign_in} onText={put('sign_in')} />
      <div className="grid grid-cols-2 gap-3">
        <PickField label={t`Role`} value={form.role} choices={ROLES} onText={put('role')} />
        {learns(form.role) && <PickField label={t`Stage`} value={form.stage} choices={STAGES} onText={put('stage')} />}
      </div>
      <Field label={t`Mass, kg`} type="number" min={30} max={200} required value={form.mass} onText={put('mass')} />
      <Field label={t`Mail address`} type="email" value={form.email} error={errors.email} onText={put('email')} />
      <Refused error={add.error} fields={['name', 'sign_in', 'email']} />
      <div className="flex gap-3">
        <button type="submit" className="button solid" disabled={add.isPending}>
          {t`Add`}
        </button>
        <button type="button" className="button" onClick={close}>
          {t`Cancel`}
        </button>
      </div>
    </form>
  )
}
