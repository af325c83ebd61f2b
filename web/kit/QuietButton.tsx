import { Button, type ButtonProps } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A button that does not stand out. */
export function QuietButton(props: ButtonProps): ReactNode {
  return (
    <Button
      size="sm" variant="outline" bg="sheet" color="ink" borderColor="edge" borderRadius="card"
      fontWeight="500" _hover={{ borderColor: "spruce" }} {...props}
    />
  );
}
