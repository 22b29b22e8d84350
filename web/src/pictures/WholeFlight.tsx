import { decimal } from '#language/numbers'
import { t } from '@lingui/core/macro'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { Schemas } from '../api/client'
import { useWidth } from './useWidth'
import { bins, clock, clockMarks, moved, samples, seriesOf, whole, type Series, type Span } from './flightSeries'

const ROW = 44
const LEFT = 104
const HEAD = 22
const FOOT = 20

interface Props {
  flight: Schemas['WholeFlight']
  current: number
  select: (position: number) => void
}

/** The whole recording in strips: drag or arrow keys to pan, wheel or plus and minus to zoom, a click takes an attempt. */
export function WholeFlight({ flight, current, select }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const canvas = useRef<HTMLCanvasElement>(null)
  const series = useMemo(() => seriesOf(flight), [flight])
  const all = useMemo(() => whole(series), [series])
  const [span, setSpan] = useState<Span>(all)
  const held = useRef<{ x: number; far: boolean } | undefined>(undefined)
  const height = HEAD + series.strips.length * ROW + FOOT
  const perS = (width - LEFT) / (span.to - span.from)
  const timeAt = (x: number) => span.from + (x - LEFT) / perS

  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (context) draw(context, series, span, width, height, current)
  }, [series, span, width, height, current])

  // React listens to wheels passively; zooming must keep the page where it is.
  useEffect(() => {
    const element = canvas.current
    if (!element) return
    const onWheel = (event: WheelEvent) => {
      event.preventDefault()
      const about = span.from + (event.offsetX - LEFT) / perS
      setSpan((now) => moved(now, all, 0, Math.exp(event.deltaY / 400), about))
    }
    element.addEventListener('wheel', onWheel, { passive: false })
    return () => element.removeEventListener('wheel', onWheel)
  }, [all, span.from, perS])

  const onMove = (event: PointerEvent<HTMLCanvasElement>) => {
    if (!held.current) return
    const by = event.clientX - held.current.x
    held.current = { x: event.clientX, far: held.current.far || Math.abs(by) > 2 }
    setSpan((now) => moved(now, all, -by / perS))
  }
  const onUp = (event: PointerEvent<HTMLCanvasElement>) => {
    const dragged = held.current?.far
    held.current = undefined
    if (dragged) return
    const at = timeAt(event.clientX - event.currentTarget.getBoundingClientRect().left)
    const hit = series.attempts.find((attempt) => at >= attempt.start_s && at <= attempt.end_s)
    if (hit) select(hit.position)
  }
  const onKey = (event: KeyboardEvent) => {
    const step = (span.to - span.from) / 10
    const next = {
      ArrowLeft: () => moved(span, all, -step),
      ArrowRight: () => moved(span, all, step),
      '+': () => moved(span, all, 0, 0.7),
      '-': () => moved(span, all, 0, 1.43),
      Home: () => all,
    }[event.key]
    if (!next) return
    event.preventDefault()
    event.stopPropagation()
    setSpan(next())
  }

  return (
    <div ref={ref}>
      <canvas
        ref={canvas}
        tabIndex={0}
        role="img"
        aria-label={t`The whole flight in strips, ${clock(span.from)} to ${clock(span.to)} of ${clock(all.to)}. Arrow keys pan, plus and minus zoom, Home shows all of it.`}
        className="block w-full cursor-grab touch-none"
        style={{ height }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          held.current = { x: event.clientX, far: false }
        }}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onKeyDown={onKey}
      />
      <p className="label m-0">
        {t`Drag to pan, wheel to zoom, or the arrow keys, plus and minus. A click takes an attempt.`}
      </p>
    </div>
  )
}

