import type { Schemas } from '../api/client'

export type Strip = Schemas['Strips']['strips'][number]

/** The band of the phase at the moment, otherwise the longest one. */
export function bandNow(strip: Strip, timeS: number | undefined) {
  const bands = (strip.bands ?? []).filter((band) => band.in_band_pct !== null && band.in_band_pct !== undefined)
  const here = bands.find((band) => timeS !== undefined && timeS >= band.from_s && timeS <= band.to_s)
  return here ?? bands.sort((a, b) => b.to_s - b.from_s - (a.to_s - a.from_s))[0]
}

/** Least and greatest of the channel and its bands, with a little room. */
export function extent(strip: Strip): [number, number] {
  const values = strip.points
    .flatMap(([, low, high]) => [low, high])
    .filter((v): v is number => v !== null && v !== undefined)
  const bands = (strip.bands ?? [])
    .flatMap((band) => [band.low, band.high])
    .filter((v): v is number => v !== null && v !== undefined)
  const all = [...values, ...(values.length > 0 ? bands : [])]
  if (all.length === 0) return [0, 1]
  const low = Math.min(...all)
  const high = Math.max(...all)
  const room = (high - low || 1) * 0.06
  return [low - room, high + room]
}

/** A line as thick as each bin is tall: out along the greatest values, back along the least. Gaps stay gaps. */
export function ribbon(strip: Strip, x: (t: number) => number, y: (v: number) => number): string {
  const pieces: Strip['points'][] = []
  let piece: Strip['points'] = []
  for (const point of strip.points) {
    if (point[1] === null || point[1] === undefined) {
      if (piece.length > 0) pieces.push(piece)
      piece = []
    } else {
      piece.push(point)
    }
  }
  if (piece.length > 0) pieces.push(piece)
  return pieces
    .map((part) => {
      const out = part.map(([t, , high]) => `${x(t ?? 0).toFixed(1)} ${y(high ?? 0).toFixed(1)}`)
      const back = [...part].reverse().map(([t, low]) => `${x(t ?? 0).toFixed(1)} ${y(low ?? 0).toFixed(1)}`)
      return `M${out.join('L')}L${back.join('L')}Z`
    })
    .join('')
}

/** The middle of each bin as one line; gaps stay gaps. */
export function midline(strip: Strip, x: (t: number) => number, y: (v: number) => number): string {
  let pen = 'M'
  return strip.points
    .map(([t, low, high]) => {
      if (t == null || low == null || high == null) {
        pen = 'M'
        return ''
      }
      const piece = `${pen}${x(t).toFixed(1)} ${y((low + high) / 2).toFixed(1)}`
      pen = 'L'
      return piece
    })
    .join('')
}

export function valueAt(strip: Strip, time: number): number | undefined {
  let best: Strip['points'][number] | undefined
  for (const point of strip.points) {
    if (!best || Math.abs((point[0] ?? 0) - time) < Math.abs((best[0] ?? 0) - time)) best = point
  }
  const [, low, high] = best ?? []
  return low === null || low === undefined || high === null || high === undefined ? undefined : (low + high) / 2
}

/** A reading as text; a heading runs on past north without a jump, and is read as one. */
export const reading = (strip: Strip, value: number) =>
  (strip.channel === 'hdg_deg' ? ((value % 360) + 360) % 360 : value).toFixed(strip.digits).replace('-', '−')
