import { Link } from 'react-router'
import type { Standing } from '../api/client'
import { useStudents } from '../api/queries'
import { HeadRow } from '../design/HeadRow'
import { GradeGlyph } from '../design/GradeGlyph'
import { Empty, Failed, Loading } from '../design/States'
import { capital, clockOf, shortDayOf } from '../design/words'

/** Every student with level, trend and what is missing for the sign-off. */
export function Students() {
  const students = useStudents()
  if (students.isPending) return <Loading what="the students" />
  if (students.isError) return <Failed error={students.error} again={() => void students.refetch()} />
  return (
    <>
      <h1 className="m-0 border-b-2 border-ink pb-2 text-2xl font-bold">Students</h1>
      {students.data.items.length === 0 && <Empty>No student yet.</Empty>}
      <table className="mt-3 w-full border-collapse">
        <HeadRow
          heads={[
            'Student',
            'Stage',
            'Manoeuvre',
            'Latest level',
            'Trend',
            'Last flown',
            'For the sign-off',
            'Next sortie',
          ]}
        />
        <tbody>
          {students.data.items.map((student) => {
            const standing = student.standings[0]
            return (
              <tr key={student.id} className="border-t border-rule align-top">
                <td className="p-2 font-semibold">
                  <Link to={`/students/${student.id}`}>{student.name}</Link>
                </td>
                <td className="p-2">{capital(student.stage)}</td>
                <td className="p-2">{standing?.title ?? <span className="text-soft">not flown yet</span>}</td>
                <td className="p-2">{standing && <GradeGlyph grade={standing.level} worded />}</td>
                <td className="p-2">{standing?.trend ? <Trend trend={standing.trend} /> : '—'}</td>
                <td className="p-2">{standing?.last_flown ? shortDayOf(standing.last_flown) : '—'}</td>
                <td className="max-w-72 p-2 text-sm">{standing && <Missing standing={standing} />}</td>
                <td className="p-2">
                  {student.next_sortie ? `${shortDayOf(student.next_sortie)} ${clockOf(student.next_sortie)}` : '—'}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}

const SLOPES = { rising: 'M1 11 11 2m-5 0h5v5', steady: 'M1 7h11m-4-4 4 4-4 4', falling: 'M1 2 11 11m0-5v5H6' }

export function Trend({ trend }: { trend: 'rising' | 'steady' | 'falling' }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg width="14" height="13" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden="true">
        <path d={SLOPES[trend]} />
      </svg>
      {trend}
    </span>
  )
}

function Missing({ standing }: { standing: Standing }) {
  if (standing.signed_off) return <b>Signed off</b>
  if (standing.ready) return <b>Ready: every condition is met</b>
  const missing = standing.conditions.filter((condition) => !condition.met)
  return (
    <>
      {missing[0]?.text}
      {missing.length > 1 && <span className="text-soft"> and {missing.length - 1} more</span>}
    </>
  )
}
