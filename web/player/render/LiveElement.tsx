import type { ReactNode } from "react";
import type { ProgramElement } from "../../api/types";
import { isVisible } from "../engine/engine";
import { useActing } from "./acting";
import { Item, Target } from "./answers/Pairs";
import { Ground, Spot } from "./answers/Spots";
import { CONTROLS, dragged, plain, takes, taking } from "./live/controls";
import { effectsOf, useShown, type ShownProps } from "./live/shown";

/** What is done with it is an answer. */
const ANSWERING: Partial<Record<ProgramElement["control"], (props: { element: ProgramElement }) => ReactNode>> = {
  item: Item, target: Target, spot: Spot, ground: Ground,
};

interface LiveProps {
  element: ProgramElement;
  /** In the flow of a panel instead of at its place. */
  flows?: boolean;
}

/** One element as the learner meets it: in the look that its state gives, answering what is done. */
export function LiveElement({ element, flows = false }: LiveProps): ReactNode {
  const { index, state } = useActing();
  const shown = isVisible(index, state, element.draw.id);
  const { enters, leaves } = effectsOf(element);
  const Answering = ANSWERING[element.control];
  if (Answering) return shown ? <Answering element={element} /> : null;
  // What leaves in a visible way stays in the page, hidden.
  if (!shown && enters === "none" && leaves === "none") return null;
  return <Shown element={element} flows={flows} gone={!shown} enters={enters} leaves={leaves} />;
}

function Shown(props: ShownProps): ReactNode {
  const { index, picked } = useActing();
  const shown = useShown(props);
  if (!shown) return null;
  const { element, draw } = shown;
  const drawn = !props.gone && takes(index, picked, draw.id) ? taking
    : draw.drag ? dragged : CONTROLS[element.control] ?? plain;
  return drawn(shown);
}
