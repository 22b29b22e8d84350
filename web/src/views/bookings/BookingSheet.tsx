import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCancelBooking, useMakeLesson, type Board, type Booking } from '../../api/bookings'
import { Refused } from '../../design/Field'
import { ReasonForm } from '../../design/ReasonForm'
import { SheetBody } from '../../design/Sheet'
import { capital, clockOf, fullDayOf, shortDayOf } from '../../design/words'
import { BookingForm, type Start } from './BookingForm'

interface Props {
  board: Board
  booking: Booking
  staff: boolean
  close: () => void
  offer: (start: Start) => void
}

/** One booking: what it is, to change, to cancel with why, to make the lesson of. */
export function BookingSheet({ board, booking, staff, close, offer }: Props) {
  const [changing, setChanging] = useState(false)
  const cancel = useCancelBooking()
  const lesson = useMakeLesson()
  const navigate = useNavigate()
  return (
    <Dialog.Root open onOpenChange={close}>
      <SheetBody title={t`${capital(booking.kind)}: ${booking.student.name} in ${booking.aircraft.mark}`}>
        {changing ? (
          <BookingForm board={board} booking={booking} start={startOf(booking)} done={close} />
        ) : cancel.data ? (
          <div className="grid gap-3">
            <p className="m-0">
              <Trans>It is cancelled. {cancel.data.offers.length === 0 && t`Nobody waits who could take it.`}</Trans>
            </p>
            {cancel.data.offers.map(({ wait, student, last_lesson: last }) => (
              <div key={wait} className="flex items-center justify-between gap-3 border-t border-rule pt-2">
                <span>
                  <Trans>
                    <b>{student.name}</b> waits
                    <span className="label block">
                      {last ? t`flew last on ${shortDayOf(last)}` : t`has not flown yet`}
                    </span>
                  </Trans>
                </span>
                <button
                  type="button"
                  className="button"
                  onClick={() => offer({ ...startOf(booking), kind: 'dual', student_id: student.id })}
                >
                  <Trans>
                    Offer it<span className="sr-only"> to {student.name}</span>
                  </Trans>
                </button>
              </div>
            ))}
          </div>
        ) : (
          <div className="grid gap-3">
            <p className="m-0 text-lg">
              <Trans>
                {fullDayOf(booking.from_at)}, <b>{clockOf(booking.from_at)}</b> to <b>{clockOf(booking.to_at)}</b>
                <br />
                with {booking.instructor.name}
                {booking.examiner && t`, examined by ${booking.examiner.name}`}
              </Trans>
            </p>
            {booking.note && <p className="m-0">{booking.note}</p>}
            {booking.despite && <p className="limit-note m-0 p-2">{t`Booked all the same: ${booking.despite}`}</p>}
            {booking.sortie_id && <Link to={`/sorties/${booking.sortie_id}/prepare`}>{t`The lesson`}</Link>}
            {staff && (
              <>
                <div className="flex flex-wrap gap-3">
                  {!booking.sortie_id && (
                    <button
                      type="button"
                      className="button solid"
                      disabled={lesson.isPending}
                      onClick={() =>
                        lesson.mutate(booking.id, {
                          onSuccess: ({ sortie_id: id }) => void navigate(`/sorties/${id}/prepare`),
                        })
                      }
                    >
                      {t`Prepare the lesson`}
                    </button>
                  )}
                  <button type="button" className="button" onClick={() => setChanging(true)}>
                    {t`Change`}
                  </button>
                </div>
                <ReasonForm
                  ask={t`Why it is cancelled`}
                  act={t`Cancel it`}
                  onReason={(why) => cancel.mutate({ id: booking.id, why })}
                />
              </>
            )}
            <Refused error={cancel.error ?? lesson.error} />
          </div>
        )}
      </SheetBody>
    </Dialog.Root>
  )
}

const startOf = (booking: Booking): Start => ({
  kind: booking.kind,
  student_id: booking.student.id,
  instructor_id: booking.instructor.id,
  examiner_id: booking.examiner?.id ?? '',
  aircraft_id: booking.aircraft.id,
  from_at: booking.from_at,
  to_at: booking.to_at,
  note: booking.note ?? null,
})
