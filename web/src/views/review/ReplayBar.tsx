import { SPEEDS, type useReplay } from './useReplay'

/** Play, pause, and how fast; every picture follows the same moment. */
export const ReplayBar = ({ replay }: { replay: ReturnType<typeof useReplay> }) => (
  <div className="mt-1 flex items-center gap-2">
    <button type="button" className="button min-h-9!" onClick={replay.toggle}>
      {replay.playing ? 'Pause' : 'Replay'}
    </button>
    <label className="label flex items-center gap-1.5">
      Speed
      <select
        className="field min-h-9! w-20"
        value={replay.speed}
        onChange={(event) => replay.setSpeed(Number(event.target.value))}
      >
        {SPEEDS.map((speed) => (
          <option key={speed} value={speed}>
            {speed} ×
          </option>
        ))}
      </select>
    </label>
  </div>
)
