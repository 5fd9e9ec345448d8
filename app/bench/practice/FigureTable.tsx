/** Rows of figures behind a name, each column with its own. */
export function FigureTable({
  of,
  columns,
  rows,
}: {
  of: string;
  columns: readonly string[];
  rows: readonly { name: string; figures: readonly (number | string)[] }[];
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section tabIndex={0} aria-label={`Figures by ${of.toLowerCase()}`} className="overflow-x-auto">
      <table className="w-full min-w-[30rem] max-w-4xl border-collapse">
        <thead>
          <tr className="border-ink border-b-2 text-left">
            <th scope="col">{of}</th>
            {columns.map((column) => (
              <th key={column} scope="col" className="pl-3 text-right">
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, figures }) => (
            <tr key={name} className="border-rule border-b">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              {figures.map((figure, column) => (
                <td key={columns[column]} className="figure text-right">
                  {figure}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
