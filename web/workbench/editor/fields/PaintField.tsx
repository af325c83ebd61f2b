import { Box, Flex, Popover, Portal, Text } from "@chakra-ui/react";
import { Pipette } from "lucide-react";
import { useState, type ReactElement, type ReactNode } from "react";
import type { Colours } from "../../../api/types";
import { hex } from "../../../player/render/theme";
import { themeOn } from "../../store/quizOn";
import { useCourse } from "../../store/store";
import { QuietButton } from "../../../kit/QuietButton";
import { sayError } from "../../../kit/toaster";
import { Labelled } from "../../../kit/Labelled";
import { t } from "../../../words/editor";

export const ROLE_WORDS: Record<keyof Colours, string> = {
  ink: t("mainText"), quiet: t("secondaryText"), paper: t("slide"), sheet: t("panels"), primary: t("buttons"),
  on_primary: t("textOnButtons"), soft: t("tint"), accent: t("highlight"), edge: t("lines"),
};

interface Props {
  label: string;
  value: string | null | undefined;
  onChange: (value: string) => void;
  onNone?: () => void;
}

/** A colour: one of the theme's, one from a picture, one from anywhere on the screen, or any. */
export function PaintField({ label, value, onChange, onNone }: Props): ReactNode {
  const theme = useCourse((state) => themeOn(state.course, state.selection.slide));
  /** Null before it was first opened. */
  const [open, setOpen] = useState<boolean | null>(null);
  const words = !value ? t("none2") : value.startsWith("#") ? value : ROLE_WORDS[value as keyof Colours];
  const button = (onClick?: () => void): ReactElement => (
    <Flex as="button" gap="2" align="center" w="100%" aria-label={`${label}: ${words}`} aria-haspopup="dialog" onClick={onClick}>
      <Swatch colour={value ? hex(value, theme) : null} />
      <Text fontSize="12.5px" color="quiet" truncate>{words}</Text>
    </Flex>
  );
  return (
    <Labelled label={label}>
      {/* Its choices are made when it is first pressed: a card has many colours. */}
      {open === null ? button(() => setOpen(true)) : (
        <Popover.Root open={open} onOpenChange={(event) => setOpen(event.open)} lazyMount unmountOnExit positioning={{ placement: "left-start" }}>
          <Popover.Trigger asChild>{button()}</Popover.Trigger>
          <Portal>
            <Popover.Positioner>
              <Popover.Content bg="sheet" w="236px" p="3" aria-label={t("colourLabel", { label })} data-own-keys>
                <Choices value={value ?? null} onChange={onChange} />
                {onNone && (
                  <QuietButton size="xs" mt="2" onClick={() => { onNone(); setOpen(false); }}>{t("noLabel", { label })}</QuietButton>
                )}
              </Popover.Content>
            </Popover.Positioner>
          </Portal>
        </Popover.Root>
      )}
    </Labelled>
  );
}

function Choices({ value, onChange }: { value: string | null; onChange: (value: string) => void }): ReactNode {
  const theme = useCourse((state) => themeOn(state.course, state.selection.slide));
  const slide = useCourse((state) => state.slides[state.selection.slide ?? ""]);
  const files = useCourse((state) => state.course.media);
  const used = new Set(slide?.elements.flatMap((e) => (e.kind === "picture" && e.media ? [e.media] : [])));
  if (slide?.background?.picture) used.add(slide.background.picture);
  const pictured = files.filter((file) => used.has(file.id) && file.palette.length);
  return (
    <>
      <Text fontSize="12px" color="quiet" mb="1">{t("theme")}</Text>
      <Flex gap="1.5" wrap="wrap">
        {(Object.keys(theme.colours) as (keyof Colours)[]).map((role) => (
          <Pick key={role} colour={theme.colours[role]} name={ROLE_WORDS[role]} on={value === role} onPick={() => onChange(role)} />
        ))}
      </Flex>
      {pictured.map((file) => (
        <Box key={file.id} mt="2">
          <Text fontSize="12px" color="quiet" mb="1" truncate>{t("fromName", { name: file.name })}</Text>
          <Flex gap="1.5" wrap="wrap">
            {file.palette.map((colour) => (
              <Pick key={colour} colour={colour} name={colour} on={value === colour} onPick={() => onChange(colour)} />
            ))}
          </Flex>
        </Box>
      ))}
      <Flex mt="3" gap="2" align="center">
        <input
          type="color" aria-label={t("anyColour")} value={value ? hex(value, theme) : "#ffffff"}
          onChange={(event) => onChange(event.target.value.toLowerCase())}
          style={{ width: 40, height: 28, padding: 0, border: "1px solid #c9bda6", borderRadius: 6, background: "none" }}
        />
        <Text fontSize="12.5px" color="quiet" flex="1">{t("anyColour2")}</Text>
        <PickFromScreen onPick={onChange} />
      </Flex>
    </>
  );
}

function Pick({ colour, name, on, onPick }: { colour: string; name: string; on: boolean; onPick: () => void }): ReactNode {
  return (
    <Box
      as="button" w="26px" h="26px" borderRadius="6px" borderWidth="1px" title={name} aria-label={name} aria-pressed={on}
      outline={on ? "2px solid {colors.marigold}" : undefined} outlineOffset="1px" style={{ background: colour }} onClick={onPick}
    />
  );
}

function Swatch({ colour }: { colour: string | null }): ReactNode {
  return (
    <Box
      w="34px" h="22px" borderRadius="6px" borderWidth="1px" flex="none"
      style={{ background: colour ?? "repeating-linear-gradient(135deg, #fff 0 5px, #e6decf 5px 10px)" }}
    />
  );
}

interface EyeDropperLike { open: () => Promise<{ sRGBHex: string }> }

/** Where the browser can: a colour from anything on the screen. */
function PickFromScreen({ onPick }: { onPick: (colour: string) => void }): ReactNode {
  const EyeDropper = (window as { EyeDropper?: new () => EyeDropperLike }).EyeDropper;
  if (!EyeDropper) return null;
  async function pick(): Promise<void> {
    try {
      onPick((await new (EyeDropper as new () => EyeDropperLike)().open()).sRGBHex.toLowerCase());
    } catch (error) {
      if (!(error instanceof DOMException && error.name === "AbortError")) sayError(error);
    }
  }
  return (
    <QuietButton size="xs" onClick={() => void pick()} title={t("pickAColourFromThe")}>
      <Pipette size={14} />{t("pick")}
    </QuietButton>
  );
}
