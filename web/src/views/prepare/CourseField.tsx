import { t } from '@lingui/core/macro'
import { useState } from 'react'
import ranges from '../../../../core/data/ranges.json'
import type { Planned, SortieChange } from '../../api/client'
import { usePlaces } from '../../api/queries'
import { Pick } from '../../design/Pick'
import { NumberField } from './NumberField'
import { Was } from './Was'

interface Props {
  sortie: Planned
  /** When the view was opened; null is into wind. */
  was: number | null
  set: (fields: SortieChange) => void
  error: string | undefined
}

const courseWord = (deg: number) => `${String(deg).padStart(3, '0')}°`
const INTO_WIND = 'wind'
const TYPED = 'typed'

/** The final course: one of the place's, into whatever wind there is, or typed. */
export function CourseField({ sortie, was, set, error }: Props) {
  const place = (usePlaces().data ?? []).find(({ name }) => name === sortie.spot_name.replace(/^Near /, ''))
  const courses = place?.courses ?? []
  const course = sortie.course_deg ?? null
  const [typing, setTyping] = useState(false)
  const typed = typing || (course !== null && !courses.includes(course))
  const choose = (id: string) => {
    setTyping(id === TYPED)
    if (id === INTO_WIND) set({ course_deg: null })
    if (id !== INTO_WIND && id !== TYPED) set({ course_deg: Number(id) })
  }
  return (
    <>
      <label className="grid gap-0.5">
        <span className="label">
          {t`Final course`} {course !== was && <Was text={was === null ? t`into wind` : courseWord(was)} />}
        </span>
        <Pick
          value={typed ? TYPED : course === null ? INTO_WIND : String(course)}
          disabled={!sortie.may_edit}
          choices={[
            { id: INTO_WIND, word: t`into wind` },
            ...courses.map((deg) => ({ id: String(deg), word: courseWord(deg) })),
            { id: TYPED, word: t`typed` },
          ]}
          onChange={choose}
        />
      </label>
      {typed && (
        <NumberField
          label={t`Course`}
          unit="° true"
          step={10}
          low={ranges.course_deg[0] ?? 0}
          high={ranges.course_deg[1] ?? 360}
          optional
          value={course}
          disabled={!sortie.may_edit}
          error={error}
          onChange={(value) => set({ course_deg: value })}
        />
      )}
    </>
  )
}
