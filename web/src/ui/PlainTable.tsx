type Row = Record<string, unknown>;

/** A table of words: rules only, heads in note size; it scrolls sideways where it is too wide. */
export function PlainTable({ columns, rows }: { columns: string[]; rows: Row[] }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by keys
    <div className="plain-table" tabIndex={0}>
      <table>
        <thead>
          <tr>
            {columns.map((column) => (
              <th key={column}>{column}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={columns.map((column) => String(row[column])).join("|")}>
              {columns.map((column, i) => (
                <td key={column}>{i === 0 ? <b>{String(row[column])}</b> : String(row[column])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
