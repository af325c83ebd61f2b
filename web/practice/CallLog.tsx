import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Card } from "../kit/Card";

type Call = components["schemas"]["CallOut"];

interface Props { packageId: number; learner: string; sco: number; attempt: number; live?: boolean }

/** Every call of the run-time API: in plain words, and raw beside it. */
export function CallLog({ packageId, learner, sco, attempt, live = false }: Props): ReactNode {
  const log = useQuery({
    queryKey: ["practice", packageId, "calls", learner, sco, attempt],
    queryFn: () => take(api.GET("/api/practice/packages/{package_id}/learners/{learner}/calls", {
      params: { path: { package_id: packageId, learner }, query: { attempt, sco } },
    })),
  });
  const calls = live ? [...(log.data ?? [])].reverse() : log.data ?? [];
  return (
    <Card title="Tracking calls" aside={<Text color="quiet" fontSize="13px">{calls.length}</Text>}>
      <Box maxH={live ? undefined : "560px"} overflowY="auto" tabIndex={0} role="region" aria-label="Log of tracking calls">
        {!calls.length && <Text color="quiet">Nothing was said yet.</Text>}
        <Box as="ol" listStyleType="none">
          {calls.map((call, index) => <CallRow key={live ? calls.length - index : index} call={call} />)}
        </Box>
      </Box>
    </Card>
  );
}

function CallRow({ call }: { call: Call }): ReactNode {
  const refused = call.error !== "0" && call.error !== "";
  return (
    <Box as="li" py="1.5" borderTopWidth="1px">
      <Flex justify="space-between" gap="3">
        <Text color={refused ? "brick" : undefined}>{call.words}</Text>
        <Text color="quiet" fontSize="12px" flex="none">
          visit {call.visit} · {new Date(call.at).toLocaleTimeString("en-GB")}
        </Text>
      </Flex>
      <Text fontFamily="mono" fontSize="11.5px" color="quiet" wordBreak="break-all">
        {call.method}({call.arguments.map((argument) => JSON.stringify(argument)).join(", ")}) →{" "}
        {JSON.stringify(call.result)}{refused ? ` · error ${call.error}` : ""}
      </Text>
    </Box>
  );
}
