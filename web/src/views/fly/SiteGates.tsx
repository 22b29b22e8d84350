import { t } from '@lingui/core/macro'
import { Link } from 'react-router'
import type { Exercise } from '../../api/client'
import { useSiteGates } from '../../api/sites'

/** What the exercise's site asks for today: start, break-off, where lift is felt; what is open of its survey. */
export function SiteGates({ exercise }: { exercise: Exercise }) {
  const found = useSiteGates(exercise.id, exercise.site_id !== null)
  if (exercise.site_id === null) return null
  const list = (
    <Link className="tap no-underline" to={`/sites/${exercise.site_id}/look`}>
      {t`Survey list: ${exercise.spot_name}`}
    </Link>
  )
  if (!found.data) return list
  const { gates, open, because, verdict } = found.data
  return (
    <>
      {list}
      <dl aria-label={t`At the site`} className="m-0 grid grid-cols-[auto_1fr] items-baseline gap-x-3">
        {gates.map(({ id, label, value }) => (
          <div key={id} className="contents">
            <dt className="label">{label}</dt>
            <dd className={`figures m-0 font-bold ${id === 'break_off' ? 'text-3xl' : 'text-lg'}`}>{value}</dd>
          </div>
        ))}
        {(open.length > 0 || verdict === 'not') && (
          <dd className="limit-note col-span-2 m-0 mt-1 px-2 font-semibold">
            {open.length > 0 ? t`Open: ${open.join(', ').replaceAll('-', ' ')}` : t`Not suitable: ${because[0] ?? ''}`}
          </dd>
        )}
      </dl>
    </>
  )
}
