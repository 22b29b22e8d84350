import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Attempt, Session, Sortie } from '../../api/client'
import { useAddGrades, useCallFault } from '../../api/review'
import { isLearner } from '../../api/who'
import { GradeGlyph } from '../../design/GradeGlyph'
import { GradeChoice } from './GradeChoice'
import { callFault } from '../../api/ranges.generated'
import { Field, PickField } from '../../design/Field'
import { useBody } from '../../design/useBody'

interface Props {
  attempt: Attempt
  sortie: Sortie
  session: Session
}

type Lesson = NonNullable<Attempt['teaching']>

const VERDICTS: Record<NonNullable<Lesson['verdict']>, string> = {
  first: t`That is what was there, and what to work on first.`,
  among: t`It was there, but something else came first.`,
  not_there: t`The recording shows another fault.`,
  none_there: t`The recording shows no fault.`,
}
const NONE = 'none'
// No fault is chosen too.
const CALL = { ...callFault, fault: { type: 'string', required: true } } as const

/** Teaching to teach: the candidate names the fault before the recording shows it; then played, named and recorded stand side by side. */
export function Teaching({ attempt, sortie, session }: Props) {
  const lesson = attempt.teaching
  if (!lesson) return null
  const candidate = isLearner(session.person)
  return (
    <section aria-label={t`Teaching`} className="sheet mb-2 grid gap-2 p-3">
      <h2 className="m-0 text-lg font-bold">{t`Attempt ${attempt.position}: teaching`}</h2>
      {candidate && !lesson.named && <CallFault attempt={attempt} sortieId={sortie.id} kind="named" lesson={lesson} />}
      {!candidate && !lesson.played && (
        <CallFault attempt={attempt} sortieId={sortie.id} kind="played" lesson={lesson} />
      )}
      {!candidate && !lesson.named && (
        <p className="label m-0">
          {t`${sortie.student.name} has not named the fault yet, and sees neither it nor the measures until then.`}
        </p>
      )}
      {attempt.shown === 'all' && <Compared lesson={lesson} />}
      {lesson.named?.cue && <p className="m-0 text-lg font-semibold">“{lesson.named.cue}”</p>}
      {attempt.shown === 'all' && (
        <TeachingGrades attempt={attempt} sortie={sortie} lesson={lesson} given={!candidate} />
      )}
    </section>
  )
}

/** Played, named and recorded, and what that says of the naming. */
function Compared({ lesson }: { lesson: Lesson }) {
  const rows = [
    [t`Played`, lesson.played?.title ?? t`not said`],
    [t`Named`, lesson.named?.title ?? t`not yet`],
    [t`Recorded`, lesson.recorded?.length ? lesson.recorded.join(t`, then `).toLowerCase() : t`no fault`],
  ]
  return (
    <>
      <dl className="m-0 grid grid-cols-[6rem_1fr] gap-x-2 gap-y-0.5">
        {rows.map(([term, text]) => (
          <div key={term} className="contents">
            <dt className="label">{term}</dt>
            <dd className="m-0 font-semibold first-letter:uppercase">{text}</dd>
          </div>
        ))}
      </dl>
      {lesson.verdict && <p className="m-0 border-l-4 border-ink pl-2 font-bold">{VERDICTS[lesson.verdict]}</p>}
    </>
  )
}

interface CallProps {
  attempt: Attempt
  sortieId: string
  kind: 'played' | 'named'
  lesson: Lesson
}

function CallFault({ attempt, sortieId, kind, lesson }: CallProps) {
  const call = useCallFault(sortieId)
  const { values, form, field, pick } = useBody(CALL, { start: { fault: '', cue: '' } })
  const naming = kind === 'named'
  const send = form(({ fault, cue }) =>
    call.mutate(
      {
        attemptId: attempt.id,
        kind,
        fault: fault === NONE ? null : fault,
        ...(naming && cue ? { cue: cue.trim() } : {}),
      },
      {
        onSuccess: () => toast(naming ? t`Your fault is kept. Now compare.` : t`Kept. The candidate does not see it.`),
      },
    ),
  )
  return (
    <form className="grid gap-2" {...send}>
      <PickField
        label={naming ? t`Which fault would you work on?` : t`The fault that you played`}
        choices={[
          { id: '', word: t`Choose one` },
          { id: NONE, word: t`No fault` },
          ...lesson.choices.map(({ id, title }) => ({ id, word: title })),
        ]}
        {...pick('fault')}
      />
      {naming && <Field label={t`The one cue that you gave`} {...field('cue')} />}
      <button type="submit" className="button solid" disabled={!values.fault || call.isPending}>
        {naming ? t`Name it, then compare` : t`Keep it for the comparison`}
      </button>
      {call.isError && <p className="limit-note m-0 p-2">{call.error.message}</p>}
    </form>
  )
}

/** Six grades of the teaching; the recording proposes the one for spotting the fault. */
function TeachingGrades({
  attempt,
  sortie,
  lesson,
  given,
}: {
  attempt: Attempt
  sortie: Sortie
  lesson: Lesson
  given: boolean
}) {
  const add = useAddGrades(sortie.id)
  const [changing, setChanging] = useState<string>()
  const grade = (id: string, value: number) =>
    add.mutate(
      { attemptId: attempt.id, grades: [{ phase: id, kind: 'teaching', grade: value }] },
      { onSuccess: () => setChanging(undefined) },
    )
  return (
    <div className="grid gap-1.5 border-t border-rule pt-2">
      {lesson.items.map((item) => (
        <div key={item.id}>
          <div className="flex items-center justify-between gap-2">
            <span className="font-semibold">{item.title}</span>
            <span className="inline-flex items-center gap-2">
              {item.grade != null && <GradeGlyph grade={item.grade} worded />}
              {given && changing !== item.id && (
                <button
                  type="button"
                  className="act text-sm"
                  aria-label={`${item.grade == null ? t`Grade` : t`Change`} ${item.title.toLowerCase()}`}
                  onClick={() => setChanging(item.id)}
                >
                  {item.grade == null ? t`Grade` : t`Change`}
                </button>
              )}
            </span>
          </div>
          {item.id === 'spotted' && item.grade == null && lesson.proposed_spotted != null && (
            <p className="label m-0 inline-flex items-center gap-1">
              {t`Proposed`} <GradeGlyph grade={lesson.proposed_spotted} worded size={16} />
            </p>
          )}
          {changing === item.id && (
            <GradeChoice
              label={t`Grade for ${item.title.toLowerCase()}`}
              value={undefined}
              onChange={(value) => grade(item.id, value)}
            />
          )}
        </div>
      ))}
    </div>
  )
}
