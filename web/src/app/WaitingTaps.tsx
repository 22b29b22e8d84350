import { clockOf, zoneWord } from '../design/times'
import { dropTap } from '../queue/device'
import type { StoredTap } from '../queue/taps'
import { useLink } from '../queue/useSender'
import { useWaiting } from '../queue/useStored'

const taps = (count: number) => (count === 1 ? '1 tap' : `${count} taps`)

/** What waits on this device, on whatever page: one's own, what was refused and why, what is somebody else's. */
export function WaitingTaps({ person }: { person: string | undefined }) {
  const waiting = useWaiting()
  const link = useLink()
  const mine = waiting.filter((tap) => tap.person_id === person && !tap.refused)
  const refused = waiting.filter((tap) => tap.refused)
  const others = countBy(waiting.filter((tap) => tap.person_id !== person && !tap.refused))
  if (mine.length + refused.length + others.length === 0) return null
  return (
    <div role="status" className="caution-edge grid gap-1 py-1 pl-4 text-sm">
      {mine.length > 0 && (
        <p className="m-0">
          {taps(mine.length)}{' '}
          {link === 'signed_out'
            ? 'kept here: your session has ended. Sign in again, nothing is lost.'
            : link === 'waiting'
              ? 'kept on this device, sent by itself when there is a connection.'
              : 'being sent.'}
        </p>
      )}
      {others.map(([name, count]) => (
        <p key={name} className="m-0">
          {taps(count)} of {name} {count === 1 ? 'waits' : 'wait'} here until they sign in.
        </p>
      ))}
      {refused.map((tap) => (
        <p key={tap.id} className="m-0">
          Not taken: {tap.kind.replaceAll('_', ' ')} of {clockOf(tap.at)} {zoneWord()}. {tap.refused}{' '}
          <button
            type="button"
            className="min-h-11 cursor-pointer bg-transparent underline"
            onClick={() => void dropTap(tap.id)}
          >
            Take it off this device
          </button>
        </p>
      ))}
    </div>
  )
}

function countBy(waiting: StoredTap[]): [string, number][] {
  const counts = new Map<string, number>()
  for (const { person } of waiting) counts.set(person || 'somebody', (counts.get(person || 'somebody') ?? 0) + 1)
  return [...counts]
}
