import type { Sortie } from '../../api/client'
import { usePlan } from '../../api/queries'
import { Figure } from '../../design/Figure'

/** The few numbers that are looked at in the air. */
export function GateCard({ sortie }: { sortie: Sortie }) {
  const plan = usePlan(sortie.id, {})
  const n = plan.data?.numbers
  if (!n) return null
  return (
    <section aria-label="Numbers in the air" className="sheet grid grid-cols-[1fr_1fr_1.3fr] gap-x-2 gap-y-2 p-3">
      <Cell label="Glide" value={n.glide_speed_kt?.value} unit="kt" />
      <Cell label="Rotor" value={n.target_rotor_rpm_pct?.value} unit="pct" />
      <Cell label="Sink" value={n.glide_sink_fpm?.value} unit="fpm" />
      <Cell label="Entry" value={n.entry_height_ft?.value} unit="ft" />
      <Cell label="Gate" value={n.gate_height_ft?.value} unit="ft" />
      <Cell label="Flare" value={n.flare_height_ft?.value} unit="ft" />
      <p className="label col-span-3 m-0">Gate missed: throttle first, then collective, go around.</p>
    </section>
  )
}

const Cell = ({ label, value, unit }: { label: string; value: number | null | undefined; unit: string }) => (
  <div>
    <div className="label">{label}</div>
    <div className="text-2xl leading-tight font-bold">
      <Figure value={value} unit={unit} digits={0} />
    </div>
  </div>
)
