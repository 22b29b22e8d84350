/** How likely something is, 0 to 1, as a whole percent. */
export const Chance = ({ of }: { of: number }) => (
  <span className="figures text-right font-semibold">
    {Math.round(of * 100)}
    <span className="unit">%</span>
  </span>
)
