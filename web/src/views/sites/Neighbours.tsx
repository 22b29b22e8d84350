import { t } from '@lingui/core/macro'
import { useNeighbours, type SiteFeature } from '../../api/sites'
import { idOf } from './draft'

interface Props {
  site: string
  /** What the drawing has already. */
  drawn: SiteFeature[]
  onTake: (feature: SiteFeature) => void
}

/** What was found at sites near by and may hold here too; taken over it is open, until somebody has looked. */
export function Neighbours({ site, drawn, onTake }: Props) {
  const found = useNeighbours(site)
  const taken = new Set(drawn.map(idOf))
  const left = (found.data ?? []).filter(({ feature }) => !taken.has(idOf(feature)))
  if (left.length === 0) return null
  return (
    <details className="mt-2" open={left.some(({ kind }) => kind !== 'noted')}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold underline">
        {t`From sites near by: ${left.length} that may hold here too`}
      </summary>
      <ul className="m-0 list-none p-0">
        {left.map((one) => (
          <li
            key={`${one.site} ${one.id}`}
            className="flex items-center justify-between gap-3 border-t border-rule py-1 text-sm"
          >
            <span>
              <b>{one.about.replaceAll('_', ' ')}</b> {one.text.replace(`${one.about} `, '')}
            </span>
            <button type="button" className="button shrink-0" onClick={() => onTake(one.feature)}>
              {t`Take it over as open`}
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}
