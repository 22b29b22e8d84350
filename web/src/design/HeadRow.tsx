/** The head of a table: its columns' names, small and quiet. */
export const HeadRow = ({ heads }: { heads: string[] }) => (
  <thead>
    <tr className="label text-left">
      {heads.map((head) => (
        <th key={head} className="p-2 font-normal">
          {head}
        </th>
      ))}
    </tr>
  </thead>
)
