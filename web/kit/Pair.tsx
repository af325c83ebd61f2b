import { Box } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** Two fields beside each other. */
export function Pair({ children }: { children: ReactNode }): ReactNode {
  return <Box display="grid" gridTemplateColumns="1fr 1fr" columnGap="3" css={{ "& p": { width: "auto", minWidth: "34px" } }}>{children}</Box>;
}
