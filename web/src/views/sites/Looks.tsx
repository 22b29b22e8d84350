import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { SiteReport } from '../../api/sites'
import { said } from './siteWords'

/** How the two looks are flown: the orbit of the high one, the height and the way out of the low one. */
export function Looks({ looks }: { looks: SiteReport['reconnaissance'] }) {
  const altimeter = (feet: number | null) => (feet === null ? '' : t` (${feet} on the altimeter)`)
  return (
    <div className="mt-2 grid gap-x-6 gap-y-1 text-sm md:grid-cols-2">
      <p className="m-0">
        <Trans>
          <b>High pass</b>: to the {looks.side}, the site on the pilot&apos;s side, {said(looks.orbit_height_ft)} ft
          {altimeter(looks.orbit_altimeter_ft)} at {looks.speed_kt} kt, {said(looks.orbit_radius_ft, 0, ' ft')} from it;
          ground in reach on {said(looks.orbit_escape_pct, 0, ' %')} of the way round.
        </Trans>
      </p>
      <p className="m-0">
        <Trans>
          <b>Low pass</b>: along the line in at {said(looks.pass_height_ft, 0, ' ft')}
          {altimeter(looks.pass_altimeter_ft)}, no slower than {looks.speed_kt} kt; away over the spot at the latest,{' '}
          {looks.pass_clearance_ft.reason === 'no_obstacle'
            ? t`where nothing stands beyond.`
            : t`with ${said(looks.pass_clearance_ft, 0, ' ft')} over what stands beyond.`}
        </Trans>
      </p>
    </div>
  )
}
