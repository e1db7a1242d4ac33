import { Said } from "./Said";
import type { ReactNode } from "react";

/** A column: its head, digits to the right, or left out on a narrow screen. */
export type Column = { head: ReactNode; right?: boolean; desk?: boolean; hidden?: boolean };

/** A table with rules only; it scrolls sideways where it is too wide. */
export function Table({ columns, children }: { columns: Column[]; children: ReactNode }) {
  return (
    <div className="relative overflow-x-auto">
      <table>
        <thead>
          <tr>
            {columns.map((column, i) => (
              <th
                // biome-ignore lint/suspicious/noArrayIndexKey: the columns of a table never move
                key={i}
                className={`${column.right ? "text-right" : ""} ${column.desk ? "max-phone:hidden" : ""}`}
              >
                {column.hidden ? <span className="sr-only">{column.head}</span> : column.head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}

/** A cell of digits. */
export function Digits({ children, desk }: { children: ReactNode; desk?: boolean }) {
  return <td className={`num text-right ${desk ? "max-phone:hidden" : ""}`}>{children}</td>;
}

type Row = Record<string, unknown>;

const cell = (value: unknown) => <Said>{String(value)}</Said>;

/** A table of words. */
export function PlainTable({ columns, rows }: { columns: string[]; rows: Row[] }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by keys
    <div className="relative overflow-x-auto [&_td]:min-w-22" tabIndex={0}>
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
                <td key={column}>{i === 0 ? <b>{cell(row[column])}</b> : cell(row[column])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
