import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Sure } from '../design/Sure'
import { clockOf, zoneWord } from '../design/times'
import { dropTap } from '../queue/device'
import type { StoredTap } from '../queue/taps'
import { useLink } from '../queue/useSender'
import { useWaiting } from '../queue/useStored'

const taps = (count: number) => plural(count, { one: '# tap', other: '# taps' })

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
            ? t`kept here: your session has ended. Sign in again, nothing is lost.`
            : link === 'waiting'
              ? t`kept on this device, sent by itself when there is a connection.`
              : t`being sent.`}
        </p>
      )}
      {others.map(([name, count]) => (
        <p key={name} className="m-0">
          {plural(count, {
            one: `# tap of ${name} waits here until they sign in.`,
            other: `# taps of ${name} wait here until they sign in.`,
          })}
        </p>
      ))}
      {refused.map((tap) => (
        <p key={tap.id} className="m-0">
          <Trans>
            Not taken: {tap.kind.replaceAll('_', ' ')} of {clockOf(tap.at)} {zoneWord()}. {tap.refused}{' '}
          </Trans>
          <Sure
            className="act"
            word={t`Take it off this device`}
            says={t`This tap was never stored, and lies on this device alone: it goes for good.`}
            onSure={() => void dropTap(tap.id)}
          />
        </p>
      ))}
    </div>
  )
}

function countBy(waiting: StoredTap[]): [string, number][] {
  const counts = new Map<string, number>()
  for (const { person } of waiting) {
    const name = person || t`somebody`
    counts.set(name, (counts.get(name) ?? 0) + 1)
  }
  return [...counts]
}
