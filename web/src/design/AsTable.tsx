import { t } from '@lingui/core/macro'
import { useState } from 'react'
import { HeadRow } from './HeadRow'
import { WideTable } from './WideTable'

interface Props {
  /** Which picture it is of. */
  of: string
  heads: string[]
  /** Asked for when it is opened. */
  rows: () => string[][]
}

/** What a picture shows, in rows: for whoever reads better than looks. */
export function AsTable({ of, heads, rows }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <details className="no-print" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="label min-h-11 w-fit cursor-pointer py-2.5">
        {t`As a table`}
        <span className="sr-only">: {of}</span>
      </summary>
      {open && (
        <WideTable className="figures text-sm">
          <HeadRow heads={heads} />
          <tbody>
            {rows().map((row, index) => (
              <tr key={index} className="border-t border-rule">
                {row.map((cell, column) =>
                  column === 0 ? (
                    <th key={column} scope="row" className="p-2 text-left font-normal whitespace-nowrap">
                      {cell}
                    </th>
                  ) : (
                    <td key={column} className="p-2">
                      {cell}
                    </td>
                  ),
                )}
              </tr>
            ))}
          </tbody>
        </WideTable>
      )}
    </details>
  )
}
