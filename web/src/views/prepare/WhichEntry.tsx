import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import type { Schemas } from '../../api/client'
import { Chance } from '../../design/Chance'
import { figure } from '../../design/words'

type Result = NonNullable<Schemas['Dispersion']['result']>
export type Option = Result['options'][number]
/** How far the entry was moved from where it was planned, feet. */
export interface Shift {
  along: number
  across: number
}

export const OPTION_WORDS: Record<string, string> = {
  glide: t`House glide`,
  slow: t`Slow down`,
  stretch: t`Stretch`,
  delay: t`Ten seconds later`,
  s_turn: t`S-turn`,
  circle: t`Full circle`,
}

/** Straight lines between the grid's entry points: the answer for a moved entry, without asking anybody. */
export function probabilityAt(option: Option, result: Result, shift: Shift): number {
  const row = (shift.along - result.from_along_ft) / result.step_ft
  const column = (shift.across - result.from_across_ft) / result.step_ft
  const rows = option.field.length
  const columns = option.field[0]?.length ?? 0
  const i = Math.min(Math.max(Math.floor(row), 0), rows - 2)
  const j = Math.min(Math.max(Math.floor(column), 0), columns - 2)
  const u = Math.min(Math.max(row - i, 0), 1)
  const v = Math.min(Math.max(column - j, 0), 1)
  const at = (r: number, c: number) => option.field[r]?.[c] ?? 0
  return (
    at(i, j) * (1 - u) * (1 - v) + at(i + 1, j) * u * (1 - v) + at(i, j + 1) * (1 - u) * v + at(i + 1, j + 1) * u * v
  )
}

interface Props {
  dispersion: Schemas['Dispersion'] | undefined
  shift: Shift
  onShift: (shift: Shift) => void
  error: string | undefined
}

/** Which entry reaches the spot: how likely each way is to stop within the standard's distance from where the entry stands. */
export function WhichEntry({ dispersion, shift, onShift, error }: Props) {
  const result = dispersion?.result
  const failed = error ?? (dispersion?.status === 'failed' ? dispersion.error : undefined)
  if (failed)
    return (
      <p className="label m-0" role="alert">
        {failed}
      </p>
    )
  if (!result)
    return (
      <p className="label m-0" role="status">
        {t`Flying a thousand landings in the background…`}
      </p>
    )
  const answers = result.options
    .map((option) => ({ option, chance: probabilityAt(option, result, shift) }))
    .sort((a, b) => b.chance - a.chance)
  const moved = Math.round(Math.hypot(shift.along, shift.across)) > 0
  return (
    <section aria-label={t`Which entry reaches the spot`} className="no-print sheet p-3.5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="m-0 text-base font-semibold">{t`Which way reaches the spot from here`}</h2>
        <span className="label" role="status">
          {dispersion.status === 'ready'
            ? t`${dispersion.runs.toLocaleString(locale)} seeded runs`
            : t`${dispersion.runs} of ${dispersion.wanted} runs so far`}
        </span>
      </div>
      <p className="label mt-0.5 mb-2">
        <Trans>
          Stops within {Math.round(result.within_along_ft)} ft along and {Math.round(result.within_across_ft)} ft
          across. Spread {result.spread.text}: speed ±{figure(result.spread.speed_kt, 'kt', 1)} kt, entry ±
          {result.spread.entry_ft} ft, one standard deviation.
        </Trans>
      </p>
      <ol className="m-0 grid list-none gap-1 p-0">
        {answers.map(({ option, chance }, index) => (
          <li key={option.option} className="grid grid-cols-[9.5rem_1fr_3rem] items-center gap-x-2 text-sm">
            <span className={index === 0 ? 'font-bold' : ''}>{OPTION_WORDS[option.option] ?? option.option}</span>
            <span className="h-3 border border-ink bg-paper" aria-hidden="true">
              <span
                className={index === 0 ? 'block h-full bg-ink' : 'block h-full bg-band-deep'}
                style={{ width: `${Math.min(100, chance * 100)}%` }}
              />
            </span>
            <Chance of={chance} />
          </li>
        ))}
      </ol>
      <p className="label mt-2 mb-0">
        {moved
          ? t`Entry moved ${sideOf(shift.along, t`up the final course`, t`back down it`)}${shift.across ? `, ${sideOf(shift.across, t`right`, t`left`)}` : ''}. `
          : t`Drag the entry on the ground view, or focus it and use the arrow keys. `}
        {moved && (
          <button type="button" className="act" onClick={() => onShift({ along: 0, across: 0 })}>
            {t`Back to the plan`}
          </button>
        )}
      </p>
    </section>
  )
}

const sideOf = (feet: number, plus: string, minus: string) =>
  `${Math.abs(Math.round(feet))} ft ${feet >= 0 ? plus : minus}`
