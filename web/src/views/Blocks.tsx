import { plural, t } from '@lingui/core/macro'
import type { Schemas } from '../api/client'

type Block = Schemas['Block']

/** Counted blocks, a box for each that is wanted: full ones are done. */
export function Blocks({ blocks }: { blocks: Block[] }) {
  return (
    <section aria-labelledby="blocks">
      <h2 id="blocks" className="text-lg font-semibold">
        {t`Counted`}
      </h2>
      <div className="grid gap-4 md:grid-cols-2">
        {blocks.map((block) => (
          <div key={block.id} className="sheet p-3">
            <h3 className="m-0 font-semibold">{block.title}</h3>
            <p className="label m-0">{block.reason}</p>
            <ul className="m-0 mt-2 grid list-none gap-2 p-0">
              {block.rungs.map((rung) => (
                <li key={rung.words} className="flex flex-wrap items-center justify-between gap-x-4">
                  <span>
                    <b className="figures">{t`${Math.min(rung.done, rung.count)} of ${rung.count}`}</b> {rung.words}
                  </span>
                  <Boxes done={rung.done} count={rung.count} />
                </li>
              ))}
            </ul>
            {block.unplaced.length > 0 && (
              <p className="label m-0 mt-2">
                {plural(block.unplaced.length, { one: '# more fits no line:', other: '# more fit no line:' })}{' '}
                {t`${[...new Set(block.unplaced)].join(', ').toLowerCase()} was neither asked nor recorded.`}
              </p>
            )}
            {waits(block) && (
              <p className="label m-0 mt-2">
                {block.complete ? t`Done: it held back` : t`Holds back`} {waits(block)}.
              </p>
            )}
          </div>
        ))}
      </div>
    </section>
  )
}

const waits = ({ needed_for: signOffs, solo }: Block) =>
  [
    signOffs.length > 0 && t`the sign-off of ${signOffs.join(', ').toLowerCase()}`,
    solo.length > 0 && t`the first solo in a ${solo.join(t` or `)}`,
  ]
    .filter(Boolean)
    .join(t` and `)

/** Small boxes up to a dozen; more are a bar. */
function Boxes({ done, count }: { done: number; count: number }) {
  const many = count > 12
  const width = many ? 132 : count * 13
  return (
    <svg width={width} height="14" role="img" aria-label={t`${Math.min(done, count)} of ${count}`}>
      {many ? (
        <>
          <rect x="0.500" y="0.500" width={width - 1} height="12" fill="none" stroke="currentColor" />
          <rect
            x="0.500"
            y="0.500"
            width={((width - 1) * Math.min(done, count)) / count}
            height="12"
            fill="currentColor"
          />
        </>
      ) : (
        Array.from({ length: count }, (_, i) => (
          <rect
            key={i}
            x={i * 13 + 0.5}
            y="0.500"
            width="10"
            height="12"
            fill={i < done ? 'currentColor' : 'none'}
            stroke="currentColor"
            strokeDasharray={i < done ? undefined : '2.500 2'}
          />
        ))
      )}
    </svg>
  )
}
