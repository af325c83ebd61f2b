import { Button, type ButtonProps } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** The button that does the main thing here. */
export function MainButton(props: ButtonProps): ReactNode {
  return (
    <Button
      size="sm" bg="spruce" color="onSpruce" borderRadius="card" fontWeight="600"
      _hover={{ opacity: 0.92 }} {...props}
    />
  );
}
