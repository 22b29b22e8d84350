import { t } from '@lingui/core/macro'
import { SPEEDS, type useReplay } from './useReplay'
import { Pick } from '../../design/Pick'

/** Play, pause, and how fast; every picture follows the same moment. */
export const ReplayBar = ({ replay }: { replay: ReturnType<typeof useReplay> }) => (
  <div className="mt-1 flex items-center gap-2">
    <button type="button" className="button" onClick={replay.toggle}>
      {replay.playing ? t`Pause` : t`Replay`}
    </button>
    <label className="label flex items-center gap-1.5">
      {t`Speed`}
      <Pick
        className="w-20"
        value={replay.speed}
        choices={SPEEDS.map((speed) => ({ id: speed, word: `${speed} ×` }))}
        onChange={(speed) => replay.setSpeed(Number(speed))}
      />
    </label>
  </div>
)
