import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import { Tabs } from 'radix-ui'
import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'
import type { Plan, Planned, SortieChange } from '../../api/client'
import { useMoveSpot } from '../../api/lesson'
import { useDispersion } from '../../api/prepare'
import { useRested } from '../../design/useRested'
import { usePlaces } from '../../api/queries'
import { PlanTable } from '../../design/PlanTable'
import { Chart } from '../../pictures/Chart'
import { DescentSection } from '../../pictures/DescentSection'
import { EnergyLedger } from '../../pictures/EnergyLedger'
import { GroundView } from '../../pictures/GroundView'
import { sidesOf, windowOf } from '../../pictures/scale'
import { FromHere } from './FromHere'
import { Gates } from './Gates'
import { KeepPlace } from './KeepPlace'
import { isAt } from './place'
import { probabilityAt, WhichEntry, type Option, type Shift } from './WhichEntry'

/** Below this the side view says nothing that a number does not, feet. */
const FLAT_FT = 30
/** A path that climbs above this between ground and ground goes all the way round, feet. */
const ROUND_FT = 300
/** Room beside the course, and beside the path, for every way of reaching the spot, feet. */
const ASKED_SIDE_FT = 1400
const BESIDE_PATH_FT = 600
/** How long a day has to stand before its landings are asked for, ms. */
const RESTS_MS = 900
const LAST_PART_FT = { fromFt: -1000, toFt: 150 }

interface Props {
  plan: Plan
  sortie: Planned
  basis: SortieChange
  set: (fields: SortieChange) => void
}

/** The plan drawn: the path, what it does with energy and limits, the tables that go with it. */
export function Pictures({ plan, sortie, basis, set }: Props) {
  const charts = plan.charts.length > 0 || plan.ledger.length > 3
  const [tab, setTab] = useState('path')
  // The card that is printed has the path and its gates, whatever was looked at before.
  useEffect(() => {
    const card = () => flushSync(() => setTab('path'))
    window.addEventListener('beforeprint', card)
    return () => window.removeEventListener('beforeprint', card)
  }, [])
  return (
    <Tabs.Root value={tab} onValueChange={setTab}>
      <Tabs.List aria-label={t`Pictures of the plan`} className="no-print flex gap-1 border-b border-ink">
        <Tab value="path">{t`Path`}</Tab>
        {charts && <Tab value="limits">{t`Energy and limits`}</Tab>}
        {plan.tables.length > 0 && <Tab value="tables">{t`Tables`}</Tab>}
      </Tabs.List>
      <Tabs.Content value="path" className="grid content-start gap-3">
        <Path plan={plan} sortie={sortie} basis={basis} set={set} />
        <SetUpLine plan={plan} />
        <Gates gates={plan.gates} />
      </Tabs.Content>
      <Tabs.Content value="limits" className="grid gap-4 xl:grid-cols-2">
        {plan.ledger.length > 3 && <EnergyLedger entries={plan.ledger} title={t`Energy ledger of the plan`} />}
        {plan.charts.map((chart) => (
          <Chart key={chart.id} chart={chart} />
        ))}
      </Tabs.Content>
      <Tabs.Content value="tables" className="grid gap-5">
        {plan.tables.map((table) => (
          <PlanTable key={table.id} table={table} />
        ))}
      </Tabs.Content>
    </Tabs.Root>
  )
}

const Tab = ({ value, children }: { value: string; children: string }) => (
  <Tabs.Trigger
    value={value}
    className="min-h-11 cursor-pointer border-b-4 border-transparent bg-transparent px-3 font-semibold text-soft data-[state=active]:border-ink data-[state=active]:text-ink"
  >
    {children}
  </Tabs.Trigger>
)

function SetUpLine({ plan }: { plan: Plan }) {
  if (!plan.setup) return null
  const { text, leg_ft: leg, start_along_ft: along } = plan.setup
  return (
    <p className="m-0 text-sm">
      <b>{t`Set-up.`}</b> {text}.
      {leg > 0 && (
        <>
          {' '}
          {t`The line begins ${Math.abs(Math.round(along)).toLocaleString(locale)} ft ${along < 0 ? t`before` : t`beyond`} the spot: the outbound leg runs at least that far.`}
        </>
      )}
    </p>
  )
}

