import { t } from '@lingui/core/macro'
import { Sideways } from '../../design/Sideways'
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { Board } from '../../api/bookings'
import { dateIn, minuteIn } from '../../design/times'
import { clockOf } from '../../design/words'
import { hoursShown, STEP_MIN, type Bar, type Lane } from './lanes'

interface Props {
  board: Board
  lanes: Lane[]
  day: string
  /** A bar was put elsewhere: by so many minutes, and to another lane if one is named. */
  moved: (bar: Bar, minutes: number, lane: string) => void
  opened: (bar: Bar) => void
  /** A free place was chosen. */
  chosen: (lane: string, minute: number) => void
  movable: boolean
}

interface Drag {
  bar: Bar
  lane: string
  from: number
  minutes: number
  over: string
}

/** One day, a lane each: bars that are dragged, or moved with the arrow keys, a quarter of an hour at a time. */
export function DayBoard({ board, lanes, day, moved, opened, chosen, movable }: Props) {
  const [first, last] = hoursShown(lanes, day)
  const span = (last - first) * 60
  const track = useRef<HTMLDivElement>(null)
  const [drag, setDrag] = useState<Drag>()
  const share = (minute: number) => ((minute - first * 60) / span) * 100
  const hours = Array.from({ length: last - first + 1 }, (_, i) => first + i)
  const sun = board.days.find((one) => one.day === day)

  const onDown = (bar: Bar, lane: string) => (event: PointerEvent<HTMLButtonElement>) => {
    if (!movable || !bar.booking || event.button !== 0) return
    event.currentTarget.setPointerCapture(event.pointerId)
    setDrag({ bar, lane, from: event.clientX, minutes: 0, over: lane })
  }
  const onMove = (event: PointerEvent<HTMLButtonElement>) => {
    if (!drag || !track.current) return
    const minutes = ((event.clientX - drag.from) / track.current.clientWidth) * span
    const under = document
      .elementsFromPoint(event.clientX, event.clientY)
      .map((element) => element.closest('[data-lane]')?.getAttribute('data-lane'))
      .find(Boolean)
    setDrag({ ...drag, minutes: Math.round(minutes / STEP_MIN) * STEP_MIN, over: under ?? drag.over })
  }
  const onUp = () => {
    if (!drag) return
    setDrag(undefined)
    if (drag.minutes !== 0 || drag.over !== drag.lane) moved(drag.bar, drag.minutes, drag.over)
    else opened(drag.bar)
  }
  const onKey = (bar: Bar, lane: string) => (event: KeyboardEvent) => {
    const step = { ArrowLeft: -STEP_MIN, ArrowRight: STEP_MIN }[event.key]
    if (!step || !movable || !bar.booking) return
    event.preventDefault()
    moved(bar, step, lane)
  }
  return (
    <Sideways>
      <div className="min-w-[46rem]">
        <div className="ml-36 flex border-b border-rule" ref={track} aria-hidden="true">
          {hours.slice(0, -1).map((hour) => (
            <span key={hour} className="label flex-1 border-l border-rule pl-1">
              {String(hour).padStart(2, '0')}
            </span>
          ))}
        </div>
        {lanes.map((lane) => (
          <div key={lane.id} data-lane={lane.id} className="flex border-b border-rule">
            <div className="w-36 shrink-0 py-2 pr-2 leading-tight">
              <div className="truncate font-semibold">{lane.title}</div>
              <div className="label truncate">{lane.note}</div>
            </div>
            <div
              className={`relative h-20 flex-1 ${drag?.over === lane.id ? 'bg-wash' : ''}`}
              onDoubleClick={(event) => {
                const box = event.currentTarget.getBoundingClientRect()
                const minute = first * 60 + ((event.clientX - box.left) / box.width) * span
                if (movable && event.target === event.currentTarget)
                  chosen(lane.id, Math.floor(minute / STEP_MIN) * STEP_MIN)
              }}
            >
              {nights(sun, day, first, last).map(([from, to]) => (
                <div
                  key={from}
                  aria-hidden="true"
                  className="pointer-events-none absolute inset-y-0 bg-wash"
                  style={{ left: `${share(from)}%`, width: `${share(to) - share(from)}%` }}
                />
              ))}
              {hours.slice(1, -1).map((hour) => (
                <div
                  key={hour}
                  aria-hidden="true"
                  className="pointer-events-none absolute inset-y-0 border-l border-rule"
                  style={{ left: `${share(hour * 60)}%` }}
                />
              ))}
              {lane.bars
                .filter((bar) => bar.day === day)
                .map((bar) => {
                  const by = drag?.bar.id === bar.id ? drag.minutes : 0
                  return (
                    <button
                      key={bar.id}
                      type="button"
                      className={`absolute inset-y-1 overflow-hidden border-2 px-1.5 text-left text-sm leading-tight ${LOOKS[bar.kind]} ${movable && bar.booking ? 'cursor-grab touch-none' : 'cursor-pointer'}`}
                      style={{ left: `${share(bar.start + by)}%`, width: `${share(bar.end) - share(bar.start)}%` }}
                      onPointerDown={onDown(bar, lane.id)}
                      onPointerMove={onMove}
                      onPointerUp={onUp}
                      onPointerCancel={() => setDrag(undefined)}
                      onKeyDown={onKey(bar, lane.id)}
                      onClick={(event) => (event.detail === 0 || !movable || !bar.booking) && opened(bar)}
                    >
                      <span className="block font-semibold">{bar.title}</span>
                      <span className="block truncate">{bar.detail}</span>
                      <span className="sr-only">{t`${clockOf(bar.from_at)} to ${clockOf(bar.to_at)}`}</span>
                    </button>
                  )
                })}
            </div>
          </div>
        ))}
      </div>
    </Sideways>
  )
}

/** Planned is dashed, agreed is solid; what nobody flies is open. */
const LOOKS: Record<Bar['kind'], string> = {
  dual: 'border-ink bg-sheet',
  solo: 'border-ink bg-band',
  check: 'border-ink bg-ink text-paper',
  lesson: 'border-dashed border-ink bg-sheet',
  away: 'border-dotted border-faint bg-transparent text-soft caution-edge pl-3',
}

/** The dark ends of the day, in minutes of the board. */
function nights(sun: Board['days'][number] | undefined, day: string, first: number, last: number): [number, number][] {
  if (!sun?.sunrise || !sun.sunset) return []
  const rise = dateIn(sun.sunrise) === day ? minuteIn(sun.sunrise) : 0
  const set = dateIn(sun.sunset) === day ? minuteIn(sun.sunset) : 24 * 60
  const ends: [number, number][] = [
    [first * 60, Math.min(rise, last * 60)],
    [Math.max(set, first * 60), last * 60],
  ]
  return ends.filter(([from, to]) => to > from)
}
