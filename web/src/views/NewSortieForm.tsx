import { t } from '@lingui/core/macro'
import { useNavigate } from 'react-router'
import type { NewExercise } from '../api/lesson'
import { useAircraft, useCatalogue, useCreateSortie, useStudentNames } from '../api/queries'
import { momentOf, zoneWord } from '../design/times'
import { capital } from '../design/words'
import { createSortie } from '../api/ranges.generated'
import { Field, PickField } from '../design/Field'
import { FormEnd } from '../design/FormEnd'
import { useBody } from '../design/useBody'

// The moment is typed as a day and a clock.
const BODY = {
  ...createSortie,
  day: { type: 'string', format: 'date', required: true },
  starts_at: { type: 'string', required: true },
} as const
const NONE_YET = { id: '', word: t`Choose…` }

/** The student whose lesson it is, and what of it is known already. */
export interface Known {
  student: string
  exercises: NewExercise[]
}

interface Props {
  date: string
  known: Known | undefined
  close: () => void
}

/** Who, in what, when, which manoeuvre. */
export function NewSortieForm({ date, known, close }: Props) {
  const students = useStudentNames()
  const aircraft = useAircraft()
  const catalogue = useCatalogue()
  const create = useCreateSortie()
  const navigate = useNavigate()
  const { values, form, field, pick, put, refused } = useBody(BODY, {
    start: {
      student_id: known?.student ?? '',
      aircraft_id: '',
      day: date,
      starts_at: '14:00',
      manoeuvre: known?.exercises[0]?.manoeuvre ?? '',
    },
    error: create.error,
  })
  const kindOf = (craft: string) => aircraft.data?.find((row) => row.id === craft)?.kind
  const flownBy = (kind: ReturnType<typeof kindOf>) =>
    (catalogue.data?.manoeuvres ?? []).filter((row) => !kind || row.kinds.includes(kind))
  const offered = flownBy(kindOf(values.aircraft_id))
  const choose = (craft: string) => {
    put('aircraft_id', craft)
    if (!flownBy(kindOf(craft)).some(({ id }) => id === values.manoeuvre)) put('manoeuvre', '')
  }
  const send = form(({ day, starts_at: clock, manoeuvre, ...who }) =>
    create.mutate(
      {
        ...who,
        starts_at: momentOf(`${day}T${clock}`),
        exercises: known?.exercises[0]?.manoeuvre === manoeuvre ? known.exercises : [{ manoeuvre, settings: {} }],
      },
      {
        onSuccess: (sortie) => {
          close()
          void navigate(`/sorties/${sortie.id}/prepare`)
        },
      },
    ),
  )
  return (
    <form {...send} className="grid gap-3">
      <PickField
        label={t`Student`}
        choices={[NONE_YET, ...(students.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
        {...pick('student_id')}
      />
      <PickField
        label={t`Aircraft`}
        choices={[
          NONE_YET,
          ...(aircraft.data ?? []).map((row) => ({
            id: row.id,
            word: `${row.mark} ${row.type_name}${row.look_at_it ? t` (to be looked at first)` : ''}`,
            disabled: row.look_at_it,
          })),
        ]}
        {...pick('aircraft_id')}
        onText={choose}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`Day`} {...field('day')} />
        <Field label={t`Time, ${zoneWord()}`} {...field('starts_at')} type="time" />
      </div>
      <PickField
        label={t`Manoeuvre`}
        choices={[NONE_YET, ...offered.map(({ id, title, family }) => ({ id, word: title, group: capital(family) }))]}
        {...pick('manoeuvre')}
      />
      <FormEnd refused={refused()} word={t`Plan it`} busy={create.isPending} close={close} />
    </form>
  )
}
