import { Box, Portal, Tooltip } from "@chakra-ui/react";
import { useId, useState, type ReactElement, type ReactNode } from "react";

/** A field with a sentence that says what it does: shown while it is pointed at or has the focus, and read out. */
export function Explained({ help, children }: { help?: string | undefined; children: ReactElement }): ReactNode {
  const [open, setOpen] = useState(false);
  const id = useId();
  if (!help) return children;
  return (
    <Tooltip.Root
      open={open} openDelay={500} closeDelay={50} positioning={{ placement: "left", gutter: 12 }}
      onOpenChange={(event) => setOpen(event.open)}
    >
      <Tooltip.Trigger asChild>
        <Box onFocus={() => setOpen(true)} onBlur={() => setOpen(false)} role="group" aria-describedby={id}>{children}</Box>
      </Tooltip.Trigger>
      <Box as="span" id={id} srOnly>{help}</Box>
      {open && (
        <Portal>
          <Tooltip.Positioner>
            <Tooltip.Content bg="ink" color="paper" borderRadius="6px" fontSize="12.5px" maxW="240px" px="2.5" py="1.5" aria-hidden>
              {help}
            </Tooltip.Content>
          </Tooltip.Positioner>
        </Portal>
      )}
    </Tooltip.Root>
  );
}
