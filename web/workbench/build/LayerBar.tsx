/** Says that an overlay is edited, and leads back to the slide. */
import { Flex, Text } from "@chakra-ui/react";
import { ArrowLeft, Layers } from "lucide-react";
import type { ReactNode } from "react";
import type { Overlay, Slide } from "../../api/types";
import { QuietButton } from "../ui/parts";
import { openLayer } from "./layers";

export function LayerBar({ slide, layer }: { slide: Slide; layer: Overlay }): ReactNode {
  return (
    <Flex
      position="absolute" top="8px" left="50%" transform="translateX(-50%)" align="center" gap="3" px="3" py="1.5"
      bg="marigold.soft" color="marigold.ink" borderRadius="full" boxShadow="0 1px 8px rgb(34 48 43 / 16%)" zIndex="5"
      role="status"
    >
      <Layers size={15} aria-hidden />
      <Text fontWeight="600" fontSize="13px" whiteSpace="nowrap" maxW="360px" truncate>You are on “{layer.name}”, over “{slide.title}”</Text>
      <QuietButton size="2xs" onClick={() => openLayer(null)}><ArrowLeft size={13} /> Back to the slide</QuietButton>
    </Flex>
  );
}
