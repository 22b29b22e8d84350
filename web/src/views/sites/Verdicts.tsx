import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import type { SiteReport } from '../../api/sites'
import { nameOf } from '../../design/words'
import { USES, VERDICTS } from './siteWords'

/** Whether the site is fit, use by use, with the point that decides. */
export function Verdicts({ report }: { report: SiteReport }) {
  return (
    <section aria-label={t`Verdict by use`} className="mt-3 grid gap-2 grid-cols-2 md:grid-cols-3 lg:grid-cols-5">
      {Object.entries(USES).map(([use, word]) => {
        const answer = report.verdicts[use]
        const verdict = answer?.verdict ?? null
        return (
          <div
            key={use}
            className={clsx(
              'border-2 p-2.5',
              verdict === 'suitable' && 'border-ink bg-band',
              verdict === 'if' && 'caution-edge border-ink pl-5',
              verdict === 'not' && 'border-limit bg-limit-wash',
              verdict === null && 'border-dashed border-faint',
            )}
          >
            <div className="text-sm text-soft">{word}</div>
            <div className="text-xl leading-tight font-bold">{verdict ? VERDICTS[verdict] : t`no verdict`}</div>
            {answer && answer.because.length > 0 && (
              <ul className="m-0 mt-1 list-none p-0 text-sm leading-snug">
                {answer.because.slice(0, 2).map((reason, index) => (
                  <li key={index} className={index === 0 ? 'font-semibold' : ''}>
                    {reason.text}
                  </li>
                ))}
                {answer.because.length > 2 && <li className="label">{t`and ${answer.because.length - 2} more`}</li>}
              </ul>
            )}
            {verdict === 'suitable' && answer?.approach && (
              <p className="label m-0 mt-1">
                {t`in: ${nameOf(answer.approach)}; out: ${nameOf(answer.departure ?? '')}`}
              </p>
            )}
          </div>
        )
      })}
    </section>
  )
}
