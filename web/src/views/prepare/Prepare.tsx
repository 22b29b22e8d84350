import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { Refusal, type Plan, type Planned, type Sortie, type SortieChange } from '../../api/client'
import { usePlan } from '../../api/prepare'
import { useKeys } from '../../design/useKeys'
import { Failed, Loading } from '../../design/States'
import { shortDayOf } from '../../design/words'
import { Exercises } from '../lesson/Exercises'
import { Counted } from '../lesson/Counted'
import { FlownHow } from './FlownHow'
import { LastFocus } from '../lesson/LastFocus'
import { PowerCard } from '../lesson/PowerCard'
import { planned } from '../lesson/exercise'
import { useExercise } from '../lesson/useExercise'
import { Cautions } from './Cautions'
import { DayStrip } from './DayStrip'
import { Decision } from './Decision'
import { NumbersCard } from './NumbersCard'
import { Pictures } from './Pictures'
import { SiteChoice } from './SiteChoice'
import { SoloCard } from './SoloCard'
import { Weather } from './Weather'
import { useDraft } from './useDraft'

const NOT_PLANNED: (keyof SortieChange)[] = [
  'go_decision',
  'go_reason',
  'objective',
  'spot_name',
  'next_focus',
  'planned_count',
  'off_at',
  'on_at',
]

/** Prepare: the lesson's exercises in their order, and for one of them the day in, the numbers and the picture out. */
export function Prepare({ sortie }: { sortie: Sortie }) {
  const { exercise, index, choose } = useExercise(sortie)
  return (
    <>
      <FlownHow exercise={exercise} flown={sortie.on_at != null || exercise.attempts > 0} />
      <div className="flex flex-wrap items-center gap-x-8">
        <Exercises sortie={sortie} index={index} choose={choose} />
        <Counted lines={exercise.counted} />
      </div>
      <PrepareExercise key={exercise.id} sortie={planned(sortie, exercise)} />
    </>
  )
}

function PrepareExercise({ sortie }: { sortie: Planned }) {
  const { draft, set, change, left, current } = useDraft(sortie)
  const [opened] = useState(sortie)
  // What the plan depends on: everything stored, with the unsaved changes on top.
  const basis = useMemo(
    () => ({
      ...pick(sortie),
      ...Object.fromEntries(Object.entries(draft).filter(([key]) => !NOT_PLANNED.includes(key as keyof SortieChange))),
    }),
    [draft, sortie],
  )
  const plan = usePlan(sortie.id, sortie.exercise_id, basis)
  const shown = useLastGood(plan.data)
  // What stands on screen is of the day before the change, until the new plan has come.
  const old = plan.isPlaceholderData || plan.isError
  const navigate = useNavigate()
  useKeys(
    useMemo(
      () => [
        { key: 'p', does: t`Print the card`, run: () => window.print() },
        { key: 'f', does: t`On to Fly`, run: () => void navigate(`/sorties/${sortie.id}/fly`) },
      ],
      [navigate, sortie.id],
    ),
  )
  const errors = plan.error instanceof Refusal ? plan.error.fields : {}

  return (
    <>
      <DayStrip
        sortie={current}
        opened={opened}
        plan={shown}
        set={set}
        errors={errors}
        aircraftId={draft.aircraft_id}
      />
      <SiteChoice sortie={current} />
      <Weather sortie={current} set={set} />
      {left && (
        <p role="status" className="caution-edge mt-2 mb-0 flex flex-wrap items-center gap-3 py-1 pl-4">
          {t`What you changed here before was not stored, and stands in the day as you left it.`}
          <button type="button" className="button" onClick={left.keep}>
            {t`Store it`}
          </button>
          <button type="button" className="button" onClick={left.drop}>
            {t`Drop it`}
          </button>
        </p>
      )}
      {change.isError && <Failed error={change.error} again={() => set({})} />}
      {plan.isError && (
        <p role="alert" className="limit-note mt-3 mb-0 p-3">
          {t`${plan.error.message} The picture shows the last plan that could be made.`}
        </p>
      )}
      {shown ? (
        <div
          data-old={old || undefined}
          className="grid grid-cols-[minmax(0,1fr)_20.5rem] gap-5 max-lg:grid-cols-1 print:grid-cols-[minmax(0,1fr)_17.5rem]! print:gap-3"
        >
          <div className="grid content-start gap-3">
            <p className="hidden print:block">
              <Trans>
                <b className="text-xl">
                  {sortie.exercise_title}: {sortie.student.name}
                </b>
                <br />
                {sortie.aircraft.mark} {sortie.aircraft.type_name} · {shortDayOf(sortie.starts_at)} · wind {shown.wind}{' '}
                · final course {Math.round(shown.course_deg)}° · {current.spot_name}
              </Trans>
            </p>
            <div className="old-apart">
              <Pictures plan={shown} sortie={current} basis={basis} set={set} />
            </div>
            <div className="hidden print:block">
              <Cautions plan={shown} notes={false} />
              <Cautions plan={shown} notes />
            </div>
          </div>
          <div>
            <div className="mb-2">
              <LastFocus text={sortie.last_focus} />
            </div>
            <Decision sortie={current} plan={shown} old={old} set={set} saving={change.isPending} />
            <SoloCard sortie={current} />
            <NumbersCard
              plan={shown}
              sortie={current}
              first={<Cautions plan={shown} notes={false} limits={!sortie.may_edit} />}
            >
              <PowerCard sortie={current} />
            </NumbersCard>
            <div className="no-print">
              <Cautions plan={shown} notes />
            </div>
            <div className="no-print mt-2 grid grid-cols-2 gap-2">
              <button type="button" className="button" onClick={() => window.print()}>
                {t`Print the card`}
              </button>
              <a className="button" href={`/api/sorties/${sortie.id}/brief`} target="_blank" rel="noreferrer">
                {t`Brief sheet, PDF`}
              </a>
            </div>
          </div>
        </div>
      ) : (
        !plan.isError && <Loading what={t`the plan`} />
      )}
    </>
  )
}

/** The newest plan that could be made: a day that cannot be planned leaves the one before on screen. */
function useLastGood(plan: Plan | undefined): Plan | undefined {
  const [last, setLast] = useState(plan)
  if (plan && plan !== last) setLast(plan)
  return plan ?? last
}

const PLANNED = [
  'people_aboard',
  'fuel_kg',
  'wind_from_deg',
  'wind_kt',
  'gust_kt',
  'oat_c',
  'dew_point_c',
  'qnh_hpa',
  'elevation_ft',
  'course_deg',
  'height_ft',
  'stage',
  'house',
  'settings',
] as const

const pick = (sortie: Planned): SortieChange => Object.fromEntries(PLANNED.map((key) => [key, sortie[key] ?? null]))
