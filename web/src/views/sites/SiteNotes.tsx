import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { clsx } from 'clsx'
import { group } from 'd3-array'
import type { SiteReport } from '../../api/sites'
import { nameOf, shortDayOf } from '../../design/words'
import { courseOf, said } from './siteWords'

/** What to watch on the chosen line and at the place, and how long all of it holds. */
export function SiteNotes({ report, line }: { report: SiteReport; line: string | undefined }) {
  const chosen = [...report.approaches, ...report.departures].find(({ id }) => id === line)
  const spots = report.spots
  const courses = chosen ? [Math.round(chosen.course_deg)] : []
  const clear = spots.flatMap(({ turns_clear }) => turns_clear.filter((turn) => turn.clear))
  const mine = clear.filter(
    ({ from_deg, to_deg }) => courses.includes(Math.round(from_deg)) || courses.includes(Math.round(to_deg)),
  )
  const turns = [...group(mine, ({ from_deg, to_deg }) => `${from_deg} ${to_deg}`).values()]
  return (
    <section aria-label={t`What to watch`} className="grid gap-1.5">
      {chosen?.cautions.map((one) => (
        <Note key={`${chosen.id} ${one.id}`} level={one.level} line={nameOf(chosen.id)} text={one.text} />
      ))}
      {report.cautions.map((one) => (
        <Note key={one.id} level={one.level} text={one.text} />
      ))}
      {spots.map((spot) => (
        <p key={spot.id} className="m-0 text-sm">
          <Trans>
            <b>{nameOf(spot.id)}</b>: rotor clear by {said(spot.clearance_main_ft, 0, ' ft')}
            {spot.decides && ` (${nameOf(spot.decides)})`}; headings with room for the tail:{' '}
            {spot.headings_clear.length === 0
              ? t`none`
              : spot.headings_clear
                  .map(([from = 0, to = 0]) =>
                    from === 0 && to === 360 ? t`all` : t`${degrees(from)} to ${degrees(to)}`,
                  )
                  .join(', ')}
            .
          </Trans>
        </p>
      ))}
      {turns.length > 0 && (
        <p className="m-0 text-sm">
          <Trans>
            <b>Turning the nose</b>, the tail clear:{' '}
            {turns
              .map(
                (pair) =>
                  t`from ${degrees(pair[0]?.from_deg ?? 0)} to ${degrees(pair[0]?.to_deg ?? 0)} ${pair.map(({ pedal, power_pct }) => t`by ${pedal} pedal ${percent(power_pct.value)}`).join(', ')}`,
              )
              .join('; ')}
            .
          </Trans>
        </p>
      )}
      <p className="label m-0">
        {t`Holds ${[
          report.valid_until ? t`until the end of ${shortDayOf(report.valid_until)}` : t`for this day`,
          ...report.lapses.map(({ number, limit }) => WORDS[number]?.(String(limit)) ?? `${number} ${String(limit)}`),
        ].join('; ')}.`}
      </p>
    </section>
  )
}

/** How far each number may be from what was put in before all of it is looked at again. */
const WORDS: Record<string, (limit: string) => string> = {
  wind_kt: (limit) => t`wind ${limit} kt`,
  wind_from_deg: (limit) => t`from within ${limit}`,
  gust_spread_kt: (limit) => t`gusts up to ${limit} kt over it`,
  density_altitude_ft: (limit) => t`density altitude up to ${limit} ft`,
  mass_kg: (limit) => t`mass up to ${limit} kg`,
  survey_age_days: (limit) => t`a survey no older than ${limit} days`,
  wire_age_days: (limit) => t`of wires no older than ${limit}`,
  surface: (limit) => t`no ${limit}`,
}
const percent = (value: number | null | undefined) =>
  t`${(value ?? 0) >= 0 ? '+' : '−'}${decimal(Math.abs(value ?? 0), 0)} % of power`
const degrees = (deg: number) => `${courseOf(deg)}°`

const Note = ({ level, line, text }: { level: string; line?: string; text: string }) => (
  <p
    className={clsx(
      'm-0 text-sm leading-snug',
      level === 'limit' && 'limit-note px-2 py-1 font-semibold',
      level === 'caution' && 'caution-edge py-0.5 pl-4',
      level === 'note' && 'text-soft',
    )}
  >
    {line && <b>{line}: </b>}
    {text}
  </p>
)
