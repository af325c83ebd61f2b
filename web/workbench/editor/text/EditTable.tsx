import type { ClipboardEvent, KeyboardEvent, ReactNode } from "react";
import type { Element, TableElement } from "../../../api/types";
import { columnsOf } from "../../../player/render/TableBox";
import { textStyle } from "../../../player/render/style";
import { changeElements } from "../../store/store";
import { leaveEditing, overlay } from "./editing";
import { t } from "../../../words/editor";

const MOST_ROWS = 100;
const MOST_COLUMNS = 30;

/** Filling in a table: Tab to the next cell, Enter to the one below, a pasted sheet into many. */
export function EditTable({ element }: { element: TableElement }): ReactNode {
  const { cells, style } = element;
  const widths = columnsOf(element);

  function write(next: string[][], label = t("editTable")): void {
    changeElements(label, [element.id], (e) => ({ ...e, cells: next }) as Element, `cells-${element.id}`);
  }

  function put(y: number, x: number, text: string): void {
    write(cells.map((row, r) => row.map((cell, c) => (r === y && c === x ? text : cell))));
  }

  function onKeyDown(event: KeyboardEvent<HTMLTextAreaElement>, y: number, x: number): void {
    if (event.key === "Escape") leaveEditing();
    else if (event.key === "Enter" && !event.shiftKey) {
      if (y === cells.length - 1) write([...cells, cells[0]?.map(() => "") ?? []], t("addRow"));
      focusCell(element.id, y + 1, x);
    } else if (event.key === "Tab" && !event.shiftKey && y === cells.length - 1 && x === widths.length - 1) {
      write([...cells, cells[0]?.map(() => "") ?? []], t("addRow"));
      focusCell(element.id, y + 1, 0);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function onPaste(event: ClipboardEvent, y: number, x: number): void {
    const text = event.clipboardData.getData("text/plain").replace(/\r/g, "");
    if (!/[\t\n]/.test(text)) return;
    event.preventDefault();
    write(withSheet(cells, y, x, text.replace(/\n$/, "").split("\n").map((line) => line.split("\t"))));
  }

  return (
    <div className="zz-element" data-own-keys style={overlay(element)}>
      <table className="zz-table" style={{ ...textStyle(style), padding: 0 }}>
        <colgroup>{widths.map((share, x) => <col key={x} style={{ width: `${share * 100}%` }} />)}</colgroup>
        <tbody>
          {cells.map((row, y) => (
            <tr key={y} style={{ height: `${100 / cells.length}%` }}>
              {row.map((cell, x) => (
                <td key={x} style={{ padding: 0 }}>
                  <textarea
                    value={cell} rows={1} data-cell={`${element.id}-${y}-${x}`} autoFocus={y === 0 && x === 0}
                    aria-label={t("rowYColumnX", { y: y + 1, x: x + 1 })} maxLength={2_000}
                    style={{
                      width: "100%", height: "100%", padding: style.padding, font: "inherit", color: "inherit",
                      background: "none", border: 0, resize: "none", textAlign: style.align, display: "block",
                    }}
                    onChange={(event) => put(y, x, event.target.value)} onPaste={(event) => onPaste(event, y, x)}
                    onKeyDown={(event) => onKeyDown(event, y, x)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A pasted sheet written into the table from a cell on; the table grows as far as it may. */
export function withSheet(
  cells: readonly (readonly string[])[], y: number, x: number, sheet: readonly (readonly string[])[],
): string[][] {
  const high = Math.min(Math.max(cells.length, y + sheet.length), MOST_ROWS);
  const wide = Math.min(Math.max(cells[0]?.length ?? 0, x + Math.max(...sheet.map((row) => row.length))), MOST_COLUMNS);
  return Array.from({ length: high }, (_, r) => Array.from({ length: wide }, (__, c) => (
    sheet[r - y]?.[c - x] ?? cells[r]?.[c] ?? "")));
}

function focusCell(id: string, y: number, x: number): void {
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-cell="${id}-${y}-${x}"]`)?.focus());
}
