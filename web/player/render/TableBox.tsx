import type { CSSProperties, ReactNode } from "react";
import type { Style, TableElement } from "../../api/types";
import { textStyle } from "./style";

/** A table, with its heads marked for those who hear it. */
export function TableBox({ element, style }: { element: TableElement; style: Style }): ReactNode {
  const { cells, header_row, header_column } = element;
  const words = textStyle(style);
  const cell: CSSProperties = {
    padding: style.padding, textAlign: style.align, verticalAlign: style.valign,
  };
  return (
    <table className="zz-table" style={{ ...words, padding: 0 }} aria-label={element.alt || undefined}>
      <colgroup>
        {columnsOf(element).map((share, index) => <col key={index} style={{ width: `${share * 100}%` }} />)}
      </colgroup>
      <tbody>
        {cells.map((row, y) => (
          <tr key={y} style={{ height: `${100 / cells.length}%` }}>
            {row.map((text, x) => {
              const heads = header_row && y === 0 ? "col" : header_column && x === 0 ? "row" : null;
              return heads
                ? <th key={x} scope={heads} style={cell}>{text}</th>
                : <td key={x} style={cell}>{text}</td>;
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The columns' shares of the width: as set, or all alike. */
export function columnsOf({ cells, columns }: TableElement): number[] {
  const count = cells[0]?.length ?? 0;
  if (columns.length !== count) return Array<number>(count).fill(1 / Math.max(count, 1));
  const sum = columns.reduce((all, share) => all + share, 0);
  return columns.map((share) => share / sum);
}
