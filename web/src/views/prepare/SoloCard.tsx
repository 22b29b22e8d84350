import { t } from '@lingui/core/macro'
import type { Planned } from '../../api/client'
import { useSoloCard } from '../../api/school'
import { figure, unitWord } from '../../design/words'

/** What changes when the instructor stays on the ground, number beside number, from this pair's masses and fuel. */
export function SoloCard({ sortie }: { sortie: Planned }) {
  const alone = sortie.people_aboard === 'solo'
  const card = useSoloCard(sortie.id, sortie.exercise_id, alone)
  if (!alone || !card.data) return null
  return (
    <section className="sheet mb-3 p-3" aria-labelledby="solo-card">
      <h2 id="solo-card" className="m-0 text-lg font-semibold">
        {t`Alone, without ${card.data.instructor}`}
      </h2>
      {card.data.words.map((text) => (
        <p key={text} className="mt-1 mb-0 text-sm">
          {text}
        </p>
      ))}
      <table className="figures mt-2 w-full text-sm">
        <thead>
          <tr className="label text-right">
            <th className="text-left font-normal">
              <span className="sr-only">{t`Number`}</span>
            </th>
            <th className="font-normal">{t`dual`}</th>
            <th className="font-normal">{t`alone`}</th>
          </tr>
        </thead>
        <tbody>
          {card.data.rows.map(({ id, label, unit, digits, dual, solo }) => (
            <tr key={id} className="border-t border-rule text-right">
              <th className="text-left font-normal">{label}</th>
              <td>{figure(dual, unit, digits)}</td>
              <td className="font-semibold">
                {figure(solo, unit, digits)}
                <span className="unit">{unitWord(unit)}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
