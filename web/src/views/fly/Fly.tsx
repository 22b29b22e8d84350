import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import type { FlyEvent, Schemas, Session, Sortie } from '../../api/client'
import { usePlan } from '../../api/prepare'
import { useKeys } from '../../design/useKeys'
import type { Mode } from '../../design/useMode'
import { capital, GRADE_WORDS } from '../../design/words'
import type { Tap } from '../../queue/taps'
import { useSheet } from '../../queue/useSheet'
import { planned } from '../lesson/exercise'
import { CheckPage } from './CheckPage'
import { Drawer } from './Drawer'
import { exerciseNow } from './exerciseNow'
import { GateCard } from './GateCard'
import { Live } from './Live'
import { MorePage } from './MorePage'
import { phaseNow } from './phaseNow'
import { SayZone } from './SayZone'
import { SiteGates } from './SiteGates'
import { TapZone } from './TapZone'
import { describe, HELP } from './tapWords'
import { useAwake } from './useAwake'
import { useCalls } from './useCalls'
import { useCallLevels } from './useCallLevels'
import { useFlight } from './useFlight'
import { useHand } from './useHand'
import { useSince } from './useClock'

interface Props {
  sortie: Sortie
  session: Session
  mode: Mode
  setMode: (mode: Mode) => void
}

const NOBODY = { id: '', name: '' }
/** A pressed tap is felt, where the device can. */
const BUZZ_MS = 25

