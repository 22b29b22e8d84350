/** The head of a table: its columns' names, small and quiet; what is only pressed in has none. */
export const HeadRow = ({ heads }: { heads: string[] }) => (
  <thead>
    <tr className="label text-left">
      {heads.map((head) =>
        head === '' ? (
          <td key={head} />
        ) : (
          <th key={head} scope="col" className="p-2 font-normal">
            {head}
          </th>
        ),
      )}
    </tr>
  </thead>
)
