import type { CSSProperties, ReactNode } from "react";
import type { Element, ProgramElement } from "../../api/types";
import { isVisible } from "../engine/engine";
import { useActing } from "./acting";
import { ElementView } from "./ElementView";
import { boxVariables, placed } from "./style";
import { valueOf } from "./valueOf";

/** A group drawn as one thing: its members where they stand in it. */
export function Members({ group }: { group: Element }): ReactNode {
  const { index, state } = useActing();
  const home = index.elements.get(group.id)?.draw ?? group;
  const shown = membersOf([...index.elements.values()], group.id).filter(({ draw }) => isVisible(index, state, draw.id));
  return (
    <div className="zz-whole-group" aria-hidden>
      {shown.map(({ draw }) => (
        <div key={draw.id} className="zz-element" style={{ ...inside(draw, home), ...boxVariables(draw, draw.style) }}>
          <ElementView element={draw} style={draw.style} media={index.mediaOn(state.slide)} values={(of) => valueOf(index, state, of)} live />
        </div>
      ))}
    </div>
  );
}

/** The members of a group and of the groups in it. */
function membersOf(elements: readonly ProgramElement[], group: string): ProgramElement[] {
  return elements.filter(({ draw }) => draw.group === group)
    .flatMap((member) => (member.draw.kind === "group" ? membersOf(elements, member.draw.id) : [member]));
}

/** Where a member stands in its group, wherever that is by now. */
function inside(draw: Element, group: Element): CSSProperties {
  return { ...placed(draw), left: draw.x - group.x, top: draw.y - group.y };
}
