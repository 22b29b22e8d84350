import { t } from '@lingui/core/macro'
import { clockOf, zoneWord } from '../../design/times'
import type { Sortie, SortieChange } from '../../api/client'
import { useWeather } from '../../api/prepare'

/** The station's report with its age, to be taken into the fields or left; a lost station is said plainly. */
export function Weather({ sortie, set }: { sortie: Sortie; set: (fields: SortieChange) => void }) {
  const weather = useWeather()
  const report = weather.data?.report
  const take = () => {
    if (!report) return
    const values = report.values
    const fields: SortieChange = {}
    if (values.wind_kt != null) fields.wind_kt = values.wind_kt
    if (values.wind_from_deg != null) fields.wind_from_deg = values.wind_from_deg
    if (values.wind_kt != null) fields.gust_kt = values.gust_kt ?? null
    if (values.oat_c != null) fields.oat_c = values.oat_c
    if (values.dew_point_c != null) fields.dew_point_c = values.dew_point_c
    if (values.qnh_hpa != null) fields.qnh_hpa = values.qnh_hpa
    set(fields)
  }
  const sun = sortie.sun
  return (
    <p className="no-print mx-0 my-0 flex flex-wrap items-center gap-x-3 text-sm" aria-live="polite">
      {report ? (
        <>
          <span className="figures font-semibold">{report.text}</span>
          <span className={report.old ? 'limit-note px-1.5 font-semibold' : 'text-soft'}>
            {t`${report.age_minutes} min old${report.old ? t`: too old to rest on` : ''}`}
          </span>
          {sortie.may_edit && (
            <button type="button" className="act" onClick={take}>
              {t`Take it into the fields`}
            </button>
          )}
          <button type="button" className="act" onClick={() => weather.refresh()}>
            {t`Ask again`}
          </button>
        </>
      ) : (
        <span className="text-soft">{weather.isPending ? t`Asking the weather station…` : ''}</span>
      )}
      {weather.data?.trouble && <span className="caution-edge py-0.5 pl-4">{weather.data.trouble}</span>}
      {weather.isError && (
        <span className="caution-edge py-0.5 pl-4">{t`The weather could not be asked: fill the fields by hand.`}</span>
      )}
      <span className="text-soft">
        {t`Sun ${sun.elevation_deg > 0 ? t`${Math.round(sun.elevation_deg)}° high in ${Math.round(sun.azimuth_deg)}°` : t`down`} at the start${sun.set ? t`, sets ${clockOf(sun.set)} ${zoneWord()}` : ''}`}
      </span>
    </p>
  )
}
