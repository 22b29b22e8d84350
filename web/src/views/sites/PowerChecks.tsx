import { t } from '@lingui/core/macro'
import { clockOf, zoneWord } from '../../design/times'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useKeepCheck, type Site, type SiteQuestion, type SiteReport } from '../../api/sites'
import { Pick } from '../../design/Pick'
import { unitWord } from '../../design/words'
import { NumberField } from '../prepare/NumberField'

interface Props {
  site: Site
  day: SiteQuestion
  report: SiteReport
  onChange: (day: SiteQuestion) => void
}

type How = 'hover' | 'pass'

/** The power check before the site: what the gauge should show, what it showed, and what that makes of the margin. */
export function PowerChecks({ site, day, report, onChange }: Props) {
  const { gauge } = report.day
  const [picked, setPicked] = useState<How>()
  const keep = useKeepCheck(site.id)
  const how = picked ?? gauge.how
  const unit = unitWord(gauge.unit)
  const asked = (seen: number) => ({
    seen,
    how,
    ...(how === 'hover' ? { height_ft: 4 } : { ias_kt: gauge.pass_ias_kt }),
  })
  // Without a check of its own the question rests on the one that was kept.
  const { power_check: tried, ...rest } = day
  return (
    <section aria-label={t`Power check`} className="no-print mt-1 flex flex-wrap items-end gap-x-3 gap-y-1">
      <label className="grid w-56 gap-0.5">
        <span className="label">{t`Power check`}</span>
        <Pick
          value={how}
          choices={[
            { id: 'hover', word: t`in a hover at 4 ft` },
            { id: 'pass', word: t`level at ${Math.round(gauge.pass_ias_kt)} kt, its height` },
          ]}
          onChange={(id) => {
            setPicked(id as How)
            onChange(rest)
          }}
        />
      </label>
      <div className="w-40">
        <NumberField
          key={how}
          label={t`Gauge shows`}
          unit={unit}
          low={5}
          high={130}
          step={0.1}
          optional
          value={tried?.seen ?? null}
          onChange={(value) => onChange(value === null ? rest : { ...rest, power_check: asked(value) })}
          placeholder={t`${gauge[how] ?? '—'} expected`}
        />
      </div>
      {tried && site.may_edit && (
        <button
          type="button"
          className="button"
          disabled={keep.isPending}
          onClick={() => keep.mutate(day, { onSuccess: () => onChange(rest) })}
        >
          {t`Keep the check`}
        </button>
      )}
      <p className="m-0 min-h-11 content-center text-sm">
        {tried
          ? t`${share(report.day.k)} of the power predicted: the numbers below have it in them.`
          : report.check
            ? said(report.check)
            : t`No check of that day with that load: the numbers are the model’s.`}
      </p>
      {keep.isError && (
        <p role="alert" className="limit-note m-0 w-full p-2 text-sm">
          {t`${keep.error.message} Nothing was kept.`}
        </p>
      )}
      {site.checks.length > 0 && (
        <details className="w-full">
          <summary className="min-h-11 cursor-pointer content-center underline">
            {t`Power checks flown here: ${site.checks.length}`}
          </summary>
          <ul className="figures m-0 list-none p-0 text-sm">
            {site.checks.map((check) => (
              <li key={check.id} className="border-t border-rule py-1">
                {check.at.slice(0, 10)}, {check.type_id.replaceAll('-', ' ')}, {check.mass_kg} kg: {said(check)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}

const share = (k: number) => `${Math.round(k * 100)} %`

const said = (check: Schemas['SiteCheck']) =>
  t`${check.by}, ${clockOf(check.at)} ${zoneWord()}, ${check.how === 'hover' ? t`in a hover at ${check.height_ft ?? 4} ft` : t`level at ${check.ias_kt ?? '—'} kt`}: ${check.seen} ${unitWord(check.unit)} seen, ${check.predicted} predicted; ${share(check.k)} of the power predicted.`
