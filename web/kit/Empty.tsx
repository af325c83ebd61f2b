import { Flex, Heading, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { Zigzag } from "./Zigzag";

/** What stands where there is nothing yet: what this is for, and the next step. */
export function Empty(
  { title, children, action }: { title: string; children: ReactNode; action?: ReactNode },
): ReactNode {
  return (
    <Flex direction="column" align="center" textAlign="center" gap="3" py="14" px="6">
      <Zigzag />
      <Heading as="h2" fontSize="20px">{title}</Heading>
      <Text color="quiet" maxW="46ch">{children}</Text>
      {action}
    </Flex>
  );
}
