import { t } from '@lingui/core/macro'
import { askFromHere } from '../../api/ranges.generated'
import { useState } from 'react'
import type { Plan, Planned } from '../../api/client'
import { useFromHere } from '../../api/prepare'
import { Chance } from '../../design/Chance'
import { NumberField } from './NumberField'
import type { Shift } from './WhichEntry'

/** A dragged entry asks again every so many feet, not at every pixel. */
const STEP_FT = 50

interface Props {
  sortie: Planned
  plan: Plan
  /** Where the entry was dragged to. */
  shift: Shift
}

/** Too close, too far: what reaches the spot from a height and a distance, and how much of it. */
export function FromHere({ sortie, plan, shift }: Props) {
  const planned = plan.numbers.entry_distance_ft?.value ?? 0
  const [own, setOwn] = useState<{ height?: number; distance?: number }>({})
  const height = own.height ?? plan.numbers.entry_height_ft?.value ?? 1000
  const distance = own.distance ?? Math.max(0, Math.round((planned - shift.along) / STEP_FT) * STEP_FT)
  const answer = useFromHere(sortie.id, sortie.exercise_id, sortie.version, height, distance)
  const ways = answer.data?.ways
  return (
    <section aria-label={t`From here`} className="no-print sheet p-3.5">
      <h2 className="m-0 text-base font-semibold">{t`From where I am, straight towards the spot`}</h2>
      <div className="mt-1 grid grid-cols-2 gap-2 sm:max-w-md">
        <NumberField
          label={t`Height`}
          unit="ft"
          step={50}
          value={Math.round(height)}
          low={askFromHere.height_ft.minimum}
          high={askFromHere.height_ft.maximum}
          onChange={(feet) => setOwn({ ...own, ...(feet === null ? {} : { height: feet }) })}
        />
        <NumberField
          label={t`To the spot`}
          unit="ft"
          step={100}
          value={distance}
          low={askFromHere.distance_ft.minimum}
          high={askFromHere.distance_ft.maximum}
          onChange={(feet) => setOwn({ ...own, ...(feet === null ? {} : { distance: feet }) })}
        />
      </div>
      {answer.isError && (
        <p role="alert" className="limit-note mt-2 mb-0 p-2">
          {answer.error.message}
        </p>
      )}
      {ways && !answer.isError && (
        <ol className="m-0 mt-2 grid list-none gap-1 p-0" aria-live="polite">
          {ways.length === 0 && <li className="font-semibold">{t`No way reaches it from here: another spot.`}</li>}
          {ways.map(({ id, text, chance }, index) => (
            <li key={id} className="grid grid-cols-[1fr_3rem] gap-x-2 border-t border-rule py-1 text-sm">
              <span className={index === 0 ? 'font-bold' : ''}>{text}</span>
              <Chance of={chance} />
            </li>
          ))}
        </ol>
      )}
      <p className="label mt-2 mb-0">
        {t`How likely it is that the spot lies within what each can still reach; the glide is as uncertain as the entry distance above.`}
      </p>
    </section>
  )
}
