import { decimal } from '#language/numbers'
import { plural, t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { useClearAircraft, usePowerCard } from '../../api/queries'
import {
  useAddMaintenance,
  useClearDefect,
  useDoneMaintenance,
  usePutAircraft,
  type FleetAircraft,
} from '../../api/school'
import { addMaintenance } from '../../api/ranges.generated'
import { Field, Refused } from '../../design/Field'
import { ReasonForm } from '../../design/ReasonForm'
import { capital, figure, shortDayOf, unitWord } from '../../design/words'
import { Sheet } from '../../design/Sheet'
import { useBody } from '../../design/useBody'
import { DefectForm } from './DefectForm'

/** One aircraft: does it fly, what is due, what was found, what power its flights showed. */
export function AircraftCard({ row, chief, staff }: { row: FleetAircraft; chief: boolean; staff: boolean }) {
  const put = usePutAircraft(row.id)
  const clear = useClearAircraft()
  return (
    <section className="sheet grid content-start gap-2 p-4" aria-label={row.mark}>
      <h2 className="m-0 text-xl font-bold">
        {row.mark}{' '}
        <span className="font-normal text-soft">
          <Trans>
            {row.type_name}, rotor {row.rotor_direction}
          </Trans>
        </span>
      </h2>
      <p className="m-0">
        <b className="figures text-lg">{decimal(row.hours, 1)}</b>
        <span className="unit">h</span>
        <span className="label ml-3">
          {row.dual_controls ? t`dual controls` : t`no second controls`}
          {row.recorder ? ` · ${row.recorder}` : ''}
        </span>
      </p>
      {row.grounded && (
        <p className="limit-note m-0 p-3">
          <b>{t`Does not fly.`}</b> {capital(row.grounded)}
        </p>
      )}
      {!row.look_at_it && row.look_at_it_reason && <p className="label m-0">{row.look_at_it_reason}</p>}
      {row.maintenance.map((item) => (
        <Maintenance key={item.id} item={item} chief={chief} />
      ))}
      {row.defects.map((defect) => (
        <Defect key={defect.id} defect={defect} may={chief || (staff && !defect.grounds)} />
      ))}
      <Settings id={row.id} />
      {row.last_check && (
        <p className="label m-0">
          {t`Last power check of this type: ${Math.round(row.last_check.k * 100)} % of what was predicted, ${row.last_check.site}, ${shortDayOf(row.last_check.at)}`}
        </p>
      )}
      {staff && (
        <div className="no-print flex flex-wrap gap-2">
          <Sheet word={t`Found something`} title={t`Found on ${row.mark}`}>
            {(close) => <DefectForm aircraft={row.id} close={close} />}
          </Sheet>
          <Sheet word={t`Add what is due`} title={t`Due on ${row.mark}`}>
            {(close) => <DueForm aircraft={row.id} close={close} />}
          </Sheet>
        </div>
      )}
      {chief &&
        (row.look_at_it ? (
          <ReasonForm
            ask={t`What was found`}
            act={t`Clear it`}
            close
            className="no-print"
            onReason={(note) => clear.mutate({ id: row.id, note })}
          />
        ) : (
          <ReasonForm
            key={String(row.grounded)}
            ask={row.grounded ? t`What was done, and by whom` : t`Why it is not to fly`}
            act={row.grounded ? t`It flies again` : t`Ground it`}
            close
            className="no-print"
            onReason={(why) => put.mutate({ state: row.grounded ? 'flying' : 'grounded', why })}
          />
        ))}
      <Refused error={put.error ?? clear.error} />
    </section>
  )
}

function Maintenance({ item, chief }: { item: FleetAircraft['maintenance'][number]; chief: boolean }) {
  const done = useDoneMaintenance()
  return (
    <div className={item.state === 'over' ? 'limit-note p-2' : 'border-t border-rule pt-2'}>
      <p className="m-0">
        {item.state === 'over' && <b>{t`Overdue.`} </b>}
        {item.state === 'due' && <b>{t`Soon.`} </b>}
        {item.title}, {item.text}
        {item.hours_left != null && item.hours_left > 0 && (
          <span className="label ml-2">{t`${decimal(item.hours_left, 1)} h left`}</span>
        )}
      </p>
      {chief && item.state !== 'good' && (
        <ReasonForm
          ask={t`What was done: ${item.title}`}
          act={t`Done`}
          close
          onReason={(note) => done.mutate({ id: item.id, note })}
        />
      )}
    </div>
  )
}

function Defect({ defect, may }: { defect: FleetAircraft['defects'][number]; may: boolean }) {
  const clear = useClearDefect()
  return (
    <div className={defect.grounds ? 'limit-note p-2' : 'border-t border-rule pt-2'}>
      <p className="m-0">
        {defect.text}
        <span className="label ml-2">
          {defect.by}, {shortDayOf(defect.at)}
        </span>
      </p>
      {may && (
        <ReasonForm
          ask={t`What was done about: ${defect.text}`}
          act={t`Clear`}
          close
          onReason={(note) => clear.mutate({ id: defect.id, note })}
        />
      )}
      <Refused error={clear.error} />
    </div>
  )
}

function Settings({ id }: { id: string }) {
  const card = usePowerCard(id)
  if (!card.data) return null
  if (card.data.settings.length === 0)
    return <p className="label m-0">{t`No power settings recorded yet: the card fills as flights are loaded.`}</p>
  return (
    <dl className="figures m-0 grid grid-cols-[1fr_auto_auto] gap-x-3 gap-y-0.5 text-sm">
      {card.data.settings.map((setting) => (
        <div key={setting.phase} className="contents">
          <dt className="text-soft">{t`${capital(setting.phase)}, as flown`}</dt>
          <dd className="m-0 text-right font-semibold">
            {figure(setting.value ?? undefined, card.data.unit, 1)}
            <span className="unit">{unitWord(card.data.unit)}</span>
          </dd>
          <dd className="label m-0 text-right">{plural(setting.flights, { one: '# flight', other: '# flights' })}</dd>
        </div>
      ))}
    </dl>
  )
}

function DueForm({ aircraft, close }: { aircraft: string; close: () => void }) {
  const add = useAddMaintenance(aircraft)
  const { form, field, refused } = useBody(addMaintenance, {
    start: { title: '', at_hours: '', on_day: '' },
    error: add.error,
  })
  return (
    <form {...form((body) => add.mutate(body, { onSuccess: close }))} className="grid gap-3">
      <Field label={t`What is due`} {...field('title')} />
      <div className="grid grid-cols-2 gap-3">
        <Field label={t`At hours`} {...field('at_hours')} />
        <Field label={t`Or on`} {...field('on_day')} />
      </div>
      <Refused {...refused()} />
      <button type="submit" className="button solid justify-self-start" disabled={add.isPending}>
        {t`Put it on the list`}
      </button>
    </form>
  )
}
