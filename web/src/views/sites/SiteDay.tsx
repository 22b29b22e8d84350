import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useTypes } from '../../api/queries'
import { useWeather } from '../../api/prepare'
import type { SiteQuestion } from '../../api/sites'
import { Pick } from '../../design/Pick'
import { NumberField } from '../prepare/NumberField'

interface Props {
  day: SiteQuestion
  onChange: (day: SiteQuestion) => void
}

type Numbers = 'wind_from_deg' | 'wind_kt' | 'gust_kt' | 'oat_c' | 'hottest_oat_c'

const FIELDS: {
  name: Numbers
  label: string
  unit: string
  low: number
  high: number
  step?: number
  placeholder: string
}[] = [
  { name: 'wind_from_deg', label: t`Wind from`, unit: '°', low: 0, high: 360, step: 10, placeholder: t`not given` },
  { name: 'wind_kt', label: t`Wind`, unit: 'kt', low: 0, high: 60, placeholder: t`not given` },
  { name: 'gust_kt', label: t`Gust`, unit: 'kt', low: 0, high: 80, placeholder: t`none` },
  { name: 'oat_c', label: t`Air`, unit: '°C', low: -40, high: 55, placeholder: t`standard` },
  { name: 'hottest_oat_c', label: t`Hottest`, unit: '°C', low: -40, high: 55, placeholder: t`not given` },
]

/** Aircraft, load, air and hour that the site is looked at for. */
export function SiteDay({ day, onChange }: Props) {
  const types = useTypes()
  const weather = useWeather()
  const set = (fields: Partial<SiteQuestion>) => onChange({ ...day, ...fields })
  const report = weather.data?.report
  const helicopters = (types.data ?? []).filter(({ kind }) => kind === 'helicopter')
  return (
    <div className="no-print mt-2 grid grid-cols-2 items-start gap-x-2 gap-y-1 sm:grid-cols-4 xl:grid-cols-[1.3fr_1fr_repeat(5,minmax(4.5rem,1fr))_1.7fr]">
      <label className="grid gap-0.5">
        <span className="label">{t`Aircraft`}</span>
        <Pick
          value={day.type_id ?? ''}
          choices={helicopters.map(({ id, name }) => ({ id, word: name }))}
          onChange={(id) => set({ type_id: id })}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="label">{t`Load`}</span>
        <Pick
          value={day.people ?? 'dual'}
          choices={[
            { id: 'dual', word: t`dual` },
            { id: 'solo', word: t`solo` },
          ]}
          onChange={(id) => set({ people: id as 'solo' | 'dual' })}
        />
      </label>
      {FIELDS.map(({ name, ...field }) => (
        <NumberField key={name} {...field} optional value={day[name]} onChange={(value) => set({ [name]: value })} />
      ))}
      <label className="grid gap-0.5">
        <span className="label">{t`At, UTC`}</span>
        <input
          className="field"
          type="datetime-local"
          value={(day.at ?? '').slice(0, 16)}
          onChange={(event) => set({ at: event.target.value ? `${event.target.value}:00Z` : null })}
        />
      </label>
      {report && (
        <p className="label col-span-full m-0">
          <Trans>
            Station: <span className="figures">{report.text}</span>, {report.age_minutes} min old{' '}
          </Trans>
          <button
            type="button"
            className="act"
            onClick={() =>
              set({
                wind_from_deg: report.values.wind_from_deg ?? null,
                wind_kt: report.values.wind_kt ?? null,
                gust_kt: report.values.gust_kt ?? null,
                oat_c: report.values.oat_c ?? null,
              })
            }
          >
            {t`Take it into the fields`}
          </button>
        </p>
      )}
    </div>
  )
}
