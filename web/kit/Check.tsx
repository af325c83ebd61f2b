import { Flex, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { Explained } from "./Explained";

/** A box to tick, with its label. */
export function Check(
  { label, value, onChange, help }: { label: string; value: boolean; onChange: (value: boolean) => void; help?: string },
): ReactNode {
  return (
    <Explained help={help}>
      <Flex as="label" align="center" gap="2" py="0.5" cursor="pointer">
        <input
          type="checkbox" checked={value} onChange={(event) => onChange(event.target.checked)}
          style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }}
        />
        <Text lineHeight="1.3">{label}</Text>
      </Flex>
    </Explained>
  );
}
