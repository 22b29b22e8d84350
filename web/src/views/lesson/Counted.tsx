import { t } from '@lingui/core/macro'
/** How far the counted blocks are that the exercise is part of. */
export const Counted = ({ lines }: { lines: string[] }) =>
  lines.length > 0 ? (
    <ul aria-label={t`Counted`} className="m-0 mt-1 flex list-none flex-wrap gap-x-6 p-0 text-base">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  ) : null
