interface Place {
  x: number
  y: number
}

/** A text of some lines beside a place of a picture, pixels. */
export interface Label extends Place {
  key: string
  /** Other places of the same thing, as good where there is more room. */
  or?: Place[]
  lines: string[]
  /** The larger, the longer it stays where there is little room. */
  weight: number
}

export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

export interface Placed extends Label {
  box: Box
  /** So far from its place that a line leads to it: where that line ends. */
  leads: Place | undefined
}

/** Room that a letter and a line take at the pictures' type size, pixels: rather more than less. */
export const LETTER = 6.4
export const LINE = 15
/** Between two texts. */
const GAP = 3
/** How far from its place a text may stand, ring by ring. */
const RINGS = [9, 22, 38, 58, 84, 116]
/** Farther than this nobody sees whose text it is. */
const LED_FROM = 16
/** Where on a ring: right, left, and what lies between; -1 is left or above, 1 is right or below. */
const WAYS: [number, number][] = [
  [1, 0],
  [-1, 0],
  [0, -1],
  [0, 1],
  [1, -1],
  [-1, -1],
  [1, 1],
  [-1, 1],
]

const overlap = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

const within = (box: Box, bounds: Box) =>
  box.left >= bounds.left && box.right <= bounds.right && box.top >= bounds.top && box.bottom <= bounds.bottom

const wider = ({ left, top, right, bottom }: Box, by: number): Box => ({
  left: left - by,
  top: top - by,
  right: right + by,
  bottom: bottom + by,
})

/** The room of a text that begins at a place. */
export const textBox = (x: number, y: number, text: string): Box => ({
  left: x,
  right: x + text.length * LETTER,
  top: y - LINE + 3,
  bottom: y + 3,
})

function boxAt({ x, y }: Place, lines: string[], ring: number, [dx, dy]: [number, number]): Box {
  const width = Math.max(...lines.map((text) => text.length)) * LETTER
  const height = lines.length * LINE
  const left = dx === 0 ? x - width / 2 : dx > 0 ? x + ring : x - ring - width
  const top = dy === 0 ? y - height / 2 : dy > 0 ? y + ring : y - ring - height
  return { left, top, right: left + width, bottom: top + height }
}

/** The nearest point of a box. */
const nearestOf = ({ left, top, right, bottom }: Box, x: number, y: number) => ({
  x: Math.min(Math.max(x, left), right),
  y: Math.min(Math.max(y, top), bottom),
})

/** Places texts beside their places so that none, and no line that leads to one, lies over another, none over what is taken, none outside: the weightiest first and nearest; what finds no room is left out. */
export function placeLabels(labels: Label[], bounds: Box, taken: Box[] = []): Placed[] {
  const rooms = [...taken]
  const texts: Box[] = []
  return [...labels]
    .sort((a, b) => b.weight - a.weight)
    .flatMap((label) => {
      if (label.lines.length === 0) return []
      const places = [label, ...(label.or ?? [])].filter(({ x, y }) =>
        within({ left: x, right: x, top: y, bottom: y }, bounds),
      )
      const tries = RINGS.flatMap((ring) => places.flatMap(({ x, y }) => WAYS.map((way) => ({ ring, x, y, way }))))
      for (const { ring, x, y, way } of tries) {
        const box = boxAt({ x, y }, label.lines, ring, way)
        if (!within(box, bounds) || rooms.some((other) => overlap(wider(box, GAP), other))) continue
        const leads = ring > LED_FROM ? nearestOf(box, x, y) : undefined
        const ends: [number, number][] = leads
          ? [
              [x, y],
              [leads.x, leads.y],
            ]
          : []
        const lead = alongLine(ends, 1)
        if (lead.some((piece) => texts.some((other) => overlap(piece, other)))) continue
        texts.push(box)
        rooms.push(box, ...lead)
        return [{ ...label, x, y, box, leads }]
      }
      return []
    })
}

/** A drawn line as room that no text is to lie over, in small pieces. */
export function alongLine(points: [number, number][], half = 3): Box[] {
  return points.flatMap(([x, y], i) => {
    const [fromX, fromY] = points[i - 1] ?? [x, y]
    const pieces = Math.max(1, Math.ceil(Math.hypot(x - fromX, y - fromY) / (2 * half)))
    return Array.from({ length: pieces }, (_, k) => {
      const part = (k + 1) / pieces
      const [atX, atY] = [fromX + (x - fromX) * part, fromY + (y - fromY) * part]
      return { left: atX - half, right: atX + half, top: atY - half, bottom: atY + half }
    })
  })
}
