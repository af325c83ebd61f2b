import { Box, Flex, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A field with its label beside it. */
export function Labelled({ label, children }: { label: string; children: ReactNode }): ReactNode {
  return (
    <Flex align="center" gap="2" py="1">
      <Text color="quiet" fontSize="12.5px" w="76px" flex="none" aria-hidden>{label}</Text>
      <Box flex="1" minW="0">{children}</Box>
    </Flex>
  );
}
