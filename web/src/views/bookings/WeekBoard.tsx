import { Sideways } from '../../design/Sideways'
import type { Board } from '../../api/bookings'
import { weekdayOf } from '../../design/times'
import { clockOf } from '../../design/words'
import type { Bar, Lane } from './lanes'

interface Props {
  board: Board
  lanes: Lane[]
  opened: (bar: Bar) => void
  showDay: (day: string) => void
}

/** Seven days, a lane each: who flies when; the day itself opens for moving. */
export const WeekBoard = ({ board, lanes, opened, showDay }: Props) => (
  <Sideways>
    <table className="w-full min-w-[60rem] table-fixed border-collapse">
      <thead>
        <tr className="text-left">
          <td className="w-32 p-1" />
          {board.days.map(({ day }) => (
            <th key={day} className="border-l border-rule p-1 font-semibold">
              <button type="button" className="act" onClick={() => showDay(day)}>
                {weekdayOf(day)}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lanes.map((lane) => (
          <tr key={lane.id} className="border-t border-rule align-top">
            <th className="p-1 text-left font-semibold">
              {lane.title}
              <span className="label block font-normal">{lane.note}</span>
            </th>
            {board.days.map(({ day }) => (
              <td key={day} className="border-l border-rule p-1">
                {lane.bars
                  .filter((bar) => bar.day === day)
                  .sort((a, b) => a.start - b.start)
                  .map((bar) => (
                    <button
                      key={bar.id}
                      type="button"
                      className="mb-1 block w-full cursor-pointer border border-rule bg-sheet p-1 text-left text-sm leading-tight"
                      onClick={() => opened(bar)}
                    >
                      <span className="figures font-semibold">{clockOf(bar.from_at)}</span> {bar.title}
                      <span className="label block truncate">{bar.detail}</span>
                    </button>
                  ))}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </Sideways>
)
