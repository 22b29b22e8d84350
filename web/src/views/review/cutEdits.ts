/** A phase as it is cut by hand: moments in recording time. */
export interface Cut {
  id: string
  start_s: number
  end_s: number
}

/** A boundary moved: what begins there, and what ends there. */
export const moveBoundary = (cuts: Cut[], index: number, at: number): Cut[] =>
  cuts.map((cut, i) => (i === index ? { ...cut, start_s: at } : i === index - 1 ? { ...cut, end_s: at } : cut))

/** The end of the last one moved. */
export const moveEnd = (cuts: Cut[], at: number): Cut[] =>
  cuts.map((cut, i) => (i === cuts.length - 1 ? { ...cut, end_s: at } : cut))

/** One taken out: the one before it runs on to its end. */
export function takeOut(cuts: Cut[], id: string): Cut[] {
  const index = cuts.findIndex((cut) => cut.id === id)
  const gone = cuts[index]
  return cuts
    .map((cut, i) => (gone && i === index - 1 ? { ...cut, end_s: gone.end_s } : cut))
    .filter((cut) => cut.id !== id)
}
