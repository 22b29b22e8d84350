import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { clsx } from 'clsx'
import type { Schemas } from '../../api/client'
import { Figure } from '../../design/Figure'
import { VerdictMark } from '../../design/VerdictMark'
import { BandRuler } from '../../pictures/BandRuler'
import type { Reading } from './useLive'

interface Shown {
  name: string
  label: string
  unit: string
  /** Of the number and of its band; without it the number has its unit's, the band none. */
  digits?: number
  /** Shown too where this one is held to something. */
  beside?: string
  /** A direction, which comes round at north. */
  round?: boolean
  /** Looked at in every phase; the others only where they are held to something. */
  always?: boolean
}

const SHOWN: Shown[] = [
  { name: 'rotor_rpm_pct', label: t`Rotor`, unit: 'pct', always: true },
  { name: 'ias_kt', label: t`Airspeed`, unit: 'kt', always: true },
  { name: 'sink_fpm', label: t`Sink`, unit: 'fpm', always: true },
  { name: 'height_ft', label: t`Height`, unit: 'ft', always: true },
  { name: 'power', label: t`Power`, unit: '', digits: 1 },
  { name: 'bank_deg', label: t`Bank`, unit: 'deg', digits: 0 },
  { name: 'heading_deg', label: t`Heading`, unit: 'deg', digits: 0, round: true },
  // The bank that a figure asks for goes with it.
  { name: 'groundspeed_kt', label: t`Ground speed`, unit: 'kt', beside: 'bank_deg' },
]

/** What the phase is flown by: each number against its band; out of it while an attempt goes on it is outlined and says so. */
export function LiveNumbers({ reading }: { reading: Reading }) {
  const shown = SHOWN.filter(
    ({ name, always, beside }) => always || reading.bands[name] || (beside && reading.bands[beside]),
  )
  return (
    <div className={clsx('live-numbers mt-2', shown.length > 4 && 'many')}>
      {shown.map(({ name, label, unit, digits, round }) => (
        <LiveNumber
          key={name}
          label={label}
          unit={name === 'power' ? reading.power_unit : unit}
          digits={digits}
          round={round}
          value={reading.values[name]}
          why={reading.doubts[name]}
          band={reading.bands[name]}
          judged={reading.phase !== null}
        />
      ))}
    </div>
  )
}

interface NumberProps {
  label: string
  unit: string
  digits: number | undefined
  round: boolean | undefined
  value: number | undefined
  /** Why it is not there though it is sent. */
  why: string | undefined
  band: (number | null)[] | undefined
  judged: boolean
}

function LiveNumber({ label, unit, digits, round, value, why, band, judged }: NumberProps) {
  const [low = null, high = null] = band ?? []
  const below = value !== undefined && low !== null && value < low
  const above = value !== undefined && high !== null && value > high
  const out = judged && (below || above)
  return (
    <div className={`min-h-26 border-2 p-1.5 ${out ? 'border-limit' : 'border-transparent'}`}>
      <div className="label flex justify-between">
        {label}
        {out && <b className="text-limit">{below ? t`low` : t`high`}</b>}
      </div>
      <div className="figures text-4xl leading-tight font-bold">
        {value === undefined ? (
          <span className="text-base font-normal">{why ?? t`not sent`}</span>
        ) : (
          <Figure value={value} unit={unit} {...(digits === undefined ? {} : { digits })} />
        )}
      </div>
      {band && <BandRuler measure={{ value, band_low: low, band_high: high }} />}
      {band && <div className="label">{bandWords(low, high, digits, round)}</div>}
    </div>
  )
}

function bandWords(low: number | null, high: number | null, digits = 0, round = false) {
  const [from, to] = [low, high].map((edge) =>
    round && edge !== null
      ? String(Math.round(edge + 360) % 360).padStart(3, '0')
      : edge === null
        ? undefined
        : decimal(edge, digits),
  )
  return from === undefined ? t`at most ${to ?? ''}` : to === undefined ? t`at least ${from}` : t`${from} to ${to}`
}

/** What the phase that goes on has come to, the farthest out first. */
export const SoFar = ({ lines }: { lines: Schemas['LiveLine'][] }) => (
  <ul aria-label={t`So far`} className="figures m-0 flex list-none flex-wrap gap-x-5 p-0 text-lg">
    {lines.map(({ label, figure, verdict }) => (
      <li key={label} className="flex items-center gap-1.5">
        <VerdictMark verdict={verdict} /> {label} {figure}
      </li>
    ))}
  </ul>
)
