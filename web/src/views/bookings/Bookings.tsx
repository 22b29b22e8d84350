import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Dialog } from 'radix-ui'
import { useEffect, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { toast } from 'sonner'
import { useBoard, useMoveBooking, useSaid, type Wanted } from '../../api/bookings'
import type { Session } from '../../api/client'
import { isLearner } from '../../api/who'
import { Pick } from '../../design/Pick'
import { SheetBody } from '../../design/Sheet'
import { Failed, Loading } from '../../design/States'
import { dateIn, dateOf, dayAfter, longDayOf, momentOf, zoneWord } from '../../design/times'
import { clockOf } from '../../design/words'
import { BookingForm, type Start } from './BookingForm'
import { BookingSheet } from './BookingSheet'
import { DayBoard } from './DayBoard'
import { lanesOf, type Bar, type Grouping } from './lanes'
import { Waiting } from './Waiting'
import { WeekBoard } from './WeekBoard'

const GROUPINGS = [
  { id: 'aircraft', word: t`by aircraft` },
  { id: 'instructor', word: t`by instructor` },
  { id: 'student', word: t`by student` },
]
const USUAL_MIN = 60

/** The board of bookings: a day to move things on, a week to see. The address says which. */
export function Bookings({ session }: { session: Session }) {
  const [params, setParams] = useSearchParams()
  const today = dateIn(new Date().toISOString())
  const day = params.get('day') ?? today
  const week = params.get('view') === 'week'
  const by = (params.get('by') ?? 'aircraft') as Grouping
  const board = useBoard(day, week ? 7 : 1)
  const move = useMoveBooking()
  const said = useSaid()
  const navigate = useNavigate()
  const staff = !isLearner(session.person)
  const [open, setOpen] = useState<string | undefined>(params.get('open') ?? undefined)
  const [start, setStart] = useState<Start>()
  const show = (changes: Record<string, string>) => setParams((now) => ({ ...Object.fromEntries(now), ...changes }))

  // Said in the command box: read, and opened as a form to look at.
  const words = params.get('say')
  const { mutate: readSaid } = said
  useEffect(() => {
    if (!words) return
    setParams(
      (now) => {
        now.delete('say')
        return now
      },
      { replace: true },
    )
    readSaid(words, {
      onSuccess: ({ not_understood: left, ...fields }) => {
        if (left.length > 0) toast(t`Not understood: ${left.join(' ')}`)
        setStart(Object.fromEntries(Object.entries(fields).filter(([, value]) => value)))
      },
      onError: (error) => toast(error.message),
    })
  }, [words, readSaid, setParams])

  if (board.isPending) return <Loading what={t`the bookings`} />
  if (board.isError) return <Failed error={board.error} again={() => void board.refetch()} />
  const lanes = lanesOf(board.data, by)
  const booking = board.data.bookings.find(({ id }) => id === open)

  const moved = (bar: Bar, minutes: number, lane: string) => {
    if (!bar.booking) return
    const shifted = (iso: string) => new Date(Date.parse(iso) + minutes * 60_000).toISOString()
    const owner: Partial<Wanted> =
      by === 'aircraft' ? { aircraft_id: lane } : by === 'instructor' ? { instructor_id: lane } : { student_id: lane }
    move.mutate(
      {
        id: bar.id,
        version: bar.booking.version,
        from_at: shifted(bar.from_at),
        to_at: shifted(bar.to_at),
        ...owner,
        despite: bar.booking.despite ?? null,
      },
      {
        onSuccess: ({ clashes }) => {
          toast(t`${bar.title}: now ${clockOf(shifted(bar.from_at))} to ${clockOf(shifted(bar.to_at))}`)
          const note = clashes[0]
          if (note) toast(note.text)
        },
        onError: (error) => toast(t`It stays where it was. ${error.message}`, { duration: 8000 }),
      },
    )
  }
  const opened = (bar: Bar) =>
    bar.booking ? setOpen(bar.id) : bar.sortie && void navigate(`/sorties/${bar.sortie}/prepare`)
  const chosen = (lane: string, minute: number) => {
    const clock = (at: number) => `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
    setStart({
      [`${by}_id`]: lane,
      ...(by !== 'instructor' && session.person ? { instructor_id: session.person.id } : {}),
      from_at: momentOf(`${day}T${clock(minute)}`),
      to_at: momentOf(`${day}T${clock(Math.min(minute + USUAL_MIN, 24 * 60 - 1))}`),
    })
  }
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">
          {week ? t`Week from ${dateOf(day)}` : longDayOf(day)} <span className="unit">{t`times ${zoneWord()}`}</span>
        </h1>
        <div className="flex flex-wrap items-center gap-2">
          <button type="button" className="button" onClick={() => show({ day: dayAfter(day, week ? -7 : -1) })}>
            {t`Before`}
          </button>
          <button type="button" className="button" onClick={() => show({ day: today })}>
            {t`Today`}
          </button>
          <button type="button" className="button" onClick={() => show({ day: dayAfter(day, week ? 7 : 1) })}>
            {t`After`}
          </button>
          <button type="button" className="button" onClick={() => show({ view: week ? 'day' : 'week' })}>
            {week ? t`One day` : t`Week`}
          </button>
          <Pick
            className="!w-36"
            aria-label={t`Rows`}
            value={by}
            choices={GROUPINGS}
            onChange={(id) => show({ by: id })}
          />
          {staff && (
            <button
              type="button"
              className="button solid"
              onClick={() =>
                setStart(
                  session.person
                    ? {
                        instructor_id: session.person.id,
                        from_at: momentOf(`${day}T10:00`),
                        to_at: momentOf(`${day}T11:00`),
                      }
                    : {},
                )
              }
            >
              {t`Book`}
            </button>
          )}
        </div>
      </header>
      <div className="mt-3">
        {lanes.length === 0 && <p className="text-soft">{t`Nothing is booked in these days.`}</p>}
        {week ? (
          <WeekBoard
            board={board.data}
            lanes={lanes}
            opened={opened}
            showDay={(one) => show({ day: one, view: 'day' })}
          />
        ) : (
          <DayBoard
            board={board.data}
            lanes={lanes}
            day={day}
            moved={moved}
            opened={opened}
            chosen={chosen}
            movable={staff}
          />
        )}
      </div>
      <p className="label mt-2">
        <Trans>
          Solid: booked. Dashed: a lesson that nobody booked. Grey: before sunrise and after sunset.
          {staff && t` Drag a booking, or move it with the arrow keys; a double click on a free place books there.`}
        </Trans>
      </p>
      <Waiting board={board.data} staff={staff} />
      {booking && (
        <BookingSheet
          board={board.data}
          booking={booking}
          staff={staff}
          close={() => setOpen(undefined)}
          offer={(next) => {
            setOpen(undefined)
            setStart(next)
          }}
        />
      )}
      {start && (
        <Dialog.Root open onOpenChange={() => setStart(undefined)}>
          <SheetBody title={t`New booking`}>
            <BookingForm board={board.data} start={start} done={() => setStart(undefined)} />
          </SheetBody>
        </Dialog.Root>
      )}
    </>
  )
}
