import type { Schemas } from '../api/client'
import { figure, unitWord } from './words'
import { WideTable } from './WideTable'

/** Rows of numbers and words that belong together; numbers line up on the right. */
export function PlanTable({ table }: { table: Schemas['PlanTable'] }) {
  const units = table.columns.map((column) => column.unit ?? '')
  return (
    <section aria-label={table.title}>
      <h2 className="m-0 mb-1 text-base font-semibold">{table.title}</h2>
      <WideTable className="figures w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left">
            {table.columns.map((column, index) => (
              <th
                key={index}
                scope="col"
                className={`py-1 pr-3 align-bottom font-normal text-soft ${numeric(table, index) ? 'text-right' : ''}`}
              >
                {column.label}
                {column.unit ? <span className="unit">{unitWord(column.unit)}</span> : null}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, r) => (
            <tr key={r} className="border-b border-rule">
              {row.map((cell, c) => (
                <td
                  key={c}
                  className={`py-1 pr-3 align-top ${typeof cell === 'number' ? 'text-right font-semibold whitespace-nowrap' : ''}`}
                >
                  {typeof cell === 'number'
                    ? figure(cell, units[c] ?? '', digitsOf(units[c] ?? '', cell))
                    : (unitOrText(cell) ?? '—')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </WideTable>
      {table.note && <p className="label mt-1 mb-0">{table.note}</p>}
    </section>
  )
}

const numeric = (table: Schemas['PlanTable'], column: number) =>
  table.rows.some((row) => typeof row[column] === 'number')

/** A cell may name the unit of its row. */
const unitOrText = (cell: string | number | null | undefined) =>
  typeof cell === 'string' ? (/^(pct|fpm|kw|kt|ft|kg|deg|s)$/.test(cell) ? unitWord(cell) : cell) : cell

const digitsOf = (unit: string, value: number): number | undefined => {
  if (unit === '') return Number.isInteger(value) ? 0 : Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2
  return unit === 'deg' ? 0 : undefined
}
