import type { Planned, Schemas } from '../../api/client'

/** Is the exercise's spot this place, under its name? */
export const isAt = (place: Schemas['Place'], sortie: Planned) =>
  place.name === sortie.spot_name && place.lat_deg === sortie.spot_lat_deg && place.lon_deg === sortie.spot_lon_deg
