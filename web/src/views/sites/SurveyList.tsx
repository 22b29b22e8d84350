import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import type { SiteDocument, SiteFeature } from '../../api/sites'
import { Choice, SEGMENT } from '../../design/Choice'
import { answered, textOf } from './draft'
import { GROUPS, PASSES, POINTS, STATUSES } from './siteWords'

interface Props {
  document: SiteDocument
  onChange?: ((document: SiteDocument) => void) | undefined
  /** The pass that is being flown: new answers are from it. */
  pass: string
  /** Where answers are kept. */
  at: number[]
}

const ORDER = ['surveyed', 'walked', 'low', 'high']
const rank = (feature: SiteFeature) => {
  const found = ORDER.indexOf(textOf(feature, 'pass'))
  return found < 0 ? ORDER.length : found
}

/** The survey's points of the four groups, one large tap each: seen, not there, open. */
export function SurveyList({ document, onChange, pass, at }: Props) {
  const answers = document.features.filter(({ properties }) => properties.kind === 'survey_point')
  const of = (group: string, about: string) =>
    answers.filter(({ properties }) => properties.group === group && properties.about === about)
  const answer = (group: string, about: string, status: string) =>
    onChange?.(answered(document, { group, about, status, pass }, at))
  return (
    <div className="grid gap-3 md:grid-cols-2">
      {Object.entries(GROUPS).map(([group, title]) => (
        <fieldset key={group} className="m-0 border-0 p-0">
          <legend className="mb-1 text-base font-semibold">{title}</legend>
          {POINTS.filter((point) => point.group === group).map(({ about, ask }) => {
            const found = of(group, about).sort((a, b) => rank(a) - rank(b))
            const holds = found[0]
            return (
              <div key={about} className="grid grid-cols-[1fr_auto] items-center gap-x-2 border-t border-rule py-1">
                <div className="leading-tight">
                  {ask}
                  <span className="label block">
                    {found
                      .map((one) => `${STATUSES[textOf(one, 'status')] ?? ''} ${PASSES[textOf(one, 'pass')] ?? ''}`)
                      .join('; ') || t`not answered: counts as open`}
                    {holds && textOf(holds, 'note') ? `. ${textOf(holds, 'note')}` : ''}
                  </span>
                </div>
                <Choice
                  label={ask}
                  words={STATUSES}
                  value={holds && textOf(holds, 'status')}
                  off={!onChange}
                  onPick={(status) => answer(group, about, status)}
                  item={(status) =>
                    clsx(
                      SEGMENT,
                      'px-2.5!',
                      status === 'open' &&
                        'data-[state=on]:border-limit! data-[state=on]:bg-limit-wash! data-[state=on]:text-ink!',
                    )
                  }
                />
              </div>
            )
          })}
        </fieldset>
      ))}
    </div>
  )
}
