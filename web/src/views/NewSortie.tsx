import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { useNavigate } from 'react-router'
import type { NewExercise } from '../api/lesson'
import { useAircraft, useCatalogue, useCreateSortie, useStudentNames } from '../api/queries'
import { momentOf, zoneWord } from '../design/times'
import { capital } from '../design/words'
import { Pick } from '../design/Pick'
import { Sheet } from '../design/Sheet'

const NONE_YET = { id: '', word: t`Choose…` }

interface Props {
  date: string
  /** The student whose lesson it is, and what of it is known already. */
  known?: { student: string; exercises: NewExercise[] }
  word?: string
}

/** A new sortie: who, in what, when, which manoeuvre. The rest is worked out in Prepare. */
export const NewSortie = ({ date, known, word = t`New sortie` }: Props) => (
  <Sheet word={word} title={t`New sortie`}>
    {(close) => <Form date={date} known={known} close={close} />}
  </Sheet>
)

function Form({ date, known, close }: Pick<Props, 'date' | 'known'> & { close: () => void }) {
  const students = useStudentNames()
  const aircraft = useAircraft()
  const catalogue = useCatalogue()
  const create = useCreateSortie()
  const navigate = useNavigate()
  const [time, setTime] = useState('14:00')
  const [on, setOn] = useState(date)
  const [student, setStudent] = useState(known?.student ?? '')
  const [craft, setCraft] = useState('')
  const [chosen, setChosen] = useState(known?.exercises[0]?.manoeuvre ?? '')
  const kind = aircraft.data?.find((row) => row.id === craft)?.kind
  const offered = (catalogue.data?.manoeuvres ?? []).filter((row) => !kind || row.kinds.includes(kind))
  const manoeuvre = offered.some((row) => row.id === chosen) ? chosen : ''

  const submit = (event: FormEvent) => {
    event.preventDefault()
    create.mutate(
      {
        student_id: student,
        aircraft_id: craft,
        starts_at: momentOf(`${on}T${time}`),
        exercises: known?.exercises[0]?.manoeuvre === manoeuvre ? known.exercises : [{ manoeuvre, settings: {} }],
      },
      {
        onSuccess: (sortie) => {
          close()
          void navigate(`/sorties/${sortie.id}/prepare`)
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label className="grid gap-1">
        {t`Student`}
        <Pick
          required
          value={student}
          choices={[NONE_YET, ...(students.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
          onChange={setStudent}
        />
      </label>
      <label className="grid gap-1">
        {t`Aircraft`}
        <Pick
          required
          value={craft}
          choices={[
            NONE_YET,
            ...(aircraft.data ?? []).map((row) => ({
              id: row.id,
              word: `${row.mark} ${row.type_name}${row.look_at_it ? t` (to be looked at first)` : ''}`,
              disabled: row.look_at_it,
            })),
          ]}
          onChange={setCraft}
        />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="grid gap-1">
          {t`Day`}
          <input className="field" type="date" required value={on} onChange={(e) => setOn(e.target.value)} />
        </label>
        <label className="grid gap-1">
          {t`Time, ${zoneWord()}`}
          <input className="field" type="time" required value={time} onChange={(e) => setTime(e.target.value)} />
        </label>
      </div>
      <label className="grid gap-1">
        {t`Manoeuvre`}
        <Pick
          required
          value={manoeuvre}
          choices={[NONE_YET, ...offered.map(({ id, title, family }) => ({ id, word: title, group: capital(family) }))]}
          onChange={setChosen}
        />
      </label>
      {create.isError && (
        <p role="alert" className="limit-note m-0 p-3">
          {create.error.message}
        </p>
      )}
      <div className="mt-2 flex gap-3">
        <button type="submit" className="button solid" disabled={create.isPending}>
          {t`Plan it`}
        </button>
        <button type="button" className="button" onClick={close}>
          {t`Cancel`}
        </button>
      </div>
    </form>
  )
}
