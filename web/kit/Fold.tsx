import { Box, Flex, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronRight } from "lucide-react";
import { type ReactNode } from "react";
import { useRemembered } from "./remembered";

/** Lesser settings of a card under a heading; closed until opened once, then as it was left. */
export function Fold({ title, children }: { title: string; children: ReactNode }): ReactNode {
  const [open, setOpen] = useRemembered(title, false);
  return (
    <Box role="group" aria-label={title}>
      <Flex
        as="button" w="100%" py="1" gap="1" align="center" textAlign="left" fontSize="12.5px" color="quiet"
        aria-expanded={open} onClick={() => setOpen(!open)} _hover={{ color: "ink" }}
      >
        {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
        <Text as="span" fontWeight="600">{title}</Text>
      </Flex>
      {open && <Box pb="1">{children}</Box>}
    </Box>
  );
}
