import { Box } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** Fields that share a row, each under its label. */
export function Pair({ columns = 2, children }: { columns?: number; children: ReactNode }): ReactNode {
  return (
    <Box
      display="grid" gridTemplateColumns={`repeat(${columns}, minmax(0, 1fr))`} columnGap="2" alignItems="end"
      css={{
        "& [data-labelled]": { flexDirection: "column", alignItems: "stretch", gap: "2px" },
        "& [data-labelled] > p": { width: "auto" },
      }}
    >
      {children}
    </Box>
  );
}
