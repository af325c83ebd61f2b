/** A slide as it stands before anything happens: thumbnails, cards, the workbench's drawing. */
import { memo, type ReactNode } from "react";
import type { Element, Slide, Theme } from "../../api/types";
import { Backdrop } from "./Backdrop";
import { DialogueStill } from "./dialogue/DialogueStill";
import { ElementView } from "./ElementView";
import type { MediaMap } from "./mediaMap";
import { boxVariables, placed } from "./style";
import { valueName } from "./valueNames";

interface Props {
  /** The slide as it looks, its layout laid under it. */
  slide: Slide;
  size: { w: number; h: number };
  theme: Theme;
  media: MediaMap;
  scale: number;
  /** An element that is not drawn here, since it is being edited in place. */
  without?: string | null;
  children?: ReactNode;
}

export const Still = memo(function Still(
  { slide, size, theme, media, scale, without, children }: Props,
): ReactNode {
  const choices = new Map(slide.questions.flatMap((question) => (
    "choices" in question ? question.choices.map(({ element }) => [element, question.kind === "multiple_response" ? " zz-several" : ""] as const) : []
  )));
  return (
    <Backdrop size={size} theme={theme} background={slide.background ?? PLAIN} media={media} scale={scale}>
      {slide.elements.filter((e) => e.id !== without && (e.kind !== "group" || choices.has(e.id))).map((element) => (
        <StillElement key={element.id} element={element} media={media} choice={choices.get(element.id)} />
      ))}
      {slide.dialogues.map((dialogue) => <DialogueStill key={dialogue.id} dialogue={dialogue} media={media} />)}
      {children}
    </Backdrop>
  );
});

/** One element; `choice` is there where it answers a question: its class beside that of a choice. */
const StillElement = memo(function StillElement(
  { element, media, choice }: { element: Element; media: MediaMap; choice: string | undefined },
): ReactNode {
  const chosen = choice === undefined ? "" : ` zz-choice${choice}${element.kind === "group" ? " zz-grouped" : ""}`;
  return (
    <div data-element={element.id} className={`zz-element${chosen}`} style={{ ...placed(element), ...boxVariables(element, element.style) }}>
      <ElementView element={element} style={element.style} media={media} values={valueName} />
      {choice !== undefined && <span className="zz-mark" aria-hidden />}
    </div>
  );
});

/** What a slide has that says nothing of itself: for drawing what is no slide. */
export const EMPTY_SLIDE: Omit<Slide, "id" | "title" | "elements"> = {
  onward: { to: "next" }, indent: 0, notes: "", transcript: "", questions: [], overlays: [], patterns: [], dialogues: [], rules: [],
  timing: { length: 0, starts: true, repeats: false, cues: [] }, ungated: false, navigation: {}, tags: [],
};

const PLAIN = { colour: "paper", picture: null, fit: "cover" } as const;
