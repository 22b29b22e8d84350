import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import { useMemo, useState, type DragEvent, type KeyboardEvent } from 'react'
import type { Exercise, Sortie } from '../../api/client'
import { useOrderExercises, useRemoveExercise } from '../../api/lesson'
import { useInSight } from '../../design/useInSight'
import { useKeys } from '../../design/useKeys'
import { AddExercise } from './AddExercise'

interface Props {
  sortie: Sortie
  index: number
  choose: (index: number) => void
}

/** The lesson's exercises in their order: one on screen, moved by drag or with Alt and an arrow. */
export function Exercises({ sortie, index, choose }: Props) {
  const order = useOrderExercises(sortie.id)
  const remove = useRemoveExercise(sortie.id)
  const [dragged, setDragged] = useState<number | null>(null)
  const rows = sortie.exercises
  const locked = !sortie.may_edit
  useKeys(
    useMemo(
      () => [
        { key: ']', does: t`Next exercise`, run: () => choose(Math.min(rows.length - 1, index + 1)) },
        { key: '[', does: t`Exercise before`, run: () => choose(Math.max(0, index - 1)) },
      ],
      [choose, index, rows.length],
    ),
  )
  const list = useInSight<HTMLOListElement>(index)
  const move = (from: number, to: number) => {
    if (locked || from === to || to < 0 || to >= rows.length) return
    const ids = rows.map((row) => row.id)
    const [id] = ids.splice(from, 1)
    if (!id) return
    ids.splice(to, 0, id)
    order.mutate(ids, { onSuccess: () => choose(to) })
  }
  const onKey = (event: KeyboardEvent, at: number) => {
    if (!event.altKey || !['ArrowLeft', 'ArrowRight'].includes(event.key)) return
    event.preventDefault()
    move(at, at + (event.key === 'ArrowLeft' ? -1 : 1))
  }
  const onDrop = (event: DragEvent, at: number) => {
    event.preventDefault()
    if (dragged !== null) move(dragged, at)
    setDragged(null)
  }
  return (
    <section aria-label={t`Exercises`} className="no-print mt-1.5 flex min-w-0 items-stretch gap-2 max-sm:flex-wrap">
      <ol ref={list} className="m-0 flex min-w-0 list-none gap-2 overflow-x-auto p-0 [scrollbar-width:thin]">
        {rows.map((row, at) => (
          <li
            key={row.id}
            draggable={!locked && rows.length > 1}
            onDragStart={() => setDragged(at)}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => onDrop(event, at)}
          >
            <button
              type="button"
              aria-current={at === index ? 'true' : undefined}
              aria-keyshortcuts={locked ? undefined : t`Alt+ArrowLeft Alt+ArrowRight`}
              className={clsx(
                'flex min-h-11 cursor-pointer items-center gap-2 border px-2 text-left leading-tight whitespace-nowrap',
                at === index ? 'border-2 border-ink bg-sheet font-bold' : 'border-rule text-soft hover:border-ink',
              )}
              onClick={() => choose(at)}
              onKeyDown={(event) => onKey(event, at)}
            >
              <span>{at + 1}</span>
              <span>
                {row.title}
                {row.surprise && <span className="block text-sm font-normal">{t`a surprise`}</span>}
                {row.task !== 'whole' && <span className="block text-sm font-normal">{t`one control`}</span>}
              </span>
              <Count exercise={row} />
            </button>
          </li>
        ))}
      </ol>
      {!locked && <AddExercise sortie={sortie} added={() => choose(sortie.exercises.length)} />}
      {!locked && rows.length > 1 && (
        <button
          type="button"
          className="button shrink-0"
          disabled={remove.isPending || (rows[index]?.attempts ?? 0) > 0}
          onClick={() => {
            const id = rows[index]?.id
            if (id) remove.mutate(id, { onSuccess: () => choose(0) })
          }}
        >
          {t`Take it out`}
        </button>
      )}
      {(remove.error ?? order.error) && (
        <p role="alert" className="limit-note m-0 p-2">
          {(remove.error ?? order.error)?.message}
        </p>
      )}
    </section>
  )
}

/** How many were flown, of how many that are planned. */
function Count({ exercise }: { exercise: Exercise }) {
  const { attempts, planned_count: wanted } = exercise
  if (!wanted && attempts === 0) return null
  return (
    <span className="text-sm font-normal">
      {attempts > 0 || !wanted ? attempts : ''}
      {wanted ? (attempts > 0 ? t` of ${wanted}` : `× ${wanted}`) : t` flown`}
    </span>
  )
}
