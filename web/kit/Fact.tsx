import { Flex, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A line of a card: what, and how much. */
export function Fact({ name, children }: { name: string; children: ReactNode }): ReactNode {
  return (
    <Flex justify="space-between" gap="3" py="1" data-fact={name}>
      <Text color="quiet">{name}</Text>
      <Text fontWeight="600" textAlign="right" minW="0">{children}</Text>
    </Flex>
  );
}
