import { decimal } from '#language/numbers'
import { plural, t } from '@lingui/core/macro'
import type { Schemas } from '../../api/client'
import { useAgreement } from '../../api/queries'
import { HeadRow } from '../../design/HeadRow'
import { capital } from '../../design/words'

/** How alike the school grades, for the chief instructor: the same recordings, graded by more than one. */
export function Agreement() {
  const { data } = useAgreement()
  if (!data) return null
  return (
    <section aria-label={t`Agreement of grades`} className="mt-6">
      <h2 className="mb-1 text-xl font-bold">{t`Same grade, same meaning`}</h2>
      {data.attempts === 0 ? (
        <p className="m-0">
          {t`No recording has been graded by two instructors yet. In Review, a colleague gives a second opinion without seeing the first.`}
        </p>
      ) : (
        <>
          <p className="mt-0">
            {plural(data.attempts, {
              one: '# attempt was graded by more than one instructor.',
              other: '# attempts were graded by more than one instructor.',
            })}{' '}
            {t`Where they differ, look at the recording together: the table says how grades differ, not who is right.`}
          </p>
          <table className="border-collapse">
            <HeadRow heads={[t`Phase`, t`Pairs of grades`, t`The same`, t`Within one step`]} />
            <tbody>
              {data.phases.map((row) => (
                <tr key={row.phase} className="figures border-t border-rule">
                  <td className="p-2 font-semibold">{capital(row.phase)}</td>
                  <td className="p-2 text-right">{row.pairs}</td>
                  <td className="p-2 text-right">
                    {row.same_pct}
                    <span className="unit">%</span>
                  </td>
                  <td className="p-2 text-right">
                    {row.within_one_pct}
                    <span className="unit">%</span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <ul className="mt-3 mb-0 list-none p-0">
            {data.differences
              .filter((row) => row.telling && Math.abs(row.steps) >= 0.25)
              .map((row) => (
                <li key={`${row.name} ${row.phase}`} className="border-t border-rule py-1.5">
                  {sentence(row)}
                </li>
              ))}
            {data.differences.some((row) => !row.telling) && (
              <li className="label border-t border-rule py-1.5">
                {t`Where fewer than three attempts were compared, nothing is said of a person yet.`}
              </li>
            )}
          </ul>
        </>
      )}
    </section>
  )
}

const sentence = ({ name, phase, steps, attempts }: Schemas['Agreement']['differences'][number]) =>
  t`${name} grades ${capital(phase).toLowerCase()} ${decimal(Math.abs(steps), 1)} steps ${steps > 0 ? t`higher` : t`lower`} than colleagues on the same ${attempts} attempts.`
