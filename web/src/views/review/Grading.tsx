import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Attempt, Session, Sortie } from '../../api/client'
import { useAddGrades, useVoidAttempt } from '../../api/review'
import { GradeGlyph } from '../../design/GradeGlyph'
import { capital, GRADE_WORDS } from '../../design/words'
import { GradeChoice } from './GradeChoice'
import { FlownAs } from './FlownAs'
import { useGradeKeys } from './useGradeKeys'
import { isLearner } from '../../api/who'
import { ReasonForm } from '../../design/ReasonForm'
import { useTyped } from '../../design/useTyped'

interface Props {
  attempt: Attempt
  sortie: Sortie
  session: Session
}

/** Grades per phase: the student's own first, the proposal with its driver, then the instructor's with a reason for a change. */
export function Grading({ attempt, sortie, session }: Props) {
  const mine = isLearner(session.person)
  const me = session.person
  const first = attempt.grades.some((g) => g.kind === 'instructor' && g.by === me?.name)
  const mayDiffer = !mine && !first && attempt.grades.some((g) => g.kind === 'instructor')
  const [asked, setAsked] = useState(false)
  // Of a colleague's lesson it is the only one that one gives.
  const theirs = !mine && !sortie.may_edit
  // A second opinion is given without sight of the first, or of the proposal.
  const second = theirs ? !asked : asked && mayDiffer
  const kind = mine ? 'self' : second || theirs ? 'second' : 'instructor'
  const add = useAddGrades(sortie.id)
  const setVoid = useVoidAttempt(sortie.id)
  const [chosen, setChosen, dropChosen] = useTyped<Record<string, number>>(`${attempt.id}.${kind}.grades`, {})
  const [reasons, setReasons, dropReasons] = useTyped<Record<string, string>>(`${attempt.id}.${kind}.why`, {})
  const given = (phase: string, of: 'self' | 'instructor' | 'second') =>
    attempt.grades.filter((g) => g.phase === phase && g.kind === of && (of !== 'second' || g.by === me?.name)).at(-1)
  // Without a standard nothing is proposed, and every phase may be graded by hand.
  const byHand = attempt.phases.every((phase) => phase.proposed == null)
  const phases = attempt.phases.filter(
    (phase) => mine || byHand || phase.proposed !== null || given(phase.id, 'instructor'),
  )
  const open = phases.filter((phase) => !given(phase.id, kind))
  const value = (id: string, proposed: number | null | undefined) =>
    chosen[id] ?? (mine || second ? undefined : (proposed ?? undefined))
  const ready = open
    .map((phase) => ({
      phase: phase.id,
      kind,
      grade: value(phase.id, phase.proposed),
      proposed: phase.proposed,
      reason: reasons[phase.id]?.trim(),
    }))
    .filter((entry): entry is typeof entry & { grade: number } => entry.grade !== undefined)
  const unexplained = ready.filter(
    (entry) => kind === 'instructor' && entry.proposed != null && entry.grade !== entry.proposed && !entry.reason,
  )

  const stored = () => {
    dropChosen()
    dropReasons()
    toast(mine || second ? t`Your grades are kept. Now compare.` : t`Grades stored`)
  }
  const store = () =>
    void add
      .mutateAsync({
        attemptId: attempt.id,
        grades: ready.map(({ phase, grade, reason }) => ({ phase, kind, grade, ...(reason ? { reason } : {}) })),
      })
      .then(stored, () => undefined)
  const storable =
    ready.length > 0 && !((mine || second) && ready.length < open.length) && unexplained.length === 0 && !add.isPending
  const turn = useGradeKeys(
    open.map((phase) => phase.id),
    (phase, grade) => setChosen((before) => ({ ...before, [phase]: grade })),
    () => storable && store(),
  )

  const storeWord = () => {
    if ((mine || second) && ready.length < open.length) return t`Grade ${open.length - ready.length} more`
    if (mine) return t`Keep my grades`
    if (second) return t`Keep the second opinion`
    if (unexplained.length > 0) return t`A change wants a reason`
    return byHand || Object.keys(chosen).length > 0 ? t`Store these grades` : t`Confirm the proposal`
  }

  return (
    <section aria-label={t`Grades`} className="sheet p-3">
      <div className="flex items-baseline justify-between">
        <h2 className="m-0 text-lg font-bold">{t`Attempt ${attempt.position}: grades`}</h2>
        {attempt.help && attempt.help !== 'alone' && (
          <span className="label">{t`most help: ${attempt.help.replace('_', ' ')}`}</span>
        )}
      </div>
      {!mine && !attempt.self_graded && (
        <p className="label mt-1 mb-0">
          {t`${sortie.student.name} has not graded this attempt yet, and sees nothing of yours until then.`}
        </p>
      )}
      {byHand && !mine && (
        <p className="label mt-1 mb-0">
          {t`Nothing of it could be judged: nothing is proposed. Grade by hand, or leave it.`}
        </p>
      )}
      {theirs && (
        <p className="label mt-1 mb-0">{t`A lesson of ${sortie.instructor.name}: your grades are a second opinion.`}</p>
      )}
      {mayDiffer && (
        <button
          type="button"
          className="act mt-1 text-sm"
          onClick={() => {
            setAsked(!asked)
          }}
        >
          {second ? t`Show what was graded` : t`Give a second opinion, without sight of the first`}
        </button>
      )}
      <div className="grid gap-2 pt-2">
        {phases.map((phase) => (
          <div
            key={phase.id}
            aria-current={phase.id === turn ? 'step' : undefined}
            className="border-t border-rule pt-1.5 pl-2 aria-[current=step]:border-l-4 aria-[current=step]:border-l-ink"
          >
            <div className="flex items-center justify-between">
              <span className="font-semibold">{capital(phase.id)}</span>
              <span className="flex gap-3 text-sm">
                {given(phase.id, 'self') && (
                  <span className="inline-flex items-center gap-1" title={t`The student's own grade`}>
                    {t`own`} <GradeGlyph grade={given(phase.id, 'self')?.grade} own />
                  </span>
                )}
                {!second && given(phase.id, 'instructor') && (
                  <span className="inline-flex items-center gap-1">
                    <GradeGlyph grade={given(phase.id, 'instructor')?.grade} worded />
                  </span>
                )}
              </span>
            </div>
            {attempt.shown === 'all' && !byHand && !second && (
              <p className="label m-0">
                {t`Proposed ${GRADE_WORDS[phase.proposed ?? -1]?.toLowerCase() ?? t`nothing: not recorded`}${
                  phase.because ? t`, because of ${phase.because.toLowerCase()}` : ''
                }${phase.critical ? t`, critical` : ''}${phase.help ? t`, tapped ${phase.help.replace('_', ' ')}` : ''}${
                  phase.cockpit_grade != null
                    ? t`; in the cockpit ${GRADE_WORDS[phase.cockpit_grade]?.toLowerCase() ?? ''}`
                    : ''
                }`}
              </p>
            )}
            {!second && given(phase.id, 'instructor')?.reason && (
              <p className="label m-0">
                <Trans>Changed: {given(phase.id, 'instructor')?.reason}</Trans>
              </p>
            )}
            {!given(phase.id, kind) && (
              <GradeChoice
                label={t`${mine ? t`Your grade` : t`Grade`} for ${phase.id}`}
                value={value(phase.id, phase.proposed)}
                onChange={(grade) => setChosen((before) => ({ ...before, [phase.id]: grade }))}
              />
            )}
            {kind === 'instructor' &&
              !given(phase.id, kind) &&
              phase.proposed != null &&
              value(phase.id, phase.proposed) !== phase.proposed && (
                <label className="mt-1 grid gap-0.5">
                  <span className="label">{t`Why it differs from the proposal`}</span>
                  <input
                    className="field"
                    value={reasons[phase.id] ?? ''}
                    onChange={(e) => setReasons((before) => ({ ...before, [phase.id]: e.target.value }))}
                  />
                </label>
              )}
          </div>
        ))}
      </div>
      {unexplained.length > 1 && (
        <OneReason
          phases={unexplained.map((entry) => entry.phase)}
          give={(reason) =>
            setReasons((before) => ({
              ...before,
              ...Object.fromEntries(unexplained.map((entry) => [entry.phase, reason])),
            }))
          }
        />
      )}
      {open.length > 0 && (
        <p className="label mt-2 mb-0">{t`Keys: 0 to 4 for the marked phase, comma and full stop to move, c to store.`}</p>
      )}
      {open.length > 0 && (
        <button type="button" className="button solid mt-3 w-full" disabled={!storable} onClick={store}>
          {storeWord()}
        </button>
      )}
      {add.isError && (
        <p role="alert" className="limit-note mt-2 mb-0 p-2">
          {Object.values('fields' in add.error ? (add.error.fields as Record<string, string>) : {}).join('; ') ||
            add.error.message}
        </p>
      )}
      {sortie.may_edit && <FlownAs attempt={attempt} sortie={sortie} />}
      {sortie.may_edit && (
        <VoidControl
          attempt={attempt}
          setVoid={(counts, reason) => setVoid.mutate({ attemptId: attempt.id, counts, ...(reason ? { reason } : {}) })}
        />
      )}
    </section>
  )
}

