import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { MainButton } from "../kit/MainButton";
import { t } from "../words/practice";

/** So often it is looked whether the window is still there. */
const LOOK_MS = 300;

/** A package in a browser window of its own, which it may close itself. `onWindow` gets the window. */
export function OwnWindow({ url, onWindow, onClosed }: { url: string; onWindow: (own: Window) => void; onClosed: () => void }): ReactNode {
  const own = useRef<Window | null>(null);
  const [isOpen, setOpen] = useState(false);

  function open(): void {
    own.current = window.open(url, "_blank", "popup,width=1100,height=760");
    if (!own.current) return;
    onWindow(own.current);
    setOpen(true);
  }

  useEffect(() => {
    if (!isOpen) return;
    const looking = window.setInterval(() => { if (own.current?.closed) onClosed(); }, LOOK_MS);
    return () => window.clearInterval(looking);
  }, [isOpen, onClosed]);
  // Whoever goes away from here takes the window along.
  useEffect(() => () => own.current?.close(), []);

  return (
    <Flex direction="column" h="100%" align="center" justify="center" gap="4" p="8" textAlign="center">
      <Text maxW="46ch">
        {isOpen
          ? t("thePackageRunsInA")
          : t("thePackageWillRunIn")}
      </Text>
      {isOpen ? <MainButton onClick={() => own.current?.focus()}>{t("showTheWindow")}</MainButton> : <MainButton onClick={open}>{t("openTheWindow")}</MainButton>}
    </Flex>
  );
}
