import { locale } from '#language/i18n'
import { t } from '@lingui/core/macro'
import { Trans } from '@lingui/react/macro'
import { Tabs } from 'radix-ui'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useCurves, useWeather } from '../../api/prepare'
import { useType } from '../../api/queries'
import { fullDayOf } from '../../design/words'
import { Chart } from '../../pictures/Chart'
import { NumberField } from '../prepare/NumberField'
import { TypeForm } from './TypeForm'

/** One type: its numbers, its curves at a chosen density altitude, its versions, and a form to change it. */
export function TypeSheet({ type, chief }: { type: Schemas['TypeRow']; chief: boolean }) {
  const [open, setOpen] = useState(type.id === window.location.hash.slice(1))
  return (
    <details
      className="border-b border-rule"
      open={open}
      onToggle={(event) => setOpen((event.target as HTMLDetailsElement).open)}
    >
      <summary className="min-h-11 cursor-pointer py-2.5 text-lg">
        <b>{type.name}</b> <span className="text-soft">{t`${type.kind}, rotor ${type.rotor_direction}`}</span>
      </summary>
      {open && <Inside type={type} chief={chief} />}
    </details>
  )
}

function Inside({ type, chief }: { type: Schemas['TypeRow']; chief: boolean }) {
  return (
    <Tabs.Root defaultValue="curves" className="pb-5">
      <Tabs.List aria-label={t`${type.name}: what to see`} className="mb-3 flex gap-1 border-b border-ink">
        {[
          ['curves', t`Curves`],
          ['numbers', t`Numbers`],
          ['history', t`History`],
          ...(chief ? [['change', t`Change`]] : []),
        ].map(([value = '', word]) => (
          <Tabs.Trigger
            key={value}
            value={value}
            className="min-h-11 cursor-pointer border-b-4 border-transparent bg-transparent px-3 font-semibold text-soft data-[state=active]:border-ink data-[state=active]:text-ink"
          >
            {word}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value="curves">
        <Curves id={type.id} />
      </Tabs.Content>
      <Tabs.Content value="numbers">
        <dl className="figures m-0 grid max-w-xl grid-cols-[1fr_auto] gap-y-1">
          {type.numbers.map((number) => (
            <div key={number.label} className="contents">
              <dt className="text-soft">{number.label}</dt>
              <dd className="m-0 text-right font-semibold">
                {number.value}
                <span className="unit">{number.unit}</span>
              </dd>
            </div>
          ))}
        </dl>
      </Tabs.Content>
      <Tabs.Content value="history">
        <History id={type.id} />
      </Tabs.Content>
      {chief && (
        <Tabs.Content value="change">
          <TypeForm id={type.id} />
        </Tabs.Content>
      )}
    </Tabs.Root>
  )
}

function Curves({ id }: { id: string }) {
  const [elevation, setElevation] = useState(0)
  const [air, setAir] = useState<number | null>(null)
  const observed = useWeather().data?.report?.values
  const [oat, qnh] = [air ?? observed?.oat_c, observed?.qnh_hpa]
  const curves = useCurves(id, {
    elevation_ft: elevation,
    ...(oat == null ? {} : { oat_c: oat }),
    ...(qnh == null ? {} : { qnh_hpa: qnh }),
  })
  return (
    <>
      <div className="mb-3 grid max-w-xl grid-cols-3 items-end gap-3">
        <NumberField
          label={t`Elevation`}
          unit="ft"
          value={elevation}
          low={-1000}
          high={12000}
          step={500}
          onChange={(ft) => setElevation(ft ?? 0)}
        />
        <NumberField
          label={t`Air`}
          unit="°C"
          value={air}
          low={-40}
          high={50}
          optional
          placeholder={observed?.oat_c == null ? t`standard` : t`${Math.round(observed.oat_c)} observed`}
          onChange={(celsius) => setAir(celsius)}
        />
        <p className="m-0 text-sm">
          <Trans>
            Density altitude{' '}
            <b>
              {curves.data ? Math.round(curves.data.density_altitude_ft).toLocaleString(locale) : '…'}
              <span className="unit">ft</span>
            </b>
          </Trans>
        </p>
      </div>
      {curves.isError && <p className="limit-note p-2">{curves.error.message}</p>}
      <div className="grid gap-4 lg:grid-cols-2">
        {curves.data?.charts.map((chart) => (
          <Chart key={chart.id} chart={chart} height={270} />
        ))}
      </div>
    </>
  )
}

function History({ id }: { id: string }) {
  const type = useType(id)
  const history = type.data?.history ?? []
  if (type.isSuccess && history.length === 0) return <p className="m-0">{t`As it ships: never changed here.`}</p>
  return (
    <ol className="m-0 grid list-none gap-2 p-0">
      {history.map((version) => (
        <li key={version.number}>
          <b>{t`Version ${version.number}`}</b>, {fullDayOf(version.created_at)}, {version.by}: {version.reason}
          {version.changed.length > 0 && (
            <span className="text-soft"> ({version.changed.map((path) => path.replaceAll('_', ' ')).join(', ')})</span>
          )}
        </li>
      ))}
    </ol>
  )
}
