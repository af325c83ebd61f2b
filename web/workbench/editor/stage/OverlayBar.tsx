import { Flex, Text } from "@chakra-ui/react";
import { ArrowLeft, PictureInPicture2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Overlay, Slide } from "../../../api/types";
import { QuietButton } from "../../../kit/QuietButton";
import { editOverlay } from "./overlays";
import { t } from "../../../words/editor";

/** Says that an overlay is edited, and leads back to the slide. */
export function OverlayBar({ slide, edited }: { slide: Slide; edited: Overlay }): ReactNode {
  return (
    <Flex
      position="absolute" top="8px" left="50%" transform="translateX(-50%)" align="center" gap="3" px="3" py="1.5"
      bg="marigold.soft" color="marigold.ink" borderRadius="full" boxShadow="0 1px 8px rgb(34 48 43 / 16%)" zIndex="5"
      role="status"
    >
      <PictureInPicture2 size={15} aria-hidden />
      <Text fontWeight="600" fontSize="13px" whiteSpace="nowrap" maxW="360px" truncate>{t("youAreOnNameOver", { name: edited.name, title: slide.title })}</Text>
      <QuietButton size="2xs" onClick={() => editOverlay(null)}><ArrowLeft size={13} />{t("backToTheSlide")}</QuietButton>
    </Flex>
  );
}
