import { Menu, Portal, Text } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import type { ReactNode } from "react";
import type { Cue, Overlay, Slide } from "../../api/types";
import { useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { t } from "../../words/timing";

interface Props {
  slide: Slide;
  onAdd: (does: Cue["does"], what: string | null, move: string | null) => void;
  /** Let an overlay open or close at the moment; null where an overlay itself is edited. */
  onOverlay: ((overlay: Overlay, action: "show" | "hide") => void) | null;
}

/** Adding a cue: what is selected appears, moves or plays; or a moment is only marked. */
export function CueMenu({ slide, onAdd, onOverlay }: Props): ReactNode {
  const selected = useCourse((state) => state.selection.selected);
  const elements = slide.elements.filter(({ id }) => selected.includes(id));
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <QuietButton size="2xs" px="2"><Plus size={13} />{t("cue")}</QuietButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {!elements.length && <Text px="2" py="1" color="quiet" fontSize="13px">{t("selectAnElementToGive")}</Text>}
            {elements.map((element) => (
              <Menu.Item key={element.id} value={`appear ${element.id}`} onSelect={() => onAdd("appear", element.id, null)}>
                {t("nameAppears", { name: element.name })}
              </Menu.Item>
            ))}
            {elements.flatMap((element) => element.moves.map((move) => (
              <Menu.Item key={move.id} value={`move ${move.id}`} onSelect={() => onAdd("move", element.id, move.id)}>
                {t("nameMovesMove", { name: element.name, move: move.name })}
              </Menu.Item>
            )))}
            {elements.filter(({ kind }) => kind === "audio" || kind === "video").map((element) => (
              <Menu.Item key={element.id} value={`play ${element.id}`} onSelect={() => onAdd("play", element.id, null)}>
                {t("namePlays", { name: element.name })}
              </Menu.Item>
            ))}
            {onOverlay && slide.overlays.flatMap((overlay) => (["show", "hide"] as const).map((action) => (
              <Menu.Item key={`${action} ${overlay.id}`} value={`${action} ${overlay.id}`} onSelect={() => onOverlay(overlay, action)}>
                {t("theOverlayName", { name: overlay.name })}{" "}{action === "show" ? t("opens") : t("closes")}
              </Menu.Item>
            )))}
            <Menu.Item value="moment" onSelect={() => onAdd("moment", null, null)}>{t("aTimeMarkForRules")}</Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
