import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { leastIndex } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { useId, useState, type PointerEvent, type KeyboardEvent } from 'react'
import type { Schemas } from '../api/client'
import { AsTable } from '../design/AsTable'
import { figure } from '../design/words'
import { Picture } from './Picture'
import { line, ticks, ticksWithRoom } from './scale'
import { thinned } from './thinned'
import { useWidth } from './useWidth'

type Entry = Schemas['LedgerEntry']

const LEFT = 46
const BELOW = 34
const TOP = 14

/** Height, speed and rotor energy as stacked heights in feet over time: a trade is one band feeding another, the falling top is what was lost. */
export function EnergyLedger({
  entries,
  title = t`Energy ledger`,
  height = 250,
  timeS,
}: {
  entries: Entry[]
  title?: string
  height?: number
  /** The moment to read, in the entries' own time. */
  timeS?: number | undefined
}) {
  const [ref, width] = useWidth<HTMLDivElement>(420)
  const id = useId()
  const [cursor, setCursor] = useState<number>()
  const first = entries[0]
  const last = entries[entries.length - 1]
  if (!first || !last) return null
  const top = Math.max(...entries.map((e) => e.total_ft)) * 1.06
  const x = scaleLinear([first.t_s, Math.max(last.t_s, first.t_s + 1)], [LEFT, width - 12])
  const y = scaleLinear([0, top], [height - BELOW, TOP])
  const between = (low: (e: Entry) => number, high: (e: Entry) => number) =>
    `${line([
      ...entries.map((e): [number, number] => [x(e.t_s), y(low(e))]),
      ...[...entries].reverse().map((e): [number, number] => [x(e.t_s), y(high(e))]),
    ])}Z`
  const nearest = (t: number) => leastIndex(entries, (e) => Math.abs(e.t_s - t)) ?? 0
  const place = cursor ?? (timeS === undefined ? undefined : nearest(timeS))
  const read = place === undefined ? undefined : entries[place]
  const onPointer = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const t = x.invert(event.clientX - box.left)
    setCursor(nearest(t))
  }
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    setCursor((now) => Math.min(Math.max((now ?? 0) + step, 0), entries.length - 1))
  }
  return (
    <figure ref={ref} className="m-0">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-semibold">{title}</span>
        <span className="label" aria-live="polite">
          {read ? entryWords(read) : t`all in feet of height`}
        </span>
      </figcaption>
      <Picture
        width={width}
        height={height}
        label={t`${title}: from ${figure(first.total_ft, 'ft')} ft of energy to ${figure(last.total_ft, 'ft')} ft; rotor ${figure(first.rotor_ft, 'ft')} ft to ${figure(last.rotor_ft, 'ft')} ft. Arrow keys read it.`}
        onPointerMove={onPointer}
        onPointerLeave={() => setCursor(undefined)}
        onKeyDown={onKey}
        role="slider"
        aria-valuemin={0}
        aria-valuemax={entries.length - 1}
        aria-valuenow={place ?? 0}
        aria-valuetext={read ? entryWords(read) : t`nothing read yet`}
      >
        <defs>
          <pattern id={`${id}s`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--sheet)" />
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--band-deep)" strokeWidth="2.4" />
          </pattern>
          <pattern id={`${id}r`} width="5" height="5" patternUnits="userSpaceOnUse">
            <rect width="5" height="5" fill="var(--sheet)" />
            <circle cx="2.5" cy="2.5" r="1.3" fill="var(--ink)" />
          </pattern>
        </defs>
        {ticks(0, top, 5).map((ft) => (
          <g key={ft} fill="var(--ink-soft)">
            <line x1={LEFT} x2={width - 10} y1={y(ft)} y2={y(ft)} stroke="var(--rule)" strokeWidth={0.7} />
            <text x={LEFT - 6} y={y(ft) + 4} textAnchor="end">
              {ft}
            </text>
          </g>
        ))}
        <path
          d={between(
            () => 0,
            (e) => e.height_ft,
          )}
          fill="var(--band)"
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
        <path
          d={between(
            (e) => e.height_ft,
            (e) => e.height_ft + e.speed_ft,
          )}
          fill={`url(#${id}s)`}
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
        <path
          d={between(
            (e) => e.height_ft + e.speed_ft,
            (e) => e.total_ft,
          )}
          fill={`url(#${id}r)`}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
        {read && <line x1={x(read.t_s)} x2={x(read.t_s)} y1={TOP} y2={y(0)} stroke="var(--ink)" strokeWidth={1} />}
        {ticksWithRoom(first.t_s, last.t_s, 8, width - LEFT - 10).map((t) => (
          <text key={t} x={x(t)} y={height - BELOW + 19} fill="var(--ink-soft)" textAnchor="middle">
            {t}
          </text>
        ))}
        <text x={width - 10} y={height - 2} textAnchor="end" fill="var(--ink)">
          {t`seconds`}
        </text>
      </Picture>
      <p className="label m-0">
        <Swatch fill="var(--band)" /> {t`height`} <Swatch fill={`url(#${id}s)`} /> {t`speed`}{' '}
        <Swatch fill={`url(#${id}r)`} /> {t`rotor`}
      </p>
      <AsTable
        of={title}
        heads={[t`Second`, t`Height, ft`, t`Speed, ft`, t`Rotor, ft`, t`Together, ft`]}
        rows={() =>
          thinned(entries).map((one) => [
            decimal(one.t_s, 0),
            ...[one.height_ft, one.speed_ft, one.rotor_ft, one.total_ft].map((ft) => figure(ft, 'ft')),
          ])
        }
      />
    </figure>
  )
}

const entryWords = (read: Entry) =>
  t`${decimal(read.t_s, 0)} s: height ${figure(read.height_ft, 'ft')} ft + speed ${figure(read.speed_ft, 'ft')} ft + rotor ${figure(read.rotor_ft, 'ft')} ft = ${figure(read.total_ft, 'ft')} ft`

const Swatch = ({ fill }: { fill: string }) => (
  <svg width="18" height="11" className="mr-1 ml-2 inline" aria-hidden="true">
    <rect x="0.5" y="0.5" width="17" height="10" fill={fill} stroke="var(--ink)" />
  </svg>
)
