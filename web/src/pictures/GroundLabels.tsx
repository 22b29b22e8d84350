import { t } from '@lingui/core/macro'
import { least } from 'd3-array'
import { memo } from 'react'
import type { PathPoint, Plan, Schemas } from '../api/client'
import { cornersOf } from './GroundMarks'
import { shapeLabels } from './GroundShapes'
import { Labels } from './Labels'
import { alongLine, type Box, type Label } from './placing'
import { marksOf } from './marksOf'
import { trueScale, type TrueScale } from './scale'
import type { Shift } from './useDragged'

interface Props {
  plan: Plan
  flown: PathPoint[] | undefined
  ground: Schemas['GroundShape'][]
  spotName: string
  fromFt: number
  toFt: number
  leftFt: number
  rightFt: number
  width: number
  /** How far the entry was moved. */
  alongFt: number
  acrossFt: number
  reach: Plan['reaches'][number] | undefined
  /** How likely that reach ends within the standard, 0 to 1. */
  chance: number | undefined
  /** The sun has a corner. */
  sunny: boolean
}

/** What an option of reaching the spot is called. */
export const REACH_WORDS: Record<string, string> = {
  glide: t`reach at house glide`,
  stretch: t`stretched`,
  slow: t`slow`,
  delay: t`ten seconds later`,
  s_turn: t`after an S-turn`,
  circle: t`after a circle`,
}

/** The texts of the ground view, placed once while a moment is pointed at. */
export const GroundLabels = memo(function GroundLabels({ plan, flown, ground, spotName, chance, sunny, ...at }: Props) {
  const { width, leftFt, rightFt, reach } = at
  const scale = trueScale(at, width)
  const height = (rightFt - leftFt) * scale.perFt
  const y = (across: number) => (across - leftFt) * scale.perFt
  const moved = { along: at.alongFt, across: at.acrossFt }
  const entry = plan.reaches.length > 0 ? plan.path.find((point) => point.t_s >= 0) : undefined
  const drawn = (path: PathPoint[]) => path.map((p): [number, number] => [scale.x(p.along_ft), y(p.across_ft)])
  const labels: Label[] = [
    { key: 'spot', x: scale.x(0), y: y(0), lines: [spotName], weight: 6 },
    ...(entry ? [{ key: 'entry', ...entryAt(entry, scale, y, moved), lines: [t`entry point`], weight: 5 }] : []),
    ...(reach ? [reachLabel(reach, scale, y, moved, chance, [width, height])] : []),
    // Beside what was flown the plan's numbers would be taken for it.
    ...(flown ? [] : marksOf(plan, ['above'], scale.x, ({ across_ft: across }) => y(across))),
    ...shapeLabels({ shapes: ground, x: scale.x, y, spotName }),
  ]
  const taken = [
    ...cornersOf(plan, width, height, sunny),
    ...alongLine(drawn(plan.path)),
    ...alongLine(drawn(flown ?? [])),
    boxAround(scale.x(0), y(0), 9),
    ...(entry ? [entryAt(entry, scale, y, moved)].map((place) => boxAround(place.x, place.y, 12)) : []),
  ]
  return <Labels labels={labels} bounds={{ left: 2, top: 2, right: width - 2, bottom: height - 2 }} taken={taken} />
})

const boxAround = (x: number, y: number, half: number): Box => ({
  left: x - half,
  right: x + half,
  top: y - half,
  bottom: y + half,
})

const entryAt = (entry: PathPoint, scale: TrueScale, y: (across: number) => number, shift: Shift) => ({
  x: scale.x(entry.along_ft + shift.along),
  y: y(entry.across_ft + shift.across),
})

/** The name of what is reached, and how likely, at its side. */
function reachLabel(
  reach: Plan['reaches'][number],
  scale: TrueScale,
  y: (across: number) => number,
  shift: Shift,
  chance: number | undefined,
  [width, height]: [number, number],
): Label {
  const side = least(reach.points, (point) => point.across_ft)
  // Kept in the picture where the shape is larger than that.
  const inside = (value: number, end: number) => Math.min(Math.max(value, 4), end - 4)
  return {
    key: 'reach',
    x: inside(scale.x((side?.along_ft ?? 0) + shift.along), width),
    y: inside(y((side?.across_ft ?? 0) + shift.across), height),
    lines: [
      REACH_WORDS[reach.option] ?? reach.option,
      ...(chance === undefined ? [] : [t`${Math.round(chance * 100)} % end within the standard`]),
    ],
    weight: 4,
  }
}
