import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Accordion } from 'radix-ui'
import type { Attempt, Measure } from '../../api/client'
import { useMeasured } from '../../api/review'
import { Figure } from '../../design/Figure'
import { Failed, Loading } from '../../design/States'
import { Why } from '../../design/Why'
import { VerdictMark } from '../../design/VerdictMark'
import { bandText, capital, figure, withUnit } from '../../design/words'
import { BandRuler } from '../../pictures/BandRuler'

interface Props {
  attempt: Attempt
  phase: string | undefined
  select: (phase: string | null) => void
}

const WORST = ['out', 'marginal']

/** Every measure against its band, phase by phase. */
export function Measures({ attempt, phase, select }: Props) {
  const measured = useMeasured(attempt)
  if (measured.isPending) return <Loading what={t`the measures`} />
  if (measured.isError) return <Failed error={measured.error} again={() => void measured.refetch()} />
  const measures = Object.entries(measured.data.measures ?? {})
  if (measures.length === 0) return null
  const groups = ['setup', ...attempt.phases.map((p) => p.id)].filter((id) => measures.some(([, m]) => m.phase === id))
  const worst = groups.find((id) => measures.some(([, m]) => m.phase === id && WORST.includes(m.verdict ?? '')))
  const first = attempt.fault_details?.[0]
  const fault = first && attempt.phases.find((p) => first.to_s > p.start_s && first.to_s <= p.end_s + 0.05)?.id
  const shown = worst ?? groups.find((id) => id === fault) ?? groups[0]
  return (
    <section aria-label={t`Measures`} className="mt-3">
      <Accordion.Root
        type="single"
        collapsible
        value={phase ?? shown ?? ''}
        onValueChange={(value) => select(value || 'none')}
      >
        {groups.map((id) => (
          <Accordion.Item key={id} value={id} className="border-t border-rule">
            <Accordion.Header className="m-0">
              <Accordion.Trigger className="flex min-h-11 w-full cursor-pointer items-center justify-between font-semibold">
                {capital(id === 'setup' ? t`set-up` : id)}
                <span className="flex gap-1" aria-hidden="true">
                  {measures
                    .filter(([, m]) => m.phase === id && m.verdict)
                    .map(([name, m]) => (
                      <VerdictMark key={name} verdict={m.verdict} tooClose={m.too_close} />
                    ))}
                </span>
              </Accordion.Trigger>
            </Accordion.Header>
            <Accordion.Content>
              <table className="w-full border-collapse text-sm">
                <tbody>
                  {measures
                    .filter(([, m]) => m.phase === id)
                    .map(([name, measure]) => (
                      <Row key={name} measure={measure} />
                    ))}
                </tbody>
              </table>
            </Accordion.Content>
          </Accordion.Item>
        ))}
      </Accordion.Root>
      <p className="label mt-2">
        <Trans>
          Standard {attempt.standard_version}. Estimated values are marked ≈. The bar through a value is what this
          recording leaves open of it, nine times of ten; a verdict that another value on it would turn is too close to
          call, its mark struck through.
        </Trans>
      </p>
    </section>
  )
}

function Row({ measure }: { measure: Measure }) {
  const recorded = measure.verdict !== 'not_recorded'
  return (
    <tr className="border-t border-rule/60 align-middle">
      <td className="w-6 py-1">
        <VerdictMark verdict={measure.verdict} tooClose={measure.too_close} />
      </td>
      <th scope="row" className="py-1 pr-2 text-left font-normal">
        <Why word={measure.label}>
          <p className="m-0">{measure.definition}</p>
          <p className="m-0 mt-1.5 text-soft">{t`From ${measure.source.join(', ')}${rangeText(measure)}.`}</p>
        </Why>
        {measure.critical && <b className="text-limit"> {t`critical`}</b>}
        {measure.reason && <span className="block text-xs text-soft">{measure.reason}</span>}
      </th>
      <td className="py-1 text-right font-semibold whitespace-nowrap">
        {recorded ? (
          <>
            {measure.estimated ? '≈' : ''}
            <Figure value={measure.value} unit={measure.unit} digits={measure.digits} />
            {measure.lengths != null && (
              <span className="block text-xs font-normal text-soft">
                {t`${decimal(Math.abs(measure.lengths), 1)} lengths`}
              </span>
            )}
          </>
        ) : (
          '—'
        )}
      </td>
      <td className="w-26 py-1 pl-2">
        <BandRuler measure={measure} />
        <span className="block text-center text-xs leading-none text-soft">
          {bandText(measure.band_low, measure.band_high, measure.unit, measure.digits)}
        </span>
      </td>
    </tr>
  )
}

function rangeText({ low, high, unit, digits }: Measure): string {
  if (low == null || high == null) return ''
  return t`; in 9 of 10 between ${figure(low, unit, digits + 1)} and ${withUnit(figure(high, unit, digits + 1), unit)}`
}