function draw(
  context: CanvasRenderingContext2D,
  series: Series,
  span: Span,
  width: number,
  height: number,
  current: number,
) {
  const ratio = window.devicePixelRatio || 1
  const { canvas } = context
  if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
    canvas.width = Math.round(width * ratio)
    canvas.height = Math.round(height * ratio)
  }
  const style = getComputedStyle(canvas)
  const token = (name: string) => style.getPropertyValue(name).trim()
  const [ink, soft, rule, band] = [token('--ink'), token('--ink-soft'), token('--rule'), token('--band')]
  const x = (time: number) => LEFT + ((time - span.from) / (span.to - span.from)) * (width - LEFT)
  context.setTransform(ratio, 0, 0, ratio, 0, 0)
  context.clearRect(0, 0, width, height)
  context.font = t`12px ${style.fontFamily}`
  context.textAlign = 'start'
  context.save()
  context.beginPath()
  context.rect(LEFT, 0, width - LEFT, height)
  context.clip()
  for (const attempt of series.attempts) {
    const [from, to] = [x(attempt.start_s), x(attempt.end_s)]
    if (to < LEFT || from > width) continue
    context.fillStyle = band
    context.globalAlpha = attempt.position === current ? 1 : 0.5
    context.fillRect(from, HEAD, Math.max(2, to - from), height - HEAD - FOOT)
    context.globalAlpha = 1
    context.fillStyle = ink
    if (attempt.position === current) context.fillRect(from, HEAD - 3, Math.max(2, to - from), 3)
    context.fillText(String(attempt.position), Math.max(from, LEFT) + 3, HEAD - 7)
  }
  const columns = Math.max(1, Math.floor(width - LEFT))
  series.strips.forEach((strip, row) => {
    const top = HEAD + row * ROW
    const y = (value: number) => top + 4 + (1 - (value - strip.low) / (strip.high - strip.low)) * (ROW - 8)
    if (!strip.values) return
    const few = samples(series, strip.values, span, columns)
    if (few) line(context, few, y, ink)
    else columnsOf(context, bins(series, strip.values, span, columns), y, ink)
  })
  context.restore()
  series.strips.forEach((strip, row) => {
    const top = HEAD + row * ROW
    context.strokeStyle = rule
    context.beginPath()
    context.moveTo(0, top + ROW)
    context.lineTo(width, top + ROW)
    context.stroke()
    context.fillStyle = ink
    context.fillText(`${strip.label}, ${strip.unit}`, 0, top + 17)
    context.fillStyle = soft
    const range = strip.values ? t`${decimal(strip.low, 0)} to ${decimal(strip.high, 0)}` : t`not recorded`
    context.fillText(range, 0, top + 32)
  })
  context.fillStyle = soft
  context.textAlign = 'center'
  for (const at of clockMarks(span, width - LEFT)) context.fillText(clock(at), x(at), height - 5)
}

/** Smallest to largest of each column, reaching to the column before: cheaper to fill than a line is to stroke. */
function columnsOf(
  context: CanvasRenderingContext2D,
  found: Float32Array,
  y: (value: number) => number,
  colour: string,
) {
  context.fillStyle = colour
  let above = NaN
  let below = NaN
  for (let bin = 0; bin < found.length / 2; bin++) {
    const top = y(found[bin * 2 + 1] ?? NaN)
    const bottom = y(found[bin * 2] ?? NaN)
    if (!Number.isNaN(top)) {
      const from = below < top ? below : top
      const to = above > bottom ? above : bottom
      context.fillRect(LEFT + bin, from - 0.5, 1, Math.max(1.2, to - from + 1))
    }
    above = top
    below = bottom
  }
}

/** From sample to sample, broken where nothing was recorded. */
function line(context: CanvasRenderingContext2D, points: Float32Array, y: (value: number) => number, colour: string) {
  context.strokeStyle = colour
  context.lineWidth = 1.1
  context.beginPath()
  let open = false
  for (let i = 0; i < points.length; i += 2) {
    const value = points[i + 1] ?? NaN
    const at = LEFT + (points[i] ?? 0)
    if (Number.isNaN(value)) open = false
    else if (open) context.lineTo(at, y(value))
    else {
      context.moveTo(at, y(value))
      open = true
    }
  }
  context.stroke()
}
