/** Who is signed in, and what belongs to them. */
import { Box, Button, Menu, Portal } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { api, take } from "../api/client";
import { applyScheme, readScheme } from "./scheme";
import { t } from "../words/kit";

/** Who is signed in, and what belongs to that. */
export function UserMenu(): ReactNode {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const session = useQuery({
    queryKey: ["session"], queryFn: () => take(api.GET("/api/session")), staleTime: 60_000,
  });
  const [scheme, setScheme] = useState(readScheme);
  const name = session.data?.name ?? "";
  const initials = name.slice(0, 2).toUpperCase();

  async function signOut(): Promise<void> {
    await take(api.DELETE("/api/session"));
    queries.clear();
    window.location.assign("/");
  }

  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Button
          size="sm" variant="ghost" borderRadius="full" bg="spruce.soft" color="spruce"
          fontWeight="700" aria-label={t("initialsAccountOfName", { initials, name })}
        >
          {initials}
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="sheet" borderRadius="card">
            <Box px="2" py="1" color="quiet" fontSize="13px">{t("signedInAsName", { name })}</Box>
            <Menu.Item
              value="scheme"
              onClick={() => {
                const next = scheme === "dark" ? "light" : "dark";
                applyScheme(next);
                setScheme(next);
              }}
            >
              {scheme === "dark" ? t("light") : t("dark")}{" "}{t("mode")}
            </Menu.Item>
            <Menu.Item value="tokens" onClick={() => void navigate("/account")}>
              {t("personalTokens")}
            </Menu.Item>
            <Menu.Item value="out" onClick={() => void signOut()}>{t("signOut")}</Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
