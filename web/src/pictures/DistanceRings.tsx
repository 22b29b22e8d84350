import { ticks } from './scale'

/** Rings of round distances about the middle of a square picture, out to `most` feet at its edge. */
export const DistanceRings = ({ size, most }: { size: number; most: number }) => (
  <>
    {ticks(0, most, 3)
      .filter((ft) => ft > 0)
      .map((ft) => {
        const r = (ft / most) * (size / 2)
        return (
          <g key={ft}>
            <circle cx={size / 2} cy={size / 2} r={r} fill="none" stroke="var(--rule)" strokeWidth={0.9} />
            <text x={size / 2 + 3} y={size / 2 - r + 11} fill="var(--ink-soft)">
              {ft} ft
            </text>
          </g>
        )
      })}
  </>
)
