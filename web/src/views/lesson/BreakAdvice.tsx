/** Attempts got worse within this flight: said where the next one would begin. */
export const BreakAdvice = ({ text }: { text: string | null | undefined }) => (
  <div role="status">{text && <p className="m-0 border-2 border-ink p-3 text-lg font-semibold">{text}</p>}</div>
)
