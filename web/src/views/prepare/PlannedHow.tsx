import { t } from '@lingui/core/macro'
import { useState } from 'react'
import type { Planned, SortieChange } from '../../api/client'
import { choicesOf, Pick } from '../../design/Pick'
import { taskWords } from '../fly/tapWords'

interface Props {
  sortie: Planned
  set: (fields: SortieChange) => void
}

const MOMENTS = [
  t`In the climb`,
  t`Crosswind`,
  t`Downwind, abeam the spot`,
  t`Base`,
  t`On final`,
  t`In the cruise`,
  t`In the hover`,
]

/** What the student has in hand, and whether it comes as a surprise, and when. */
export function PlannedHow({ sortie, set }: Props) {
  const locked = !sortie.may_edit
  const words = taskWords(sortie.aircraft.kind)
  const [moment, setMoment] = useState(sortie.surprise ?? '')
  const keep = () => {
    const text = moment.trim()
    if (text !== (sortie.surprise ?? '')) set({ surprise: text || null })
  }
  return (
    <details className="col-span-3 open:col-span-full">
      <summary className="label min-h-11 cursor-pointer py-2.5">
        {t`Flown: ${sortie.task === 'whole' ? t`the whole of it` : t`the ${words[sortie.task].toLowerCase()} alone`}, ${sortie.surprise ? t`a surprise (${sortie.surprise.toLowerCase()})` : t`announced`}`}
      </summary>
      <div className="grid grid-cols-9 items-end gap-x-2 max-lg:grid-cols-4">
        <label className="col-span-2 grid gap-0.5">
          <span className="label">{t`The student has`}</span>
          <Pick
            value={sortie.task}
            choices={choicesOf(words)}
            disabled={locked}
            onChange={(task) => set({ task: task as Planned['task'] })}
          />
        </label>
        <label className="col-span-3 grid gap-0.5">
          <span className="label">{t`A surprise, and when (empty: announced)`}</span>
          <input
            className="field"
            list="moments"
            maxLength={120}
            disabled={locked}
            value={moment}
            onChange={(event) => setMoment(event.target.value)}
            onBlur={keep}
          />
          <datalist id="moments">
            {MOMENTS.map((text) => (
              <option key={text} value={text} />
            ))}
          </datalist>
        </label>
        <p className="label col-span-4 m-0">
          {t`A surprise is not shown to the student before it was flown. With one control the attempt is graded on that control and does not count towards readiness.`}
        </p>
      </div>
    </details>
  )
}
