import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronRight } from "lucide-react";
import { type ReactNode } from "react";
import { headingOf, useRemembered } from "./remembered";

interface Props {
  title: string;
  /** What the card is about in a plain noun, beside its title. */
  noun?: string;
  children: ReactNode;
  starts?: "open" | "closed";
}

/** A card that can be folded; it stays as it was left, whatever is selected next. */
export function FoldCard({ title, noun, children, starts = "open" }: Props): ReactNode {
  const heading = headingOf(title, noun);
  const [open, setOpen] = useRemembered(heading, starts === "open");
  return (
    <Box as="section" bg="sheet" borderWidth="1px" borderRadius="card" aria-label={heading}>
      <Heading as="h3" fontSize="14px" fontFamily="body" fontWeight="700">
        <Flex
          as="button" w="100%" px="3" py="2" align="baseline" gap="2" textAlign="left"
          aria-expanded={open} onClick={() => setOpen(!open)}
        >
          {title}
          {noun && <Text as="span" fontSize="12.5px" fontWeight="400" color="quiet">{noun}</Text>}
          <Box as="span" ml="auto" alignSelf="center" flex="none">
            {open ? <ChevronDown size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />}
          </Box>
        </Flex>
      </Heading>
      {open && <Box px="3" pb="3">{children}</Box>}
    </Box>
  );
}
