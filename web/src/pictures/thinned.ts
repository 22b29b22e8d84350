/** So many of a path's points that can be read, evenly, the first and the last among them. */
export function thinned<T>(points: T[], most = 16): T[] {
  if (points.length <= most) return points
  const step = (points.length - 1) / (most - 1)
  return Array.from({ length: most }, (_, index) => points[Math.round(index * step)]).filter(
    (point): point is T => point !== undefined,
  )
}
