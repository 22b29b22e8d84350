import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useState } from 'react'
import type { Attempt, Plan, Schemas } from '../../api/client'
import { useOneChange, useFlownPath } from '../../api/review'
import { Figure } from '../../design/Figure'
import { DescentSection } from '../../pictures/DescentSection'
import { EnergyLedger } from '../../pictures/EnergyLedger'
import { windowOf } from '../../pictures/scale'

interface Props {
  attempt: Attempt
  plan: Plan | undefined
}

/** The model fitted to the attempt and flown again with only the first fault mended; nothing is claimed of a poor fit. */
export function OneChange({ attempt, plan }: Props) {
  const [asked, setAsked] = useState(false)
  const answer = useOneChange(attempt.id, asked)
  const path = useFlownPath(attempt.id)
  if (!asked)
    return (
      <button type="button" className="button mt-2" onClick={() => setAsked(true)}>
        {t`What would one change have done?`}
      </button>
    )
  if (answer.isPending)
    return (
      <p role="status" className="label mt-2 mb-0">
        {t`Fitting the model to this attempt and flying it again…`}
      </p>
    )
  if (answer.isError) return <p className="limit-note mt-2 mb-0 p-2">{answer.error.message}</p>
  const found = answer.data
  return (
    <section aria-label={t`What one change would have done`} className="sheet mt-2 p-3.5">
      <h2 className="m-0 text-base font-bold">
        {found.claimed ? t`With only this changed: ${found.change ?? ''}` : t`Nothing can be claimed`}
      </h2>
      {found.numbers.length > 0 && <Told numbers={found.numbers} />}
      {found.claimed && found.numbers.length === 0 && (
        <p className="mt-1 mb-0">{t`No number of it is sure enough to be told: compare the paths.`}</p>
      )}
      {!found.claimed && <p className="mt-1 mb-0">{found.reason}.</p>}
      {found.fit && (
        <p className="label mt-1 mb-0">
          <Trans>
            The flight model was fitted to this attempt: its height is off by {Math.round(found.fit.height_ft ?? 0)} ft,
            airspeed by {found.fit.ias_kt} kt, rotor rpm by {found.fit.rotor_pct} %, sink by{' '}
            {Math.round(found.fit.sink_fpm ?? 0)} ft/min, place by {Math.round(found.fit.place_ft ?? 0)} ft. An
            estimate, not a promise.
          </Trans>
        </p>
      )}
      {found.mended && plan && (
        <div className="mt-2">
          <DescentSection
            plan={{ ...plan, path: found.mended.path, band: [], reaches: [] }}
            flown={path}
            title={t`As flown (solid), with the one change (dashed), true scale`}
            door="gate"
            window={windowOf(plan, [path, found.mended.path])}
          />
        </div>
      )}
      {found.fitted && found.mended && (
        <div className="mt-2 grid gap-3 md:grid-cols-2">
          <EnergyLedger entries={found.fitted.ledger} title={t`Energy as flown`} height={200} />
          <EnergyLedger entries={found.mended.ledger} title={t`With the one change`} height={200} />
        </div>
      )}
    </section>
  )
}

const Told = ({ numbers }: { numbers: Schemas['OneChange']['numbers'] }) => (
  <table className="figures mt-2 w-full border-collapse text-sm">
    <thead>
      <tr className="label text-right">
        <th className="py-1 text-left font-normal">{t`Measure`}</th>
        <th className="py-1 font-normal">{t`Flown`}</th>
        <th className="py-1 font-normal">{t`The model’s`}</th>
        <th className="py-1 font-normal">{t`With the change`}</th>
      </tr>
    </thead>
    <tbody>
      {numbers.map((row) => (
        <tr key={row.measure} className="border-t border-rule text-right">
          <th scope="row" className="py-1 text-left font-normal">
            {row.label}
          </th>
          <td>
            <Figure value={row.flown} unit={row.unit} digits={row.digits} />
          </td>
          <td className="text-soft">
            <Figure value={row.fitted} unit={row.unit} digits={row.digits} />
          </td>
          <td className="font-bold">
            <Figure value={row.mended} unit={row.unit} digits={row.digits} />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)
