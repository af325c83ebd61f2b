import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Card } from "../kit/Card";
import { QuietButton } from "../kit/QuietButton";
import { t } from "../words/practice";

type Call = components["schemas"]["CallOut"];

interface Props {
  packageId: number;
  learner: string;
  sco: number;
  attempt: number;
  live?: boolean;
  /** Nobody tells this page of new ones: they are looked for. */
  looks?: boolean;
}

const LOOK_MS = 1_500;

/** Every call of the run-time API, the newest first: in plain words, and raw beside it. */
export function CallLog({ packageId, learner, sco, attempt, live = false, looks = false }: Props): ReactNode {
  const log = useQuery({
    queryKey: ["practice", packageId, "calls", learner, sco, attempt], refetchInterval: looks ? LOOK_MS : false,
    queryFn: () => take(api.GET("/api/practice/packages/{package_id}/learners/{learner}/calls", {
      params: { path: { package_id: packageId, learner }, query: { attempt, sco } },
    })),
  });
  const runs = repeats(log.data ?? []).reverse();
  return (
    <Card title={t("trackingCalls")} aside={<Text color="quiet" fontSize="13px">{log.data?.length ?? 0}</Text>}>
      <Box maxH={live ? undefined : "560px"} overflowY="auto" tabIndex={0} role="region" aria-label={t("logOfTrackingCalls")}>
        {!runs.length && <Text color="quiet">{t("noCallsYet")}</Text>}
        <Box as="ol" listStyleType="none">
          {runs.map((calls, index) => <Repeated key={runs.length - index} calls={calls} />)}
        </Box>
      </Box>
    </Card>
  );
}

/** The calls in runs: those that do the same to the same value, one right after the other. */
function repeats(calls: readonly Call[]): Call[][] {
  const runs: Call[][] = [];
  for (const call of calls) {
    const last = runs.at(-1);
    const alike = last?.[0]?.method === call.method && last[0].arguments[0] === call.arguments[0] && last[0].visit === call.visit;
    if (alike && call.error === last.at(-1)?.error) last.push(call);
    else runs.push([call]);
  }
  return runs;
}

/** A run of calls: the newest, and the others once they are asked for. */
function Repeated({ calls }: { calls: readonly Call[] }): ReactNode {
  const [open, setOpen] = useState(false);
  const newest = calls.at(-1);
  if (!newest) return null;
  return (
    <>
      <CallRow call={newest} />
      {calls.length > 1 && (
        <li>
          <QuietButton size="2xs" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? t("hideTheSameCallsBefore") : t("sameCallsBefore", { count: calls.length - 1 })}
          </QuietButton>
        </li>
      )}
      {open && calls.slice(0, -1).reverse().map((call, index) => <CallRow key={index} call={call} />)}
    </>
  );
}

function CallRow({ call }: { call: Call }): ReactNode {
  // In SCORM 2004 who asks for what has no value yet is told so (403): nothing went wrong.
  const refused = !["0", "", ...(call.method === "GetValue" ? ["403"] : [])].includes(call.error);
  return (
    <Box as="li" py="1.5" borderTopWidth="1px" data-refused={refused || undefined}>
      <Flex justify="space-between" gap="3">
        <Text color={refused ? "brick" : undefined}>{call.words}</Text>
        <Text color="quiet" fontSize="12px" flex="none">
          {t("visitVisit", { visit: call.visit })}{" "}{new Date(call.at).toLocaleTimeString("en-GB")}
        </Text>
      </Flex>
      <Text fontFamily="mono" fontSize="11.5px" color="quiet" wordBreak="break-all">
        {call.method === "statement" ? call.arguments[0] : <>{call.method}({call.arguments.map((argument) => JSON.stringify(argument)).join(", ")}) →{" "}
        {JSON.stringify(call.result)}{refused ? t("errorError", { error: call.error }) : ""}</>}
      </Text>
    </Box>
  );
}
