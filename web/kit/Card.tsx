import { Box, Flex, Heading } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A group of settings or facts with a heading. */
export function Card(
  { title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode },
): ReactNode {
  return (
    <Box as="section" bg="sheet" borderWidth="1px" borderRadius="card" aria-label={title}>
      <Flex align="center" justify="space-between" px="3" pt="2.5" pb="1.5" gap="2">
        <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700">{title}</Heading>
        {aside}
      </Flex>
      <Box px="3" pb="3">{children}</Box>
    </Box>
  );
}
