import { Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode } from "react";
import { api, take } from "../../api/client";
import { Card } from "../../kit/Card";
import { QuietButton } from "../../kit/QuietButton";
import { sayError } from "../../kit/toaster";
import { ago } from "../../kit/units";
import { t } from "../../words/app";

/** Where the author is signed in, each to be ended. */
export function Sessions(): ReactNode {
  const queries = useQueryClient();
  const sessions = useQuery({ queryKey: ["sessions"], queryFn: () => take(api.GET("/api/sessions")) });
  const end = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE("/api/sessions/{session_id}", { params: { path: { session_id: id } } })),
    onSuccess: () => void queries.invalidateQueries({ queryKey: ["sessions"] }), onError: sayError,
  });
  return (
    <Card title={t("whereYouAreSignedIn")}>
      {sessions.data?.map((one) => (
        <Flex key={one.id} align="center" justify="space-between" py="1" gap="3" minH="40px">
          <Text>
            <Text as="span" fontWeight="600">{one.device}</Text>
            <Text as="span" color="quiet"> {one.address}</Text>
          </Text>
          <Flex align="center" gap="3">
            <Text color="quiet">{one.here ? t("thisBrowser") : t("seenAgo", { ago: ago(one.seen) })}</Text>
            {!one.here && (
              <QuietButton onClick={() => end.mutate(one.id)} aria-label={t("endTheSessionOfDevice", { device: one.device, address: one.address })}>
                {t("endIt")}
              </QuietButton>
            )}
          </Flex>
        </Flex>
      ))}
    </Card>
  );
}
