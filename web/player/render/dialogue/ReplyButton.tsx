import type { ReactNode } from "react";
import type { ProgramElement } from "../../../api/types";
import { isEnabled } from "../../engine/expression";
import { useActing } from "../acting";
import { looksOf } from "../looks";
import { RichTextView } from "../RichTextView";
import { useSay } from "../speech";
import { boxVariables, withLooks } from "../style";
import { valueOf } from "../valueOf";

/** A reply, or what leads on, in the style that the course gives it. */
export function ReplyButton({ element }: { element: ProgramElement }): ReactNode {
  const { index, state, dispatch } = useActing();
  const say = useSay();
  const { draw } = element;
  const enabled = isEnabled(index, state, draw.id);
  const style = withLooks(draw, looksOf(index, state, element, false, enabled, false));
  const before = element.question && state.clicked.has(draw.id);
  return (
    <button
      type="button" className="zz-reply zz-live" data-element={draw.id} data-kind={draw.kind} disabled={!enabled} style={boxVariables(draw, style)}
      onClick={(event) => { event.stopPropagation(); dispatch({ event: "clicked", target: draw.id }); }}
    >
      <span className="zz-box" style={{ fontWeight: style.bold ? 700 : 400 }}>
        {draw.kind === "text" && <span className="zz-rich"><RichTextView text={draw.text} values={(of) => valueOf(index, state, of)} /></span>}
        {draw.kind === "button" && draw.label}
        {before && <small className="zz-before">{say("said_before")}</small>}
      </span>
    </button>
  );
}
