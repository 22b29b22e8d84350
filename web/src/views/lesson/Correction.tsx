import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import type { Sortie } from '../../api/client'
import { useAircraft, useStudentNames } from '../../api/queries'
import { useCorrect } from '../../api/school'
import { Field, fieldErrors, PickField, Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'
import { fieldOf, momentOf, zoneWord } from '../../design/times'

/** Whose lesson it was, in what and when: set right with why, and everything measured again. */
export const Correction = ({ sortie }: { sortie: Sortie }) => (
  <Sheet word={t`Something is wrong about this lesson`} title={t`Set the lesson right`}>
    {(close) => <Form sortie={sortie} close={close} />}
  </Sheet>
)

function Form({ sortie, close }: { sortie: Sortie; close: () => void }) {
  const correct = useCorrect(sortie)
  const students = useStudentNames()
  const aircraft = useAircraft()
  const [student, setStudent] = useState(sortie.student.id)
  const [craft, setCraft] = useState(sortie.aircraft.id)
  const [starts, setStarts] = useState(fieldOf(sortie.starts_at))
  const [device, setDevice] = useState(sortie.training_device ?? false)
  const [why, setWhy] = useState('')
  const errors = fieldErrors(correct.error)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    correct.mutate(
      {
        ...(student !== sortie.student.id ? { student_id: student } : {}),
        ...(craft !== sortie.aircraft.id ? { aircraft_id: craft } : {}),
        ...(starts !== fieldOf(sortie.starts_at) ? { starts_at: momentOf(starts) } : {}),
        ...(device !== (sortie.training_device ?? false) ? { training_device: device } : {}),
        why,
      },
      {
        onSuccess: () => {
          toast(t`Set right. What was measured is measured again; the old values are kept.`)
          close()
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <p className="label m-0">
        {t`Spot, course and wind are changed in Prepare, and measured again there too. Grades that were given stay.`}
      </p>
      <PickField
        label={t`Student`}
        value={student}
        error={errors.student_id}
        choices={[
          { id: sortie.student.id, word: sortie.student.name },
          ...(students.data ?? [])
            .filter(({ id }) => id !== sortie.student.id)
            .map(({ id, name }) => ({ id, word: name })),
        ]}
        onText={setStudent}
      />
      <PickField
        label={t`Aircraft`}
        value={craft}
        choices={(aircraft.data ?? []).map(({ id, mark, type_name: type }) => ({ id, word: `${mark} ${type}` }))}
        onText={setCraft}
      />
      <Field label={t`Began, ${zoneWord()}`} type="datetime-local" required value={starts} onText={setStarts} />
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={device} onChange={(event) => setDevice(event.target.checked)} />
        {t`In a training device: logged apart, shows nothing of readiness`}
      </label>
      <Field
        label={t`What was wrong`}
        required
        minLength={3}
        maxLength={300}
        value={why}
        error={errors.why}
        onText={setWhy}
      />
      <Refused error={correct.error} fields={['student_id', 'why']} />
      <div className="flex gap-3">
        <button type="submit" className="button solid" disabled={correct.isPending}>
          {t`Set it right`}
        </button>
        <button type="button" className="button" onClick={close}>
          {t`Leave it`}
        </button>
      </div>
    </form>
  )
}
