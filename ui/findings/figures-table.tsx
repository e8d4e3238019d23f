interface FiguresTableProps {
  /** What it shows, for screen readers. */
  label: string;
  head: readonly string[];
  rows: readonly { key: string; cells: readonly React.ReactNode[] }[];
  className?: string;
}

/** Figures by row; the first cell of each heads it. Scrolls sideways where it is wider than its place. */
export function FiguresTable({ label, head, rows, className = '' }: FiguresTableProps) {
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={`${label}, scrolls sideways`}>
      <table className={`bench-table ${className}`}>
        <caption className="sr-only">{label}</caption>
        <thead>
          <tr>
            {head.map((name) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, cells: [first, ...cells] }) => (
            <tr key={key}>
              <th scope="row" className="border-b! border-line! font-bold">
                {first}
              </th>
              {cells.map((cell, i) => (
                <td key={head[i + 1]}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
