/** Who is signed in, and what belongs to them. */
import { Button } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { api, take } from "../api/client";
import { MenuButton } from "./menus/MenuButton";
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
    <MenuButton
      button={(
        <Button
          size="sm" variant="ghost" borderRadius="full" bg="spruce.soft" color="spruce"
          fontWeight="700" aria-label={t("initialsAccountOfName", { initials, name })}
        >
          {initials}
        </Button>
      )}
      heading={t("signedInAsName", { name })}
      entries={[
        {
          key: "scheme", words: scheme === "dark" ? t("lightMode") : t("darkMode"), run: () => {
            const next = scheme === "dark" ? "light" : "dark";
            applyScheme(next);
            setScheme(next);
          },
        },
        { key: "account", words: t("yourAccount"), run: () => void navigate("/account") },
        ...(session.data?.post_room ? [{ key: "post", words: t("postRoom"), run: () => void navigate("/post-room") }] : []),
        { key: "out", words: t("signOut"), run: () => void signOut() },
      ]}
    />
  );
}
