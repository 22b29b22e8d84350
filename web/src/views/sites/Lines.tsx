import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import type { Schemas } from '../../api/client'
import type { SiteReport } from '../../api/sites'
import { HeadRow } from '../../design/HeadRow'
import { nameOf } from '../../design/words'
import { courseOf, reasonWord, said, WAYS } from './siteWords'
import { WideTable } from '../../design/WideTable'

type Approach = Schemas['SiteApproach']
type Departure = Schemas['SiteDeparture']

interface Props {
  report: SiteReport
  line: string | undefined
  onLine: (id: string) => void
}

/** The lines in and out side by side. */
export function Lines({ report, line, onLine }: Props) {
  return (
    <div className="grid gap-4">
      <WideTable className="figures w-full text-sm">
        <caption className="pb-1 text-left text-base font-semibold">{t`Lines in`}</caption>
        <HeadRow
          heads={['', t`Course`, t`Needs`, t`Fly`, t`Break off`, t`Clears`, t`Head / across`, t`Ground in reach`, '']}
        />
        <tbody>
          {report.approaches.map((one) => (
            <InRow key={one.id} one={one} chosen={one.id === line} onLine={onLine} />
          ))}
        </tbody>
      </WideTable>
      <WideTable className="figures w-full text-sm">
        <caption className="pb-1 text-left text-base font-semibold">{t`Lines out`}</caption>
        <HeadRow
          heads={['', t`Course`, t`Way`, '', t`Needs`, t`Lift felt by`, t`Commit`, t`Clears`, t`Head / across`]}
        />
        <tbody>
          {report.departures.map((one) => (
            <OutRows key={one.id} one={one} chosen={one.id === line} onLine={onLine} />
          ))}
        </tbody>
      </WideTable>
    </div>
  )
}

const Name = ({ id, chosen, onLine }: { id: string; chosen: boolean; onLine: (id: string) => void }) => (
  <button
    type="button"
    aria-current={chosen}
    onClick={() => onLine(id)}
    className={clsx(
      'min-h-11 cursor-pointer border-l-4 bg-transparent px-2 text-left',
      chosen ? 'border-ink font-bold' : 'border-transparent underline',
    )}
  >
    {nameOf(id)}
  </button>
)

function InRow({ one, chosen, onLine }: { one: Approach; chosen: boolean; onLine: (id: string) => void }) {
  return (
    <tr className={clsx('border-t border-rule align-top', chosen && 'bg-wash')}>
      <td>
        <Name id={one.id} chosen={chosen} onLine={onLine} />
      </td>
      <td className="p-2">{courseOf(one.course_deg)}</td>
      <td className="p-2">
        {said(one.angle_needed_deg, 1, '°')}
        {one.decides && <span className="label block">{nameOf(one.decides)}</span>}
      </td>
      <td className="p-2 font-semibold">
        {said(one.angle_deg, 1, '°')}
        {one.kind && <span className="label block font-normal">{one.kind}</span>}
      </td>
      <td className="p-2 font-semibold">{breakOff(one.break_off)}</td>
      <td className="p-2">{said(one.least_clearance_ft, 0, ' ft')}</td>
      <td className="p-2 whitespace-nowrap">{winds(one)}</td>
      <td className="p-2">{said(one.escape_pct, 0, ' %')}</td>
      <td className="p-2">
        {one.breaches.map((reason, index) => (
          <span key={index} className="limit-note mb-1 block px-1.5">
            {reason.text}
          </span>
        ))}
      </td>
    </tr>
  )
}

function OutRows({ one, chosen, onLine }: { one: Departure; chosen: boolean; onLine: (id: string) => void }) {
  return (
    <>
      {Object.entries(one.ways).map(([name, way], index) => (
        <tr key={name} className={clsx('align-top', index === 0 && 'border-t border-rule', chosen && 'bg-wash')}>
          <td>{index === 0 && <Name id={one.id} chosen={chosen} onLine={onLine} />}</td>
          <td className="p-1.5">{index === 0 && courseOf(one.course_deg)}</td>
          <td className="p-1.5">{WAYS[name]}</td>
          <td
            className={clsx(
              'p-1.5',
              way.verdict === 'possible' ? 'font-bold' : way.verdict === 'marginal' ? 'caution-edge pl-4' : 'text-soft',
            )}
          >
            {way.verdict === 'not' ? t`no` : way.verdict}
            {way.because && `: ${reasonWord(way.because)}`}
          </td>
          <td className="p-1.5">
            {way.verdict === 'not' ? '' : said(way.climb_angle_needed_deg, 0, '°')}
            {way.verdict !== 'not' && way.decides && <span className="label block">{nameOf(way.decides)}</span>}
          </td>
          <td className="p-1.5">
            {way.verdict === 'not' || way.lift_kt.value == null ? '' : said(way.lift_point_ft, 0, ' ft')}
          </td>
          <td className="p-1.5">
            {way.verdict === 'not' || way.commit_point_ft.value == null ? '' : said(way.commit_point_ft, 0, ' ft')}
          </td>
          <td className="p-1.5">{way.verdict === 'not' ? '' : said(way.clearance_ft, 0, ' ft')}</td>
          <td className="p-1.5 whitespace-nowrap">{index === 0 && winds(one)}</td>
        </tr>
      ))}
    </>
  )
}

function winds({ headwind_kt: along, crosswind_kt: across }: Approach | Departure) {
  if (along.value == null) return said(along)
  const side = (across.value ?? 0) >= 0 ? t`right` : t`left`
  const head = `${Math.round(along.value)} kt${along.value < -0.5 ? t` (behind)` : ''}`
  return `${head} / ${Math.abs(Math.round(across.value ?? 0))} ${side}`
}

/** Where it is decided, as it is said in the cockpit. */
export function breakOff(point: Schemas['BreakOffPoint']) {
  if (typeof point === 'string') return point
  if (!point.height_ft) return reasonWord(point.reason)
  return t`${point.height_ft.value ?? '—'} ft, ${point.distance_ft?.value ?? '—'} ft out`
}
