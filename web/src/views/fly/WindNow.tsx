import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { Field } from '../../design/Field'
import { useBody } from '../../design/useBody'

interface Props {
  now: string
  /** What the recording's drift shows. */
  drift: string | undefined
  keep: (wind: string) => void
  locked: boolean
}

const bearing = { type: 'integer', minimum: 0, maximum: 360, required: true } as const
const speed = { type: 'integer', minimum: 0, maximum: 199, required: true } as const
const SEEN = { from: bearing, kt: { ...speed, maximum: 99 } } as const
const DRIFT = { heading: bearing, airspeed: speed, track: bearing, over_ground: speed } as const
const LABELS: Record<keyof typeof SEEN | keyof typeof DRIFT, string> = {
  from: t`From, ° true`,
  kt: 'kt',
  heading: t`Heading ° true`,
  airspeed: t`Airspeed kt`,
  track: t`Track ° true`,
  over_ground: t`Over ground kt`,
}
const NOTHING = { from: '', kt: '', heading: '', airspeed: '', track: '', over_ground: '' }

/** The wind as seen in the air, or the drift that tells it: it replaces the forecast, and the plan follows. */
export function WindNow({ now, drift: shown, keep, locked }: Props) {
  const [drift, setDrift] = useState(false)
  const { values, form, field, reset } = useBody({ ...SEEN, ...DRIFT }, { start: NOTHING })
  const asked = Object.keys(drift ? DRIFT : SEEN) as (keyof typeof NOTHING)[]
  const send = form(({ from, kt, heading, airspeed, track, over_ground: over }) => {
    keep(
      drift
        ? // As the server reads a drift, whatever language the page is in.
          `heading ${heading} at ${airspeed}, track ${track} at ${over}`
        : `${String(from).padStart(3, '0')}/${kt}`,
    )
    reset()
  })
  return (
    <form aria-label={t`Wind now`} {...send}>
      <div className="flex items-baseline justify-between">
        <span className="label">{t`Wind now (planned with ${now})`}</span>
        <button
          type="button"
          className="act text-sm"
          onClick={() => {
            setDrift(!drift)
            reset()
          }}
        >
          {drift ? t`Say the wind` : t`From drift`}
        </button>
      </div>
      {shown && (
        <button type="button" className="tap mb-2 w-full" disabled={locked} onClick={() => keep(shown)}>
          {t`Use the recording's drift: wind ${shown}`}
        </button>
      )}
      <div className="flex items-start gap-2">
        {asked.map((name) => (
          <Field
            key={name}
            label={LABELS[name]}
            className="h-16 text-lg"
            inputMode="numeric"
            disabled={locked}
            {...field(name)}
            type="text"
          />
        ))}
        <button type="submit" className="tap mt-5 w-28" disabled={locked || asked.some((name) => values[name] === '')}>
          {t`Use it`}
        </button>
      </div>
    </form>
  )
}
