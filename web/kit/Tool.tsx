import { IconButton, type IconButtonProps } from "@chakra-ui/react";
import { type ReactElement, type ReactNode } from "react";
import { Tip } from "./Tip";

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
