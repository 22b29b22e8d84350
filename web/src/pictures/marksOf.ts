import type { Plan } from '../api/client'
import type { Label } from './placing'

type Mark = Plan['marks'][number]

/** What is said beside the path in one of its pictures, as texts to be placed. */
export const marksOf = (
  plan: Plan,
  pictures: Mark['picture'][],
  x: (alongFt: number) => number,
  y: (mark: Mark) => number,
  wanted: (mark: Mark) => boolean = () => true,
): Label[] =>
  plan.marks
    .filter((mark) => pictures.includes(mark.picture) && wanted(mark))
    .map((mark, i) => ({
      key: `${mark.picture} ${i}`,
      x: x(mark.along_ft),
      y: y(mark),
      lines: mark.lines,
      weight: mark.weight,
    }))
