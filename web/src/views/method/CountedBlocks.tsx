import { t } from '@lingui/core/macro'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { useSetBlock } from '../../api/queries'
import { setBlock } from '../../api/ranges.generated'
import { Field, Refused, Tick } from '../../design/Field'
import { useBody } from '../../design/useBody'

type Block = Schemas['SchoolBlock']

/** The counted blocks: how often the school wants what, and whether a sign-off waits for it. */
export function CountedBlocks({ blocks, chief }: { blocks: Block[]; chief: boolean }) {
  return (
    <section className="mt-8" aria-labelledby="counted-blocks">
      <h2 id="counted-blocks" className="mb-1 text-xl font-bold">
        {t`Counted blocks`}
      </h2>
      <p className="mt-0 max-w-3xl">
        {t`Something done so often, to a level, before something else. Recordings and taps are counted by themselves; the count stands on the student's page, in Prepare and in Fly.`}
      </p>
      {blocks.map((block) => (
        <BlockForm key={JSON.stringify(block)} block={block} chief={chief} />
      ))}
    </section>
  )
}

function BlockForm({ block, chief }: { block: Block; chief: boolean }) {
  const set = useSetBlock()
  const { values, form, field, tick, refused } = useBody(setBlock, {
    start: { counts: block.rungs.map((rung) => String(rung.count)), needed: block.needed },
    error: set.error,
  })
  const changed =
    values.needed !== block.needed || values.counts.some((count, i) => Number(count) !== block.rungs[i]?.count)
  const send = form((body) =>
    set.mutate({ id: block.id, ...body }, { onSuccess: () => toast(t`${block.title}: stored`) }),
  )
  return (
    <form className="grid gap-2 border-t border-rule py-3 md:grid-cols-2" aria-label={block.title} {...send}>
      <div>
        <b>{block.title}</b>
        <p className="label m-0">{block.reason}</p>
      </div>
      <div className="grid content-start gap-2">
        <div className="flex flex-wrap gap-x-5 gap-y-2">
          {block.rungs.map((rung, i) => (
            <Field
              key={rung.words}
              label={rung.words}
              asks
              className="figures w-20!"
              disabled={!chief}
              {...field(`counts.${i}`, { required: true })}
            />
          ))}
        </div>
        <Tick label={t`A sign-off waits for it`} disabled={!chief} {...tick('needed')} />
        <Refused {...refused()} />
        {chief && changed && (
          <button type="submit" className="button solid justify-self-start" disabled={set.isPending}>
            {t`Store`}
          </button>
        )}
      </div>
    </form>
  )
}