/** One reason for every changed grade that has none yet. */
function OneReason({ phases, give }: { phases: string[]; give: (reason: string) => void }) {
  return (
    <ReasonForm
      className="mt-2"
      ask={t`One reason for ${phases.map((phase) => phase.replaceAll('_', ' ')).join(', ')}`}
      act={t`Take it for all`}
      onReason={give}
    />
  )
}

interface VoidProps {
  attempt: Attempt
  setVoid: (counts: boolean, reason?: string) => void
}

/** An attempt disturbed by somebody else's hands can be taken out of the count, with a reason, and put back. */
function VoidControl({ attempt, setVoid }: VoidProps) {
  const [asking, setAsking] = useState(false)
  if (!attempt.counts) {
    return (
      <p className="mt-2 mb-0 text-sm">
        <Trans>Does not count: {attempt.void_reason}. </Trans>
        <button type="button" className="act" onClick={() => setVoid(true)}>
          {t`Count it again`}
        </button>
      </p>
    )
  }
  if (!asking) {
    return (
      <button type="button" className="act mt-2 text-sm" onClick={() => setAsking(true)}>
        {t`This attempt should not count`}
      </button>
    )
  }
  return (
    <ReasonForm
      className="mt-2"
      ask={t`Why it should not count`}
      act={t`Do not count`}
      close
      focused
      onReason={(reason) => {
        setVoid(false, reason)
        setAsking(false)
      }}
    />
  )
}
