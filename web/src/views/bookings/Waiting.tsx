import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useAddWait, useDropWait, type Board } from '../../api/bookings'
import { useStudentNames } from '../../api/queries'
import { addWait } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { Sheet } from '../../design/Sheet'
import { useBody } from '../../design/useBody'
import { dateOf, dayAfter } from '../../design/times'

/** Who would take a gap, and until when. */
export function Waiting({ board, staff }: { board: Board; staff: boolean }) {
  const drop = useDropWait()
  return (
    <section className="mt-6" aria-labelledby="waits">
      <div className="flex items-center gap-4">
        <h2 id="waits" className="m-0 text-lg font-semibold">
          {t`Waiting for a gap`}
        </h2>
        {staff && (
          <Sheet word={t`Add`} title={t`Somebody who would take a gap`}>
            {(close) => <WaitForm board={board} close={close} />}
          </Sheet>
        )}
      </div>
      {board.waits.length === 0 && <p className="text-soft">{t`Nobody waits.`}</p>}
      <ul className="m-0 mt-2 list-none p-0">
        {board.waits.map((wait) => (
          <li key={wait.id} className="flex items-center justify-between gap-3 border-t border-rule py-1.5">
            <span>
              <Trans>
                <b>{wait.student.name}</b>
                {wait.instructor ? t` with ${wait.instructor.name}` : ''}, {dateOf(wait.from_on)} to{' '}
                {dateOf(wait.until_on)}
                {wait.note ? `: ${wait.note}` : ''}
              </Trans>
            </span>
            {staff && (
              <button type="button" className="button" onClick={() => drop.mutate(wait.id)}>
                <Trans>
                  Done<span className="sr-only">: {wait.student.name}</span>
                </Trans>
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

function WaitForm({ board, close }: { board: Board; close: () => void }) {
  const students = useStudentNames()
  const add = useAddWait()
  const { values, form, field, pick, refused } = useBody(addWait, {
    start: {
      student_id: '',
      instructor_id: '',
      from_on: board.from,
      until_on: dayAfter(board.from, 14),
      note: '',
    },
    error: add.error,
  })
  const after = (until: string) => (until < values.from_on ? t`Not before the first day.` : undefined)
  return (
    <form {...form((body) => add.mutate(body, { onSuccess: close }))} className="grid gap-3">
      <PickField
        label={t`Student`}
        {...pick('student_id')}
        choices={[{ id: '', word: t`Choose…` }, ...(students.data ?? []).map(({ id, name }) => ({ id, word: name }))]}
      />
      <PickField
        label={t`Instructor`}
        {...pick('instructor_id')}
        choices={[{ id: '', word: t`Any` }, ...board.instructors.map(({ id, name }) => ({ id, word: name }))]}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`From`} {...field('from_on')} />
        <Field label={t`Until`} {...field('until_on', { wrong: after })} />
      </div>
      <Field label={t`Note`} {...field('note')} />
      <Refused {...refused()} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Put on the list`}
      </button>
    </form>
  )
}
