import { Box, Flex, Text, type BoxProps } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { Explained } from "./Explained";

interface Props {
  label: string;
  /** What the setting does, in a sentence; shown on hover and focus. */
  help?: string | undefined;
  /** What the label itself does when it is dragged. */
  handle?: BoxProps;
  children: ReactNode;
}

/** A field with its label beside it; above it where fields share a row. */
export function Labelled({ label, help, handle, children }: Props): ReactNode {
  return (
    <Explained help={help}>
      <Flex data-labelled align="center" gap="2" py="1">
        <Text color="quiet" fontSize="12.5px" lineHeight="1.25" w="100px" flex="none" aria-hidden {...handle}>{label}</Text>
        <Box flex="1" minW="0">{children}</Box>
      </Flex>
    </Explained>
  );
}
