import { Tooltip } from "@chakra-ui/react";
import { type ReactElement, type ReactNode } from "react";

/** Words that come up over something that is pointed at. */
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
