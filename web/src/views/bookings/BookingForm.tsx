import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import { useBook, useLook, useMoveBooking, type Board, type Booking, type Wanted } from '../../api/bookings'
import { useStudentNames } from '../../api/queries'
import { book } from '../../api/ranges.generated'
import { Field, PickField, Refused } from '../../design/Field'
import { useBody } from '../../design/useBody'
import { useRested } from '../../design/useRested'
import { fieldOf, momentOf, zoneWord } from '../../design/times'
import { Clashes } from './Clashes'

export type Start = Partial<Record<'kind' | 'student_id' | 'instructor_id' | 'examiner_id' | 'aircraft_id', string>> & {
  from_at?: string
  to_at?: string
  note?: string | null
}

const KINDS = [
  { id: 'dual', word: t`Dual` },
  { id: 'solo', word: t`Solo, supervised` },
  { id: 'check', word: t`Check` },
]
// The two moments are typed as one day and two clocks.
const BODY = {
  ...book,
  day: { type: 'string', format: 'date', required: true },
  from: { type: 'string', required: true },
  to_at: { type: 'string', required: true },
} as const
const NONE = { id: '', word: t`Choose…` }

interface Props {
  board: Board
  start: Start
  booking?: Booking
  done: () => void
}

/** A booking, new or changed, with what stands against it said as soon as it is known. */
export function BookingForm({ board, start, booking, done }: Props) {
  const students = useStudentNames()
  const bookIt = useBook()
  const move = useMoveBooking()
  const error = bookIt.error ?? move.error ?? null
  const { values, form, field, pick, refused } = useBody(BODY, { start: initial(start), error })
  const wanted = asked(values)
  const rested = useRested(wanted, 250)
  const look = useLook(rested, booking?.id)
  const clashes = wanted ? (look.data ?? []) : []
  const cannot = clashes.some(({ level }) => level === 'cannot')
  const limited = clashes.some(({ level }) => level === 'limit')
  const names = (rows: { id: string; name: string }[]) => [NONE, ...rows.map(({ id, name }) => ({ id, word: name }))]

  const send = form(({ despite, weeks = 1 }) => {
    if (!wanted) return
    const body = { ...wanted, despite }
    if (booking) {
      move.mutate({ id: booking.id, version: booking.version, ...body }, { onSuccess: done })
      return
    }
    bookIt.mutate(
      { ...body, ...(weeks > 1 ? { weeks } : {}) },
      {
        onSuccess: (made) => {
          const left = made.filter((one) => !one.booking).length
          if (left > 0) toast(t`${made.length - left} booked; ${left} left out because of what stands there.`)
          done()
        },
      },
    )
  })
  return (
    <form {...send} className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <PickField label={t`Kind`} choices={KINDS} {...pick('kind')} />
        <PickField
          label={t`Aircraft`}
          choices={[NONE, ...board.aircraft.map(({ id, mark, type_name: type }) => ({ id, word: `${mark} ${type}` }))]}
          {...pick('aircraft_id')}
        />
        <PickField label={t`Student`} choices={names(students.data ?? [])} {...pick('student_id')} />
        <PickField label={t`Instructor`} choices={names(board.instructors)} {...pick('instructor_id')} />
        {values.kind === 'check' && (
          <PickField
            label={t`Examiner`}
            choices={names(board.instructors)}
            {...pick('examiner_id', { required: true })}
          />
        )}
        <Field label={t`Day`} {...field('day')} />
        <Field label={t`From, ${zoneWord()}`} {...field('from')} type="time" step={300} />
        <Field label={t`To, ${zoneWord()}`} {...field('to_at')} type="time" step={300} />
        {!booking && <Field label={t`Weeks in a row`} {...field('weeks')} />}
      </div>
      <Field label={t`Note`} {...field('note')} />
      {look.data && wanted && clashes.length === 0 && (
        <p className="m-0 font-semibold">{t`Nothing stands against it.`}</p>
      )}
      <Clashes clashes={clashes} />
      {limited && !cannot && (
        <Field label={t`All the same, because (it is kept)`} {...field('despite', { required: true })} />
      )}
      <Refused {...refused()} />
      <div className="flex gap-3">
        <button
          type="submit"
          className="button solid"
          disabled={!wanted || cannot || bookIt.isPending || move.isPending}
        >
          {booking ? t`Store` : t`Book it`}
        </button>
        <button type="button" className="button" onClick={done}>
          {t`Cancel`}
        </button>
      </div>
    </form>
  )
}

function initial(start: Start) {
  const from = start.from_at ? fieldOf(start.from_at) : ''
  const to = start.to_at ? fieldOf(start.to_at) : ''
  return {
    kind: start.kind ?? 'dual',
    student_id: start.student_id ?? '',
    instructor_id: start.instructor_id ?? '',
    examiner_id: start.examiner_id ?? '',
    aircraft_id: start.aircraft_id ?? '',
    day: from.slice(0, 10),
    from: from.slice(11),
    to_at: to.slice(11),
    note: start.note ?? '',
    weeks: '1',
    despite: '',
  }
}

/** What is asked for, once all of it is there. */
function asked(form: ReturnType<typeof initial>): Wanted | undefined {
  const { kind, student_id: student, instructor_id: instructor, examiner_id: examiner, aircraft_id: aircraft } = form
  if (!student || !instructor || !aircraft || !form.day || !form.from || !form.to_at) return undefined
  if (kind === 'check' && !examiner) return undefined
  const from = momentOf(`${form.day}T${form.from}`)
  const to = momentOf(`${form.day}T${form.to_at}`)
  if (!from || to <= from) return undefined
  return {
    kind: kind as Wanted['kind'],
    student_id: student,
    instructor_id: instructor,
    examiner_id: kind === 'check' ? examiner : null,
    aircraft_id: aircraft,
    from_at: from,
    to_at: to,
    note: form.note || null,
    despite: null,
  }
}
