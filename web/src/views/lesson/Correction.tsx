import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import type { Sortie } from '../../api/client'
import { useAircraft, useStudentNames } from '../../api/queries'
import { useCorrect } from '../../api/school'
import { correctLesson } from '../../api/ranges.generated'
import { Field, PickField, Tick } from '../../design/Field'
import { FormEnd } from '../../design/FormEnd'
import { Sheet } from '../../design/Sheet'
import { fieldOf, zoneWord } from '../../design/times'
import { useBody } from '../../design/useBody'

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
  const { form, field, pick, tick, refused } = useBody(correctLesson, {
    start: {
      student_id: sortie.student.id,
      aircraft_id: sortie.aircraft.id,
      starts_at: fieldOf(sortie.starts_at),
      training_device: sortie.training_device ?? false,
      why: '',
    },
    error: correct.error,
  })
  const send = form(({ student_id: student, aircraft_id: craft, starts_at: starts, training_device: device, why }) =>
    correct.mutate(
      {
        ...(student !== sortie.student.id ? { student_id: student } : {}),
        ...(craft !== sortie.aircraft.id ? { aircraft_id: craft } : {}),
        ...(starts && fieldOf(starts) !== fieldOf(sortie.starts_at) ? { starts_at: starts } : {}),
        ...(device !== (sortie.training_device ?? false) ? { training_device: device } : {}),
        why,
      },
      {
        onSuccess: () => {
          toast(t`Set right. What was measured is measured again; the old values are kept.`)
          close()
        },
      },
    ),
  )
  return (
    <form {...send} className="grid gap-3">
      <p className="label m-0">
        {t`Spot, course and wind are changed in Prepare, and measured again there too. Grades that were given stay.`}
      </p>
      <PickField
        label={t`Student`}
        {...pick('student_id')}
        choices={[
          { id: sortie.student.id, word: sortie.student.name },
          ...(students.data ?? [])
            .filter(({ id }) => id !== sortie.student.id)
            .map(({ id, name }) => ({ id, word: name })),
        ]}
      />
      <PickField
        label={t`Aircraft`}
        {...pick('aircraft_id')}
        choices={(aircraft.data ?? []).map(({ id, mark, type_name: type }) => ({ id, word: `${mark} ${type}` }))}
      />
      <Field label={t`Began, ${zoneWord()}`} {...field('starts_at', { required: true })} />
      <Tick label={t`In a training device: logged apart, shows nothing of readiness`} {...tick('training_device')} />
      <Field label={t`What was wrong`} {...field('why', { required: true })} />
      <FormEnd refused={refused()} word={t`Set it right`} busy={correct.isPending} close={close} leave={t`Leave it`} />
    </form>
  )
}
