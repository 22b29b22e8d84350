import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Sure } from '../../design/Sure'
import { useAddTerrain, useRemoveTerrain, useTerrain } from '../../api/sites'
import { FileButton } from '../../design/FileButton'
import { sentence } from '../../design/words'

/** Degrees of a side and the other, by the word of their side. */
const span = (from: number, to: number, plus: string, minus: string) =>
  from < 0 && to < 0
    ? t`${decimal(-to, 2)} to ${decimal(-from, 2)}° ${minus}`
    : t`${decimal(from, 2)} to ${decimal(to, 2)}° ${plus}`

/** The grids of ground heights that the school has, never needed; staff add and remove them. */
export function Terrain({ staff }: { staff: boolean }) {
  const grids = useTerrain()
  const add = useAddTerrain()
  const remove = useRemoveTerrain()
  if (!grids.data || (grids.data.length === 0 && !staff)) return null
  const failed = add.error ?? remove.error
  return (
    <section aria-label={t`Ground heights`} className="mt-6">
      <h2 className="m-0 border-b border-ink pb-1 text-xl font-bold">{t`Ground heights`}</h2>
      <p className="mt-1 mb-2 text-soft">
        {grids.data.length === 0
          ? t`None yet. With a grid of them, rising ground under a line counts like what stands there; without, the ground counts as level.`
          : t`Rising ground under a line counts like what stands there.`}
      </p>
      <ul className="m-0 grid list-none gap-1 p-0">
        {grids.data.map((grid) => (
          <li key={grid.id} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
            <span className="font-semibold">{grid.name}</span>
            <span className="figures text-soft">
              {t`cells of ${grid.cell_m} m; ${span(grid.south_deg, grid.north_deg, t`north`, t`south`)}, ${span(grid.west_deg, grid.east_deg, t`east`, t`west`)}${grid.added_by ? `; ${grid.added_by}` : ''}`}
            </span>
            {staff && (
              <Sure
                className="button ml-auto"
                disabled={remove.isPending}
                word={t`Remove ${grid.name}`}
                says={t`Its heights go for good; sites in it count their ground as level from then on. The file can be loaded again.`}
                onSure={() => remove.mutate(grid.id)}
              />
            )}
          </li>
        ))}
      </ul>
      {staff && (
        <FileButton
          word={t`Load ground heights (ASCII grid)`}
          accept=".asc,.txt,text/plain"
          onFile={(file) => add.mutate(file)}
          className="mt-2 inline-flex items-center"
        />
      )}
      {failed && (
        <p role="alert" className="limit-note mt-2 max-w-2xl p-2 text-sm">
          {t`${sentence(failed.message)} Nothing was stored.`}
        </p>
      )}
    </section>
  )
}
