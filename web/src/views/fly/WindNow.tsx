import { t } from '@lingui/core/macro'
import { useState } from 'react'

interface Props {
  now: string
  /** What the recording's drift shows. */
  drift: string | undefined
  keep: (wind: string) => void
  locked: boolean
}

interface Asked {
  label: string
  most: number
}

const SEEN: Asked[] = [
  { label: t`From, ° true`, most: 360 },
  { label: 'kt', most: 99 },
]
const DRIFT: Asked[] = [
  { label: t`Heading ° true`, most: 360 },
  { label: t`Airspeed kt`, most: 199 },
  { label: t`Track ° true`, most: 360 },
  { label: t`Over ground kt`, most: 199 },
]

/** The wind as seen in the air, or the drift that tells it: it replaces the forecast, and the plan follows. */
export function WindNow({ now, drift: shown, keep, locked }: Props) {
  const [drift, setDrift] = useState(false)
  const [texts, setTexts] = useState<string[]>([])
  const asked = drift ? DRIFT : SEEN
  const good = asked.every(({ most }, i) => /^\d{1,3}$/.test(texts[i] ?? '') && Number(texts[i]) <= most)
  const said = () => {
    const [a = '', b = '', c = '', d = ''] = texts
    return drift ? t`heading ${a} at ${b}, track ${c} at ${d}` : `${a.padStart(3, '0')}/${b}`
  }
  return (
    <form
      aria-label={t`Wind now`}
      onSubmit={(event) => {
        event.preventDefault()
        if (!good) return
        keep(said())
        setTexts([])
      }}
    >
      <div className="flex items-baseline justify-between">
        <span className="label">{t`Wind now (planned with ${now})`}</span>
        <button
          type="button"
          className="min-h-11 cursor-pointer bg-transparent text-sm underline"
          onClick={() => {
            setDrift(!drift)
            setTexts([])
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
      <div className="flex items-end gap-2">
        {asked.map(({ label }, i) => (
          <label key={label} className="grid min-w-0 grow gap-0.5">
            <span className="label">{label}</span>
            <input
              className="field h-16 text-lg"
              inputMode="numeric"
              value={texts[i] ?? ''}
              disabled={locked}
              onChange={(e) => setTexts((was) => asked.map((_, j) => (j === i ? e.target.value : (was[j] ?? ''))))}
            />
          </label>
        ))}
        <button type="submit" className="tap w-28" disabled={locked || !good}>
          {t`Use it`}
        </button>
      </div>
    </form>
  )
}
