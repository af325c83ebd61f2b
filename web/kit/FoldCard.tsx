import { Box, Flex, Heading } from "@chakra-ui/react";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";

const folded = new Map<string, boolean>();

/** A card that can be folded; it stays as it was left, whatever is selected next. */
export function FoldCard({ title, children, starts = "open" }: { title: string; children: ReactNode; starts?: "open" | "closed" }): ReactNode {
  const [closed, setClosed] = useState(folded.get(title) ?? starts === "closed");
  function toggle(): void {
    folded.set(title, !closed);
    setClosed(!closed);
  }
  return (
    <Box as="section" bg="sheet" borderWidth="1px" borderRadius="card" aria-label={title}>
      <Heading as="h3" fontSize="14px" fontFamily="body" fontWeight="700">
        <Flex
          as="button" w="100%" px="3" py="2.5" align="center" justify="space-between"
          aria-expanded={!closed} onClick={toggle}
        >
          {title}
          {closed ? <ChevronRight size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
        </Flex>
      </Heading>
      {!closed && <Box px="3" pb="3">{children}</Box>}
    </Box>
  );
}
