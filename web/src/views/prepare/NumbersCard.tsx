import type { Plan, Sortie } from '../../api/client'
import { Figure } from '../../design/Figure'

/** The numbers to fly by, largest first; the working numbers beneath. */
export function NumbersCard({ plan, sortie }: { plan: Plan; sortie: Sortie }) {
  const n = plan.numbers
  const [low, high] = plan.rotor_rpm_bands.power_off
  return (
    <section aria-label="Numbers" className="sheet p-3.5">
      <div className="grid grid-cols-[1fr_1fr_1.35fr] gap-x-2 border-b-2 border-ink pb-2">
        <Big label="Glide" value={n.glide_speed_kt?.value} unit="kt" />
        <Big label="Rotor" value={n.target_rotor_rpm_pct?.value} unit="pct" digits={0} />
        <Big label="Sink" value={n.glide_sink_fpm?.value} unit="fpm" digits={0} />
      </div>
      <div className="grid grid-cols-3 gap-x-3 border-b border-rule py-2">
        <Big
          label="Entry"
          value={n.entry_distance_ft?.value}
          unit="ft"
          small
          note={`${spread(n.entry_distance_ft)} out, at ${Math.round(n.entry_height_ft?.value ?? 0)} ft`}
        />
        <Big label="Gate" value={n.gate_height_ft?.value} unit="ft" small note="in band, or go around" />
        <Big
          label="Flare"
          value={n.flare_height_ft?.value}
          unit="ft"
          small
          note={`to ${n.flare_pitch_max_deg?.value ?? ''}° pitch`}
        />
      </div>
      <dl className="figures m-0 mt-2 grid grid-cols-[1fr_auto] gap-x-2 gap-y-0.5 text-[0.93rem]">
        <Row label="Rotor band, power off">
          {low}–{high}
          <span className="unit">%</span>
        </Row>
        <Row label="Low-rpm warning">
          <Figure value={plan.rotor_rpm_bands.low_warning} unit="pct" digits={0} />
        </Row>
        <Row label="Rotor, collective on stop">
          <Figure value={n.rotor_rpm_on_floor_pct?.value} unit="pct" />
        </Row>
        <Row label="Decays to band floor in">
          <Figure value={n.reaction_time_s?.value} unit="s" />
        </Row>
        <Row label="Entry speed">
          <Figure value={n.entry_speed_kt?.value} unit="kt" />
        </Row>
        <Row label="Angle in air, over ground">
          <Figure value={n.glide_angle_deg?.value} unit="deg" />,{' '}
          <Figure value={n.ground_glide_angle_deg?.value} unit="deg" />
        </Row>
        <Row label="Glide ratio air, ground">
          <Figure value={n.glide_ratio?.value} unit="index" digits={1} />,{' '}
          <Figure value={n.ground_glide_ratio?.value} unit="index" digits={1} />
        </Row>
        <Row label="Ground speed in the glide">
          <Figure value={n.groundspeed_kt?.value} unit="kt" />
        </Row>
        <Row label="Drift angle">
          <Figure value={n.drift_angle_deg?.value} unit="deg" />
        </Row>
        <Row label="Least sink; flattest at">
          <Figure value={n.min_sink_speed_kt?.value} unit="kt" />,{' '}
          <Figure value={n.best_glide_speed_kt?.value} unit="kt" />
        </Row>
        {n.touchdown_groundspeed_kt && (
          <Row label="Touchdown speed, slide">
            <Figure value={n.touchdown_groundspeed_kt.value} unit="kt" />,{' '}
            <Figure value={n.slide_ft?.value} unit="ft" />
          </Row>
        )}
        <Row label="Mass, fuel">
          <Figure value={n.mass_kg?.value} unit="kg" />, {sortie.fuel_minutes}
          <span className="unit">min</span>
        </Row>
        <Row label="Density altitude">
          <Figure value={n.density_altitude_ft?.value} unit="ft" />
        </Row>
        <Row label="Hover power OGE, IGE">
          <Figure value={n.hover_power_oge_kw?.value} unit="kw" digits={0} />,{' '}
          <Figure value={n.hover_power_ige_kw?.value} unit="kw" digits={0} />
        </Row>
        <Row label="Power there; margin">
          <Figure value={n.power_available_kw?.value} unit="kw" digits={0} />,{' '}
          <Figure value={n.power_margin_pct?.value} unit="pct" />
        </Row>
      </dl>
      <p className="label mt-2 mb-0">
        Worked out by a flight model of an invented type: an estimate. Sink ±6 %, distances 5 to 95 %.{' '}
        <a href="/method#model">What the model leaves out</a>
      </p>
    </section>
  )
}

const spread = (number: Plan['numbers'][string] | undefined) =>
  number?.low != null && number.high != null ? `±${Math.round((number.high - number.low) / 2)} ft` : ''

interface BigProps {
  label: string
  value: number | null | undefined
  unit: string
  digits?: number
  small?: boolean
  note?: string
}

const Big = ({ label, value, unit, digits = 0, small = false, note }: BigProps) => (
  <div>
    <div className="label">{label}</div>
    <div className={small ? 'text-xl leading-tight font-bold' : 'text-3xl leading-tight font-bold'}>
      <Figure value={value} unit={unit} digits={digits} />
    </div>
    {note && <div className="text-xs leading-tight text-soft">{note}</div>}
  </div>
)

const Row = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <>
    <dt className="text-soft">{label}</dt>
    <dd className="m-0 text-right font-semibold">{children}</dd>
  </>
)
