import { t } from '@lingui/core/macro'
import { useQuery } from '@tanstack/react-query'
import { api, unwrap, type Schemas } from '../../api/client'
import { Failed, Loading } from '../../design/States'
import { clockOf, shortDayOf } from '../../design/words'

const useRunning = () =>
  useQuery({ queryKey: ['running'], queryFn: () => unwrap(api.GET('/api/running')), refetchInterval: 15_000 })
const moment = (at: string) => `${shortDayOf(at)} ${clockOf(at)}`

/** How this installation is, for the chief instructor: first what somebody has to do about it. */
export function HowItRuns() {
  const running = useRunning()
  if (running.isPending) return <Loading what={t`how it runs`} />
  if (running.isError) return <Failed error={running.error} again={() => void running.refetch()} />
  const now = running.data
  return (
    <section aria-labelledby="how-it-runs">
      <h2 id="how-it-runs" className="m-0 text-lg font-semibold">
        {t`How it runs`}
      </h2>
      {now.to_do.map((text) => (
        <p key={text} className="limit-note mt-2 mb-0 p-3">
          {text}
        </p>
      ))}
      <dl className="mt-2 grid grid-cols-[fit-content(9rem)_minmax(0,1fr)] gap-x-4 gap-y-2">
        <Line name={t`Signed chain`}>{now.chain ? <Chain chain={now.chain} /> : t`Not read yet`}</Line>
        <Line name={t`Last backup`}>
          {now.backup
            ? t`${moment(now.backup.at)}, ${now.backup.megabytes} MB, ${now.backup.links} links of the chain, in ${now.backup.folder}`
            : t`None`}
        </Line>
        <Line name={t`Waiting`}>
          {now.waiting.map(({ what, count }) => (count > 1 ? `${count} ${what}` : what)).join(', ') || t`Nothing`}
        </Line>
        <Line name={t`Workers`}>
          {now.workers.map(({ host, pid, threads }) => t`${threads} on ${host} (process ${pid})`).join(', ') || t`None`}
        </Line>
        <Line name={t`Room`}>
          {t`Database ${now.room.database_megabytes} MB, ${Math.round(now.room.free_megabytes / 1000)} GB free`}
        </Line>
        <Line name={t`Versions`}>
          {t`PostgreSQL ${now.versions.postgresql}, Ruby ${now.versions.ruby}, tables of ${now.versions.tables}`}
        </Line>
      </dl>
      {now.failures.length > 0 && (
        <>
          <h3 className="mt-3 mb-1 text-base font-semibold">{t`Failed in the last week`}</h3>
          <ul className="m-0 list-none p-0">
            {now.failures.map(({ at, what, asked_by }) => (
              <li key={at + what} className="border-t border-rule py-1.5">
                <span className="label">
                  {moment(at)}
                  {asked_by && `, ${asked_by}`}
                </span>{' '}
                {what}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

const Line = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <>
    <dt className="label">{name}</dt>
    <dd className="m-0 wrap-anywhere">{children}</dd>
  </>
)

const Chain = ({ chain }: { chain: NonNullable<Schemas['Running']['chain']> }) =>
  chain.holds ? (
    t`${chain.links} links follow one another (read ${moment(chain.at)}); the last is ${chain.latest_hash.slice(0, 16)}`
  ) : (
    <ul className="m-0 list-none p-0 font-semibold">
      {chain.faults.map((fault) => (
        <li key={fault}>{fault}</li>
      ))}
    </ul>
  )
