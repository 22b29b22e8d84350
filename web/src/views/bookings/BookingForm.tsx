import { t } from '@lingui/core/macro'
import { useState, type FormEvent } from 'react'
import { toast } from 'sonner'
import { useBook, useLook, useMoveBooking, type Board, type Booking, type Wanted } from '../../api/bookings'
import { useStudentNames } from '../../api/queries'
import { Field, fieldErrors, PickField, Refused } from '../../design/Field'
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
  const book = useBook()
  const move = useMoveBooking()
  const [form, setForm] = useState(() => initial(start))
  const [despite, setDespite] = useState('')
  const [weeks, setWeeks] = useState('1')
  const put = (name: keyof typeof form) => (text: string) => setForm((now) => ({ ...now, [name]: text }))
  const wanted = asked(form)
  const rested = useRested(wanted, 250)
  const look = useLook(rested, booking?.id)
  const clashes = wanted ? (look.data ?? []) : []
  const cannot = clashes.some(({ level }) => level === 'cannot')
  const limited = clashes.some(({ level }) => level === 'limit')
  const error = book.error ?? move.error ?? null
  const names = (rows: { id: string; name: string }[]) => [NONE, ...rows.map(({ id, name }) => ({ id, word: name }))]

  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!wanted) return
    const body = { ...wanted, despite: despite.trim() || null }
    if (booking) {
      move.mutate({ id: booking.id, version: booking.version, ...body }, { onSuccess: done })
      return
    }
    book.mutate(
      { ...body, ...(Number(weeks) > 1 ? { weeks: Number(weeks) } : {}) },
      {
        onSuccess: (made) => {
          const left = made.filter((one) => !one.booking).length
          if (left > 0) toast(t`${made.length - left} booked; ${left} left out because of what stands there.`)
          done()
        },
      },
    )
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <PickField label={t`Kind`} value={form.kind} choices={KINDS} onText={put('kind')} />
        <PickField
          label={t`Aircraft`}
          required
          value={form.aircraft_id}
          choices={[NONE, ...board.aircraft.map(({ id, mark, type_name: type }) => ({ id, word: `${mark} ${type}` }))]}
          onText={put('aircraft_id')}
        />
        <PickField
          label={t`Student`}
          required
          value={form.student_id}
          choices={names(students.data ?? [])}
          onText={put('student_id')}
        />
        <PickField
          label={t`Instructor`}
          required
          value={form.instructor_id}
          choices={names(board.instructors)}
          onText={put('instructor_id')}
        />
        {form.kind === 'check' && (
          <PickField
            label={t`Examiner`}
            required
            value={form.examiner_id}
            choices={names(board.instructors)}
            onText={put('examiner_id')}
          />
        )}
        <Field label={t`Day`} type="date" required value={form.day} onText={put('day')} />
        <Field label={t`From, ${zoneWord()}`} type="time" step={300} required value={form.from} onText={put('from')} />
        <Field
          label={t`To, ${zoneWord()}`}
          type="time"
          step={300}
          required
          value={form.to}
          error={fieldErrors(error).to_at}
          onText={put('to')}
        />
        {!booking && <Field label={t`Weeks in a row`} type="number" min={1} max={26} value={weeks} onText={setWeeks} />}
      </div>
      <Field label={t`Note`} maxLength={200} value={form.note} onText={put('note')} />
      {look.data && wanted && clashes.length === 0 && (
        <p className="m-0 font-semibold">{t`Nothing stands against it.`}</p>
      )}
      <Clashes clashes={clashes} />
      {limited && !cannot && (
        <Field
          label={t`All the same, because (it is kept)`}
          required
          minLength={3}
          value={despite}
          onText={setDespite}
        />
      )}
      <Refused error={error} fields={['to_at']} />
      <div className="flex gap-3">
        <button type="submit" className="button solid" disabled={!wanted || cannot || book.isPending || move.isPending}>
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
    to: to.slice(11),
    note: start.note ?? '',
  }
}

/** What is asked for, once all of it is there. */
function asked(form: ReturnType<typeof initial>): Wanted | undefined {
  const { kind, student_id: student, instructor_id: instructor, examiner_id: examiner, aircraft_id: aircraft } = form
  if (!student || !instructor || !aircraft || !form.day || !form.from || !form.to) return undefined
  if (kind === 'check' && !examiner) return undefined
  const from = momentOf(`${form.day}T${form.from}`)
  const to = momentOf(`${form.day}T${form.to}`)
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
