import { t } from '@lingui/core/macro'
import { Link, useParams } from 'react-router'
import { useLog } from '../../api/school'
import { HeadRow } from '../../design/HeadRow'
import { Empty, Failed, Loading } from '../../design/States'
import { dateOf } from '../../design/times'
import { capital, clockOf, hoursOf } from '../../design/words'
import { WideTable } from '../../design/WideTable'

const KINDS: Record<string, string> = {
  dual: t`Dual`,
  solo: t`Solo`,
  candidate: t`Teaching to teach`,
  device: t`Training device`,
}

/** One person's log: what they have flown, added up, and every flight. */
export function LogPage() {
  const { id = '' } = useParams()
  const log = useLog(id)
  if (log.isPending) return <Loading what={t`the log`} />
  if (log.isError) return <Failed error={log.error} again={() => void log.refetch()} />
  const { person, entries, by_kind: kinds, by_type: types, by_month: months, within, last_by_type: last } = log.data
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
        <h1 className="m-0 text-2xl font-bold">{t`Log of ${person.name}`}</h1>
        <a className="button no-print" href={`/api/people/${id}/log.csv`}>
          {t`As CSV`}
        </a>
      </header>
      <div className="mt-4 flex flex-wrap items-start gap-x-10 gap-y-4">
        <div>
          <div className="text-5xl font-bold">{hoursOf(log.data.total_minutes)}</div>
          <div className="label">{t`flown; ${hoursOf(log.data.night_minutes)} of it by night`}</div>
        </div>
        <Sums
          title={t`By kind`}
          rows={Object.entries(kinds).map(([kind, minutes]) => [KINDS[kind] ?? kind, minutes])}
        />
        <Sums
          title={t`Lately`}
          rows={Object.entries(within).map(([days, minutes]) => [t`in the last ${days} days`, minutes])}
        />
        <Sums
          title={t`By type`}
          rows={Object.entries(types).map(([type, minutes]) => [
            t`${type}, last ${last[type] ? dateOf(last[type]) : ''}`,
            minutes,
          ])}
        />
        <Sums title={t`By month`} rows={Object.entries(months).slice(0, 6)} />
        {log.data.device_minutes > 0 && (
          <Sums title={t`Apart`} rows={[[t`in a training device`, log.data.device_minutes]]} />
        )}
      </div>
      {entries.length === 0 ? (
        <Empty>{t`Nothing is logged yet: the times are entered in Record, after a flight.`}</Empty>
      ) : (
        <WideTable outer="mt-6" className="w-full">
          <HeadRow heads={[t`Day`, t`Off`, t`On`, t`Aircraft`, t`With`, t`Kind`, t`Time`, t`Night`, '']} />
          <tbody>
            {entries.map((row) => (
              <tr key={row.sortie_id} className="border-t border-rule">
                <td className="p-2 whitespace-nowrap">
                  <Link to={`/sorties/${row.sortie_id}/record`}>{dateOf(row.on_day)}</Link>
                </td>
                <td className="figures p-2">{clockOf(row.off_at)}</td>
                <td className="figures p-2">{clockOf(row.on_at)}</td>
                <td className="p-2 whitespace-nowrap">
                  {row.aircraft} <span className="label">{row.type_name}</span>
                </td>
                <td className="p-2">{row.with.name}</td>
                <td className="p-2">{KINDS[row.kind] ?? capital(row.kind)}</td>
                <td className="figures p-2 font-semibold whitespace-nowrap">{hoursOf(row.minutes)}</td>
                <td className="figures p-2 whitespace-nowrap">
                  {row.night_minutes > 0 ? hoursOf(row.night_minutes) : ''}
                </td>
                <td className="label p-2">{row.changed ? t`changed since` : ''}</td>
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
      <p className="label">
        {t`Night is the time with the sun more than 6° under the horizon, the end of civil twilight; an authority may count it otherwise. This log is a help: the one the law asks for is yours to keep.`}
      </p>
    </>
  )
}

const Sums = ({ title, rows }: { title: string; rows: [string, number][] }) => (
  <section>
    <h2 className="label m-0 font-normal">{title}</h2>
    <dl className="figures m-0 grid grid-cols-[1fr_auto] gap-x-4">
      {rows
        .filter(([, minutes]) => minutes > 0)
        .map(([word, minutes]) => (
          <div key={word} className="contents">
            <dt>{word}</dt>
            <dd className="m-0 text-right font-semibold">{hoursOf(minutes)}</dd>
          </div>
        ))}
    </dl>
  </section>
)
