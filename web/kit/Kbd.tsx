import { Box } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A key, as it is written on a keyboard. */
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