/** The cockpit sheet, one screen for one hand: now, tap, say. Everything is kept on the device first. */
export function Fly({ sortie, session, mode, setMode }: Props) {
  const person = session.person ?? NOBODY
  const { live, waiting, link, connected, tap, undo, ready } = useSheet(sortie.id, person)
  const [page, setPage] = useState<'more' | 'checks'>()
  const [hand, setHand] = useHand()
  const [chosen, setChosen] = useState<{ attempt: string; phase: string }>()
  // What was said of an attempt goes when the next begins.
  const [heard, setHeard] = useState<Schemas['LiveAttempt']>()
  const [calls, setCall] = useCallLevels()
  const exercise = exerciseNow(sortie, live)
  const plan = usePlan(sortie.id, exercise.id, {})
  useAwake()

  const begun = live.filter((event) => event.kind === 'attempt')
  const last = begun.at(-1)
  const attempt = begun.length
  const since = useSince(last?.at)
  const current = live.filter((event) => last && event.attempt_no === attempt)
  const windWaits = waiting.some(({ kind }) => kind === 'wind')
  const locked = !sortie.may_edit || !ready
  const checked = new Set(live.filter(({ kind }) => kind === 'check').map(({ payload }) => payload.value)).size

  const act = async (event: Tap, word: string | ((kept: FlyEvent | undefined) => string)) => {
    navigator.vibrate?.(BUZZ_MS)
    const kept = await tap(event)
    toast(typeof word === 'string' ? word : word(kept), {
      action: { label: t`Undo`, onClick: () => void tap({ kind: 'undo', payload: { target: kept?.id } }) },
      duration: 6000,
    })
  }
  const undoLast = async () => {
    const newest = await undo()
    if (newest) toast(t`Undone: ${describe(newest, sortie.aircraft.kind)}`)
  }
  // The flight itself shows another exercise: the sheet follows, and Undo takes it back.
  const follow = (id: string) => {
    const row = sortie.exercises.find((one) => one.id === id)
    if (!locked && row && row.id !== exercise.id)
      void act({ kind: 'exercise', payload: { value: id } }, t`${row.title}, as the flight shows`)
  }

  const flight = useFlight(sortie, follow)
  const seen = flight.now?.phase ?? undefined
  const over = flight.over === heard ? undefined : flight.over
  const phase =
    chosen && chosen.attempt === (last?.id ?? '')
      ? chosen.phase
      : phaseNow(exercise.phases, plan.data?.path ?? [], since, seen)
  useCalls(flight.now, calls)
  useCockpitKeys()
  return (
    <div className={clsx('cockpit-sheet', hand === 'left' && 'left-handed')}>
      <section aria-label={t`Now`} className="grid min-h-0 content-start gap-2 overflow-hidden [grid-area:now]">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <p className="m-0 text-3xl font-bold" aria-live="polite">
            {attempt === 0 ? t`No attempt yet` : t`Attempt ${attempt}`}
          </p>
          <p className="m-0" role="status">
            {status(waiting.length, link, connected)}
          </p>
        </div>
        <div className="flex flex-wrap items-center gap-3 text-xl font-semibold">
          {sortie.exercises.length > 1 ? (
            <button type="button" className="tap px-4!" onClick={() => setPage('more')}>
              {t`${exercise.title} · ${sortie.exercises.findIndex(({ id }) => id === exercise.id) + 1} of ${sortie.exercises.length}`}
            </button>
          ) : (
            exercise.title
          )}
          <Live sortie={sortie} flight={flight} tapped={exercise.id} />
        </div>
        <SiteGates exercise={exercise} />
        {!flight.now && (
          <GateCard
            key={exercise.id}
            sortie={planned(sortie, exercise)}
            gated={exercise.site_id === null}
            windWaits={windWaits}
          />
        )}
      </section>
      <SayZone
        sortie={sortie}
        exercise={exercise}
        plan={plan.data}
        over={over}
        recorded={flight.now !== undefined}
        flown={seen !== undefined}
        checked={checked}
        begun={attempt > 0}
        onChecks={() => setPage('checks')}
      />
      <TapZone
        attempt={attempt}
        phase={phase}
        current={current}
        locked={locked}
        any={live.length > 0}
        begin={() => {
          setHeard(flight.over)
          void act({ kind: 'attempt' }, (kept) => t`Attempt ${kept?.attempt_no ?? attempt + 1} begun`)
        }}
        goAround={() => void act({ kind: 'go_around', phase }, t`Go-around`)}
        help={(value) => void act({ kind: 'help', phase, payload: { value } }, `${HELP[value]}, ${phase}`)}
        grade={(value) => void act({ kind: 'grade', payload: { grade: value } }, GRADE_WORDS[value] ?? '')}
        undo={() => void undoLast()}
        more={() => setPage('more')}
      />
      <Drawer title={t`More`} open={page === 'more'} onOpen={(open) => setPage(open ? 'more' : undefined)}>
        <MorePage
          sortie={sortie}
          exercise={exercise}
          live={live}
          current={current}
          attempt={attempt}
          phase={phase}
          setPhase={(to) => setChosen({ attempt: last?.id ?? '', phase: to })}
          locked={locked}
          act={act}
          onChecks={() => setPage('checks')}
          hand={hand}
          setHand={setHand}
          mode={mode}
          setMode={setMode}
          calls={calls}
          setCall={setCall}
          drift={flight.wind}
        />
      </Drawer>
      <Drawer
        title={t`Checks: ${capital(exercise.title)}`}
        open={page === 'checks'}
        onOpen={(open) => setPage(open ? 'checks' : undefined)}
      >
        <CheckPage
          sortie={planned(sortie, exercise)}
          live={live}
          tap={(text) => void act({ kind: 'check', payload: { value: text } }, t`Checked`)}
          locked={locked}
        />
      </Drawer>
    </div>
  )
}

function status(waiting: number, link: string, connected: boolean) {
  if (waiting === 0) return connected ? t`Everything stored` : t`No connection; nothing waits`
  if (link === 'signed_out') return t`Your session has ended: ${waiting} kept on this device until you sign in`
  return link === 'waiting' ? t`No connection: ${waiting} kept on this device, sent by itself later` : t`Sending…`
}

const press = (id: string) => () => document.getElementById(id)?.click()

/** Every tap of the sheet has a key. */
function useCockpitKeys() {
  useKeys(
    useMemo(
      () => [
        { key: 'a', does: t`New attempt`, run: press('new-attempt') },
        { key: 'g', does: t`Go-around`, run: press('go-around') },
        { key: 'u', does: t`Undo the last tap`, run: press('undo-last') },
        { key: 'p', does: t`Prompted`, run: press('help-prompted') },
        { key: 'h', does: t`Helped`, run: press('help-assisted') },
        { key: 't', does: t`Took over`, run: press('help-taken_over') },
        ...GRADE_WORDS.map((word, grade) => ({ key: String(grade), does: word, run: press(`grade-${grade}`) })),
        { key: 'm', does: t`More`, run: press('more') },
      ],
      [],
    ),
  )
}
