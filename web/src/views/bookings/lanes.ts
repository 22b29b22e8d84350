import { t } from '@lingui/core/macro'
import type { Board, Booking } from '../../api/bookings'
import { dateIn, minuteIn } from '../../design/times'

export type Grouping = 'aircraft' | 'instructor' | 'student'

/** Something on the board: a booking, a lesson nobody booked, a time away. */
export interface Bar {
  id: string
  from_at: string
  to_at: string
  title: string
  detail: string
  kind: Booking['kind'] | 'lesson' | 'away'
  cancelled: boolean
  booking?: Booking
  sortie?: string
  day: string
  start: number
  end: number
}
export interface Lane {
  id: string
  title: string
  note: string
  bars: Bar[]
}

/** A step of the board, minutes: what a bar is moved by. */
export const STEP_MIN = 15

const place = (from: string, to: string) => {
  const day = dateIn(from)
  const start = minuteIn(from)
  return { day, start, end: dateIn(to) === day ? Math.max(minuteIn(to), start + 5) : 24 * 60 }
}

function bookingBar(booking: Booking, by: Grouping): Bar {
  const { id, from_at: from, to_at: to, student, instructor, aircraft } = booking
  const names = {
    aircraft: [student.name, instructor.name],
    instructor: [student.name, aircraft.mark],
    student: [aircraft.mark, instructor.name],
  }
  return {
    id,
    from_at: from,
    to_at: to,
    title: names[by][0] ?? '',
    detail: [booking.kind === 'dual' ? '' : booking.kind, names[by][1]].filter(Boolean).join(' · '),
    kind: booking.kind,
    cancelled: booking.state === 'cancelled',
    booking,
    ...(booking.sortie_id ? { sortie: booking.sortie_id } : {}),
    ...place(from, to),
  }
}

function lessonBar(lesson: Board['lessons'][number], by: Grouping): Bar {
  const names = {
    aircraft: [lesson.student.name, lesson.instructor.name],
    instructor: [lesson.student.name, lesson.aircraft.mark],
    student: [lesson.aircraft.mark, lesson.instructor.name],
  }
  return {
    id: lesson.id,
    from_at: lesson.from_at,
    to_at: lesson.to_at,
    title: names[by][0] ?? '',
    detail: names[by][1] ?? '',
    kind: 'lesson',
    cancelled: false,
    sortie: lesson.id,
    ...place(lesson.from_at, lesson.to_at),
  }
}

const owner = (row: Pick<Booking, 'aircraft' | 'student' | 'instructor'>, by: Grouping) =>
  by === 'aircraft' ? row.aircraft.id : row[by].id

/** The board as rows: one an aircraft, an instructor or a student, with what stands on it. */
export function lanesOf(board: Board, by: Grouping): Lane[] {
  const bars = new Map<string, Bar[]>()
  const put = (id: string, bar: Bar) => bars.set(id, [...(bars.get(id) ?? []), bar])
  for (const booking of board.bookings) if (booking.state === 'booked') put(owner(booking, by), bookingBar(booking, by))
  for (const lesson of board.lessons) put(owner(lesson, by), lessonBar(lesson, by))
  for (const { id, person, from_at: from, to_at: to, words } of board.absences)
    if (by !== 'aircraft')
      put(person.id, {
        id,
        from_at: from,
        to_at: to,
        title: t`Away`,
        detail: words,
        kind: 'away',
        cancelled: false,
        ...place(from, to),
      })
  return titles(board, by).map(({ id, title, note }) => ({ id, title, note, bars: bars.get(id) ?? [] }))
}

function titles(board: Board, by: Grouping): { id: string; title: string; note: string }[] {
  if (by === 'aircraft')
    return board.aircraft.map(({ id, mark, type_name: type, grounded }) => ({
      id,
      title: mark,
      note: grounded ? t`does not fly` : type,
    }))
  if (by === 'instructor') return board.instructors.map(({ id, name }) => ({ id, title: name, note: '' }))
  const students = [...board.bookings, ...board.lessons].map(({ student }) => student)
  return [...new Map(students.map(({ id, name }) => [id, { id, title: name, note: '' }])).values()].sort((a, b) =>
    a.title.localeCompare(b.title),
  )
}

/** The hours that a day's board shows: from before the first to after the last, and always the middle of the day. */
export function hoursShown(lanes: Lane[], day: string): [number, number] {
  const bars = lanes.flatMap((lane) => lane.bars).filter((bar) => bar.day === day && bar.kind !== 'away')
  const first = Math.min(8 * 60, ...bars.map(({ start }) => start))
  const last = Math.max(18 * 60, ...bars.map(({ end }) => end))
  return [Math.floor(first / 60), Math.ceil(last / 60)]
}
