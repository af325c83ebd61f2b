import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Download } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Card } from "../kit/Card";
import { Check } from "../kit/Check";
import { download } from "../kit/download";
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
  const [wanted, setWanted] = useState("");
  const [refusedOnly, setRefusedOnly] = useState(false);
  const calls = (log.data ?? []).filter((call) => (!refusedOnly || isRefused(call)) && isAbout(call, wanted));
  const runs = repeats(calls).reverse();
  const save = (): void => download(
    new Blob([JSON.stringify(log.data ?? [], null, 1)], { type: "application/json" }), `calls-${packageId}-${learner}-${attempt}.json`,
  );
  return (
    <Card title={t("trackingCalls")} aside={<Text color="quiet" fontSize="13px">{calls.length}</Text>}>
      {!!log.data?.length && (
        <Flex gap="3" align="center" mb="2" wrap="wrap">
          <Input size="xs" w="150px" placeholder={t("filterCalls")} aria-label={t("filterCalls")} value={wanted} onChange={(event) => setWanted(event.currentTarget.value)} />
          <Check label={t("refusedOnly")} value={refusedOnly} onChange={setRefusedOnly} />
          <QuietButton size="xs" ml="auto" onClick={save}><Download size={14} />{t("saveAsJson")}</QuietButton>
        </Flex>
      )}
      <Box maxH={live ? undefined : "560px"} overflowY="auto" tabIndex={0} role="region" aria-label={t("logOfTrackingCalls")}>
        {!runs.length && <Text color="quiet">{log.data?.length ? t("noCallIsLikeThat") : t("noCallsYet")}</Text>}
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

/** In SCORM 2004 who asks for what has no value yet is told so (403): nothing went wrong. */
function isRefused({ method, error }: Call): boolean {
  return !["0", "", ...(method === "GetValue" ? ["403"] : [])].includes(error);
}

/** Whether a call, in words or raw, has all of the words that are looked for. */
function isAbout({ words, method, arguments: given, result }: Call, wanted: string): boolean {
  const said = [words, method, ...given, result].join(" ").toLowerCase();
  return wanted.toLowerCase().split(/\s+/).every((word) => said.includes(word));
}

function CallRow({ call }: { call: Call }): ReactNode {
  const refused = isRefused(call);
  return (
    <Box as="li" py="1.5" borderTopWidth="1px" data-refused={refused || undefined}>
      <Flex justify="space-between" gap="3">
        <Text color={refused ? "brick" : undefined}>{call.words}</Text>
        <Text color="quiet" fontSize="12px" flex="none">
          {t("visitVisit", { visit: call.visit })}{" "}{new Date(call.at).toLocaleTimeString("en-GB")}
        </Text>
      </Flex>
      {call.method === "statement" ? <Raw statement={call.arguments[0] ?? ""} /> : (
        <Text fontFamily="mono" fontSize="11.5px" color="quiet" wordBreak="break-all">
          {call.method}({call.arguments.map((argument) => JSON.stringify(argument)).join(", ")}) →{" "}
          {JSON.stringify(call.result)}{refused ? t("errorError", { error: call.error }) : ""}
        </Text>
      )}
    </Box>
  );
}

/** A statement as it was kept, once it is asked for: it may be long. */
function Raw({ statement }: { statement: string }): ReactNode {
  return (
    <Box as="details" fontSize="11.5px" color="quiet" data-statement={statement}>
      <Box as="summary" cursor="pointer">{t("statement")}</Box>
      <Text fontFamily="mono" whiteSpace="pre-wrap" wordBreak="break-all">{JSON.stringify(JSON.parse(statement), null, 1)}</Text>
    </Box>
  );
}
