import { LINE, placeLabels, type Box, type Label } from './placing'

/** Texts beside what they are about, none over another; the first line of each is what it is. */
export function Labels({ labels, bounds, taken }: { labels: Label[]; bounds: Box; taken: Box[] }) {
  return (
    <g fill="var(--ink)" pointerEvents="none">
      {placeLabels(labels, bounds, taken).map(({ key, x, y, lines, box, leads }) => (
        <g key={key} data-label={key}>
          {leads && (
            <path d={`M${x} ${y}L${leads.x} ${leads.y}`} stroke="var(--ink-soft)" strokeWidth={0.8} fill="none" />
          )}
          {leads && <circle cx={x} cy={y} r={1.8} fill="var(--ink-soft)" />}
          {lines.map((text, i) => (
            <text
              key={text}
              x={box.left}
              y={box.top + LINE * i + LINE - 3}
              fontWeight={i === 0 ? 600 : 400}
              stroke="var(--paper)"
              strokeWidth={2.5}
              paintOrder="stroke"
            >
              {text}
            </text>
          ))}
        </g>
      ))}
    </g>
  )
}
