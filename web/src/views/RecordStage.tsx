import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import type { Schemas, Session, Sortie } from '../api/client'
import { useChangeSortie, useStudent, useStudentLessons } from '../api/queries'
import { changeSortie } from '../api/ranges.generated'
import { Field, Refused } from '../design/Field'
import { Failed, Loading } from '../design/States'
import { fieldOf, momentOf, zoneWord } from '../design/times'
import { useBody } from '../design/useBody'
import { useTyped } from '../design/useTyped'
import { clockOf, hoursOf } from '../design/words'
import { useFlightTime } from '../api/school'
import { Colleagues } from './lesson/Colleagues'
import { Correction } from './lesson/Correction'
import { Conditions } from './Conditions'
import { StandingSummary } from './StandingSummary'
import { isLearner } from '../api/who'

/** Record: time in the log, the one thing for next time, where the student stands, the sign-off. */
export function RecordStage({ sortie, session }: { sortie: Sortie; session: Session }) {
  const student = useStudent(sortie.student.id)
  const lessons = useStudentLessons(sortie.student.id)
  if (student.isPending) return <Loading what={t`the record`} />
  if (student.isError) return <Failed error={student.error} again={() => void student.refetch()} />
  return (
    <div className="mt-4 grid gap-6 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <div className="grid content-start gap-4">
        <FlightForm sortie={sortie} total={student.data.total_minutes} />
        <Colleagues sortie={sortie} session={session} />
        {sortie.may_edit && <Correction sortie={sortie} />}
      </div>
      <div className="grid content-start gap-4">
        {sortie.manoeuvres.map((manoeuvre) => (
          <Stands
            key={manoeuvre}
            title={sortie.exercises.find((exercise) => exercise.manoeuvre === manoeuvre)?.title ?? manoeuvre}
            manoeuvre={manoeuvre}
            student={student.data}
            history={lessons.history}
            staff={!isLearner(session.person)}
          />
        ))}
      </div>
    </div>
  )
}

interface StandsProps {
  title: string
  manoeuvre: string
  student: Schemas['Student']
  history: Schemas['StudentLessons']['history']
  staff: boolean
}

/** Where the student stands in one of the lesson's manoeuvres. */
function Stands({ title, manoeuvre, student, history, staff }: StandsProps) {
  const standing = student.standings.find((row) => row.manoeuvre === manoeuvre)
  const signed = student.sign_offs.find((row) => row.manoeuvre === manoeuvre && !row.withdrawn)
  if (!standing) {
    return (
      <p className="m-0 border border-dashed border-faint p-5 text-soft">
        {t`${title}: nothing graded yet. Grade an attempt in Review, and it appears here.`}
      </p>
    )
  }
  return (
    <section className="sheet grid gap-4 p-4">
      <StandingSummary standing={standing} history={history} signedAt={signed?.signed_at} />
      <Conditions standing={standing} studentId={student.id} staff={staff} />
    </section>
  )
}

const toField = (iso: string | null | undefined) => (iso ? fieldOf(iso) : '')

function FlightForm({ sortie, total }: { sortie: Sortie; total: number }) {
  const change = useChangeSortie(sortie.id)
  const [off, setOff, dropOff] = useTyped(`${sortie.id}.off`, toField(sortie.off_at))
  const [on, setOn, dropOn] = useTyped(`${sortie.id}.on`, toField(sortie.on_at))
  const [focus, setFocus, dropFocus] = useTyped(`${sortie.id}.next`, sortie.next_focus ?? '')
  const stored = () => {
    for (const drop of [dropOff, dropOn, dropFocus]) drop()
    toast(t`Stored in the log`)
  }
  const typed = { off_at: off, on_at: on, next_focus: focus }
  const { form, field, put, refused } = useBody(changeSortie, {
    start: typed,
    error: change.error,
    typed,
    onTyped: (now) => {
      setOff(now.off_at)
      setOn(now.on_at)
      setFocus(now.next_focus)
    },
  })
  const minutes = off && on ? Math.round((Date.parse(momentOf(on)) - Date.parse(momentOf(off))) / 60000) : undefined
  const locked = !sortie.may_edit
  const proposed = useFlightTime(sortie.id, !locked && sortie.recordings.length > 0 && !sortie.on_at)
  return (
    <form
      className="sheet grid content-start gap-3 p-4"
      {...form((body) => void change.mutateAsync(body).then(stored, () => undefined))}
    >
      <h2 className="m-0 text-lg font-semibold">{t`Flight time`}</h2>
      <div className="grid gap-3">
        <Field label={t`Off, ${zoneWord()}`} disabled={locked} {...field('off_at')} />
        <Field label={t`On, ${zoneWord()}`} disabled={locked} {...field('on_at')} />
      </div>
      {proposed.data && (
        <p className="m-0">
          {proposed.data.text}{' '}
          {proposed.data.off_at && proposed.data.on_at && (
            <button
              type="button"
              className="button"
              onClick={() => {
                put('off_at', toField(proposed.data.off_at))
                put('on_at', toField(proposed.data.on_at))
              }}
            >
              {t`Take ${clockOf(proposed.data.off_at)} to ${clockOf(proposed.data.on_at)}`}
            </button>
          )}
        </p>
      )}
      <p className="m-0 text-2xl font-bold">
        {minutes !== undefined && minutes > 0 ? hoursOf(minutes) : '—'}
        <span className="unit">{t`${sortie.people_aboard}; ${hoursOf(total)} in the log`}</span>
      </p>
      <Field label={t`The one thing for next time`} disabled={locked} {...field('next_focus')} />
      <Refused {...refused()} />
      {!locked && (
        <button type="submit" className="button solid" disabled={change.isPending}>
          {t`Store`}
        </button>
      )}
    </form>
  )
}