function Path({ plan, sortie, basis, set }: Props) {
  const [shift, setShift] = useState<Shift>({ along: 0, across: 0 })
  const asks = plan.reaches.length > 0 && plan.manoeuvre === sortie.manoeuvre
  const dispersion = useDispersion(sortie.id, sortie.exercise_id, useRested(basis, RESTS_MS), asks)
  const spot = useMoveSpot(sortie.id)
  const [moving, setMoving] = useState(false)
  const places = usePlaces().data
  const isNew = places && !places.some((place) => isAt(place, sortie))
  const onSpot = (alongFt: number, acrossFt: number) =>
    spot.mutate({
      exerciseId: sortie.exercise_id,
      to: { along_ft: alongFt, across_ft: acrossFt, course_deg: plan.course_deg },
    })
  const result = dispersion.data?.result
  const chanceOf = (option: Option) => (result ? probabilityAt(option, result, shift) : 0)
  const top = Math.max(...plan.path.map((p) => p.height_ft))
  const low = plan.path.at(-1)?.height_ft ?? 0
  const view = windowOf(plan)
  const wide = view.toFt - view.fromFt > 400
  const gates = plan.gates.filter((gate) => gate.along_ft != null)
  // From take-off to landing, height against distance along one course would fold over itself.
  const round = (plan.path[0]?.height_ft ?? 0) < FLAT_FT && low < FLAT_FT && top > ROUND_FT

  // What must not be flown through stands beside the way through it, with its seconds.
  const timed = plan.charts.find((chart) => chart.moments.length > 0)

  if (plan.path.length < 3 || (!wide && top < FLAT_FT)) return <Standing plan={plan} />
  return (
    <>
      {top >= FLAT_FT && !round && (
        <DescentSection plan={plan} title={t`From the side, true scale`} door={mainDoor(gates)} said />
      )}
      {!round && top > 250 && low < 60 && view.fromFt < LAST_PART_FT.fromFt && (
        <DescentSection
          plan={plan}
          title={t`The last part, enlarged, true scale`}
          window={LAST_PART_FT}
          topFt={190}
          said
        />
      )}
      <GroundView
        ground={plan.ground ?? []}
        plan={plan}
        spotName={sortie.spot_name}
        sides={asks ? askedSides(plan) : sidesOf(plan)}
        window={view}
        {...(sortie.sun ? { sun: sortie.sun } : {})}
        {...(moving ? { onSpot } : asks ? { shift, onShift: setShift, landings: result?.options, chanceOf } : {})}
      />
      {sortie.may_edit && (
        <div className="no-print flex flex-wrap items-end gap-3">
          <button type="button" className="button" onClick={() => setMoving(!moving)}>
            {moving ? t`Leave the spot there` : t`Move the spot`}
          </button>
          {moving ? <p className="label m-0">{t`Tap the ground where it is to be, or drag it.`}</p> : null}
          {isNew && <KeepPlace sortie={sortie} set={set} />}
        </div>
      )}
      {spot.isError && (
        <p role="alert" className="limit-note m-0 p-2">
          {spot.error.message}
        </p>
      )}
      {round && plan.charts[0] && <Chart chart={plan.charts[0]} />}
      {timed && <Chart chart={timed} />}
      {asks && (
        <>
          <WhichEntry dispersion={dispersion.data} shift={shift} onShift={setShift} error={dispersion.error?.message} />
          <FromHere key={`${shift.along}`} plan={plan} sortie={sortie} shift={shift} />
        </>
      )}
    </>
  )
}

function askedSides(plan: Plan): [number, number] {
  const across = plan.path.map((point) => point.across_ft)
  return [
    Math.min(-ASKED_SIDE_FT, Math.min(...across) - BESIDE_PATH_FT),
    Math.max(ASKED_SIDE_FT, Math.max(...across) + BESIDE_PATH_FT),
  ]
}

/** One doorway in the whole picture: the gate, or the first there is. */
const mainDoor = (gates: Plan['gates']) => (gates.find((gate) => gate.id === 'gate') ?? gates[0])?.id ?? ''

/** A manoeuvre over one point: its first table says more than a picture of standing still. */
const Standing = ({ plan }: { plan: Plan }) => (
  <>
    {plan.charts.slice(0, 1).map((chart) => (
      <Chart key={chart.id} chart={chart} />
    ))}
    {plan.tables.slice(0, 2).map((table) => (
      <PlanTable key={table.id} table={table} />
    ))}
  </>
)
