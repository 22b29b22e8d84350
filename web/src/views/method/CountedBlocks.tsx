import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Schemas } from '../../api/client'
import { useSetBlock } from '../../api/queries'

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
  const [counts, setCounts] = useState(block.rungs.map((rung) => String(rung.count)))
  const [needed, setNeeded] = useState(block.needed)
  const wanted = counts.map(Number)
  const whole = wanted.every((count) => Number.isInteger(count) && count >= 1 && count <= 100)
  const changed = needed !== block.needed || wanted.some((count, i) => count !== block.rungs[i]?.count)
  return (
    <form
      className="grid gap-2 border-t border-rule py-3 md:grid-cols-2"
      aria-label={block.title}
      onSubmit={(event) => {
        event.preventDefault()
        set.mutate({ id: block.id, counts: wanted, needed }, { onSuccess: () => toast(t`${block.title}: stored`) })
      }}
    >
      <div>
        <b>{block.title}</b>
        <p className="label m-0">{block.reason}</p>
      </div>
      <div className="grid gap-2">
        {block.rungs.map((rung, i) => (
          <label key={rung.words} className="flex items-center gap-2">
            <input
              className="field figures w-20!"
              inputMode="numeric"
              disabled={!chief}
              value={counts[i] ?? ''}
              onChange={(event) => setCounts((all) => all.map((old, at) => (at === i ? event.target.value : old)))}
            />
            {rung.words}
          </label>
        ))}
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            disabled={!chief}
            checked={needed}
            onChange={(event) => setNeeded(event.target.checked)}
          />
          {t`A sign-off waits for it`}
        </label>
        {!whole && <p className="limit-note m-0 p-2">{t`Each count is a whole number from 1 to 100.`}</p>}
        {set.error && (
          <p role="alert" className="limit-note m-0 p-2">
            {set.error.message}
          </p>
        )}
        {chief && changed && (
          <button type="submit" className="button solid justify-self-start" disabled={!whole || set.isPending}>
            {t`Store`}
          </button>
        )}
      </div>
    </form>
  )
}
