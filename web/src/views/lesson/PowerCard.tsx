import { t } from '@lingui/core/macro'
import type { Planned } from '../../api/client'
import { usePowerCardOfTheDay } from '../../api/prepare'
import { capital, figure, unitWord } from '../../design/words'

/** What the gauge will show today, phase by phase, and what it showed when the aircraft was flown. */
export function PowerCard({ sortie }: { sortie: Planned }) {
  const card = usePowerCardOfTheDay(sortie.id, sortie.exercise_id, sortie.version).data
  if (!card || card.settings.length === 0) return null
  const shown = (value: number | null | undefined) => (value == null ? '—' : figure(value, card.unit, 1))
  return (
    <table className="figures m-0 w-full border-collapse text-sm">
      <caption className="label text-left">{t`Power, ${unitWord(card.unit)}`}</caption>
      <thead>
        <tr className="label text-right">
          <th className="text-left font-normal">{t`Phase`}</th>
          <th className="font-normal">{t`Today`}</th>
          <th className="font-normal">{t`As flown`}</th>
        </tr>
      </thead>
      <tbody>
        {card.settings.map(({ phase, planned, value, flights }) => (
          <tr key={phase} className="border-t border-rule">
            <th scope="row" className="text-left font-normal text-soft">
              {capital(phase)}
            </th>
            <td className="text-right text-base font-semibold">{shown(planned)}</td>
            <td className="text-right">
              {shown(value)}
              {flights > 0 && <span className="label"> ({flights})</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
