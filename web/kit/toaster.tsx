/** Short words at the edge of the page: what was done, with a way back; what went wrong. */
import {
  createToaster, Stack, Toast, Toaster as ChakraToaster,
} from "@chakra-ui/react";
import type { ReactNode } from "react";
import { ApiError } from "../api/client";
import { t } from "../words/kit";

const toaster = createToaster({ placement: "bottom", offsets: { bottom: "88px", top: "24px", left: "24px", right: "24px" }, max: 4, hotkey: ["altKey", "KeyT"] });

/** Say that something was done. Where a choice is offered with it, it stays until it is made or dismissed. */
export function sayDone(title: string, other?: () => void, label = t("undo")): void {
  toaster.create({
    title, type: "info", duration: other ? Number.POSITIVE_INFINITY : 8_000, closable: true,
    ...(other ? { action: { label, onClick: other } } : {}),
  });
}

/** Say what went wrong; it stays until it is closed. What the author has cancelled is not said. */
export function sayError(error: unknown): void {
  if (error instanceof ApiError && error.code === "cancelled") return;
  const title = error instanceof Error ? error.message : t("somethingWentWrong");
  toaster.create({ title, type: "error", duration: Number.POSITIVE_INFINITY, closable: true });
}

/** Where the short words come up. */
export function Toaster(): ReactNode {
  return (
    <ChakraToaster toaster={toaster} insetInline={{ mdDown: "4" }}>
      {(toast) => (
        <Toast.Root
          width={{ md: "sm" }} bg={toast.type === "error" ? "brick.soft" : "ink"}
          color={toast.type === "error" ? "ink" : "paper"} borderRadius="card"
        >
          <Stack gap="1" flex="1"><Toast.Title>{toast.title}</Toast.Title></Stack>
          {toast.action && <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger>}
          {toast.closable && <Toast.CloseTrigger />}
        </Toast.Root>
      )}
    </ChakraToaster>
  );
}
