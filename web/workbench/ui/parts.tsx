/** Small parts in one look, used all over. */
import {
  Box, Button, Flex, Heading, IconButton, Text, Tooltip, type ButtonProps, type IconButtonProps,
} from "@chakra-ui/react";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState, type ReactElement, type ReactNode } from "react";

/** The button that does the main thing here. */
export function MainButton(props: ButtonProps): ReactNode {
  return (
    <Button
      size="sm" bg="spruce" color="onSpruce" borderRadius="card" fontWeight="600"
      _hover={{ opacity: 0.92 }} {...props}
    />
  );
}

export function QuietButton(props: ButtonProps): ReactNode {
  return (
    <Button
      size="sm" variant="outline" bg="sheet" color="ink" borderColor="edge" borderRadius="card"
      fontWeight="500" _hover={{ borderColor: "spruce" }} {...props}
    />
  );
}

/** An icon with its word in a tooltip and for screen readers. */
export function Tool(
  { label, children, ...props }: { label: string; children: ReactElement } & IconButtonProps,
): ReactNode {
  return (
    <Tip label={label}>
      <IconButton
        size="xs" variant="ghost" color="ink" borderRadius="card" minW="28px" h="28px"
        _hover={{ bg: "spruce.soft" }} {...props} aria-label={label}
      >
        {children}
      </IconButton>
    </Tip>
  );
}

export function Tip({ label, children }: { label: string; children: ReactElement }): ReactNode {
  return (
    <Tooltip.Root openDelay={400} closeDelay={50} lazyMount unmountOnExit>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Positioner>
        <Tooltip.Content bg="ink" color="paper" borderRadius="6px" fontSize="12px" aria-hidden>
          {label}
        </Tooltip.Content>
      </Tooltip.Positioner>
    </Tooltip.Root>
  );
}

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

/** A line of a card: what, and how much. */
export function Fact({ name, children }: { name: string; children: ReactNode }): ReactNode {
  return (
    <Flex justify="space-between" gap="3" py="1">
      <Text color="quiet">{name}</Text>
      <Text fontWeight="600" textAlign="right" minW="0">{children}</Text>
    </Flex>
  );
}

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

/** The one ornament. */
export function Zigzag({ w = 120 }: { w?: number }): ReactNode {
  return (
    <svg width={w} height={w / 4} viewBox="0 0 120 30" fill="none" aria-hidden>
      <path
        d="M6 24 30 6l24 18L78 6l36 18" stroke="#c9bda6" strokeWidth="3"
        strokeLinecap="round" strokeLinejoin="round"
      />
      {[[6, 24], [30, 6], [54, 24], [78, 6]].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r="5" fill="#c9bda6" />
      ))}
      <circle cx="114" cy="24" r="5" fill="#e8a33d" />
    </svg>
  );
}

export function Kbd({ children }: { children: ReactNode }): ReactNode {
  return (
    <Box
      as="kbd" borderWidth="1px" borderRadius="4px" px="1.5" fontSize="12px" fontFamily="body"
      fontWeight="600" bg="sheet"
    >
      {children}
    </Box>
  );
}
