/** Which video or audio speaks a text: its words are highlighted while they are heard. */
import type { ReactNode } from "react";
import { useShallow } from "zustand/react/shallow";
import type { TextElement } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/editor";
import { useCourse } from "../../store/store";
import { leadersOn } from "../../timing/leading";

/** Nothing where the slide has no video or audio. */
export function SpokenByField({ element, onChange }: { element: TextElement; onChange: (by: string | null) => void }): ReactNode {
  const speakers = useCourse(useShallow((state) => {
    const slide = state.slides[state.selection.slide ?? ""];
    return slide ? leadersOn(slide).flatMap(({ id, name }) => [id, name]) : [];
  }));
  if (!speakers.length) return null;
  const options = speakers.flatMap((id, at) => (at % 2 ? [] : [[id, speakers[at + 1] ?? ""] as const]));
  return (
    <Choose
      label={t("highlightAsSpoken")} help={t("helpHighlightAsSpoken")} value={element.spoken_by ?? ""}
      options={[["", t("notHighlighted")], ...options]} onChange={(by) => onChange(by || null)}
    />
  );
}
