import type { Session } from '../api/client'
import { setZone, UTC } from '../design/times'
import { setUnits } from '../design/units'

/** From now on numbers and times are shown in the units, and by the clock, that this person chose. */
export function readAs(session: Session | undefined) {
  const units = session?.person?.units ?? {}
  setUnits(units)
  setZone(units.time === 'local' ? (session?.school?.time_zone ?? UTC) : UTC)
  return units
}
