import { Box, Flex, Heading, Spinner, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { PanelRight } from "lucide-react";
import { useCallback, useEffect, useRef, useState, type ReactNode } from "react";
import { useNavigate, useParams } from "react-router";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Empty } from "../kit/Empty";
import { MainButton } from "../kit/MainButton";
import { QuietButton } from "../kit/QuietButton";
import { packageAddress, useRunning } from "./addresses";
import { CallLog } from "./CallLog";
import { mannerOf } from "./manners";
import { OwnWindow } from "./OwnWindow";
import { t } from "../words/practice";

/** So long a package that is being closed may take to say its last words. */
const LAST_WORDS_MS = 700;
/** On a narrower page (px) the calls would cover the package: they are shown once asked for. */
const ROOM_FOR_CALLS = 760;

/** A package being run by a learner, with the log of its calls beside it. */
export default function RunPage(): ReactNode {
  const { learner = "", ...rest } = useParams();
  const id = Number(rest.id);
  const [how] = useRunning();
  const { manner, sco, apart, mode } = how;
  const [, inShort, words] = mannerOf(manner);
  const [log, setLog] = useState(() => window.innerWidth >= ROOM_FOR_CALLS);
  const launch = useQuery({
    queryKey: ["launch", id, sco, learner, mode], staleTime: Number.POSITIVE_INFINITY, gcTime: 0, retry: false,
    refetchOnWindowFocus: false, refetchOnReconnect: false,
    queryFn: () => take(api.POST("/api/practice/launches", { body: { package: id, learner, sco, mode } })),
  });
  const { running, leaving, leave, crash } = useRun(id, packageAddress(id, how), launch.data?.url);
  if (launch.isError) return <Empty title={t("itCouldNotBeLaunched")}>{launch.error.message}</Empty>;
  const url = launch.data && `${launch.data.url}#${manner}`;
  return (
    <Flex direction="column" h="100%">
      <Flex as="header" h="48px" px="4" gap="3" align="center" bg="paper" borderBottomWidth="1px">
        <Who learner={learner} launch={launch.data} />
        <Text display={{ base: "none", md: "block" }} fontSize="13px" color={manner === "strict" ? "quiet" : "brick"} title={words}>{t("theLmsIsInshort", { inShort })}</Text>
        <QuietButton title={t("theBrowserClosesWithoutA")} onClick={crash}>{t("crash")}</QuietButton>
        <QuietButton aria-pressed={log} onClick={() => setLog(!log)}><PanelRight size={16} />{t("calls")}</QuietButton>
        <MainButton onClick={leave} loading={leaving}>{t("leave")}</MainButton>
      </Flex>
      <Flex flex="1" minH="0" as="main">
        <Box flex="1" minW="0" bg="table">
          {(!url || leaving) && (
            <Flex h="100%" align="center" justify="center" role="status" aria-label={t("oneMoment")}><Spinner color="spruce" /></Flex>
          )}
          {url && !leaving && (apart ? <OwnWindow url={url} onWindow={(own) => { running.current = own; }} onClosed={leave} /> : (
            <iframe
              ref={(frame) => { running.current = frame?.contentWindow ?? null; }} title={t("thePackage")} src={url} allow="autoplay; fullscreen"
              sandbox="allow-scripts allow-same-origin allow-forms allow-popups allow-modals"
              style={{ width: "100%", height: "100%", border: 0, display: "block" }}
            />
          ))}
        </Box>
        {log && launch.data && (
          <Box as="aside" w={{ base: "100%", md: "360px" }} flex="none" overflowY="auto" bg="paper" borderLeftWidth="1px" p="3" aria-label={t("calls")}>
            <CallLog packageId={id} learner={learner} sco={sco} attempt={launch.data.attempt} live looks={launch.data.standard === "cmi5"} />
          </Box>
        )}
      </Flex>
    </Flex>
  );
}

function Who({ learner, launch }: { learner: string; launch: components["schemas"]["LaunchOut"] | undefined }): ReactNode {
  const learners = useQuery({ queryKey: ["learners"], queryFn: () => take(api.GET("/api/practice/learners")) });
  return (
    <Heading as="h1" fontSize="15px" fontFamily="body" flex="1" truncate>
      {learners.data?.find((other) => other.key === learner)?.name ?? ""}
      {launch && (
        <Text as="span" color="quiet" fontWeight="400">{" "}{t("attemptAttempt", { attempt: launch.attempt })}{launch.resumed ? t("comingBack") : ""}</Text>
      )}
    </Heading>
  );
}

/** What goes on between this page and the one around the package, in a frame or a window. */
function useRun(id: number, back: string, url: string | undefined) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const running = useRef<Window | null>(null);
  const [leaving, setLeaving] = useState(false);

  const goBack = useCallback((): void => {
    // The results of before the visit would look like the results of the visit.
    queries.removeQueries({ queryKey: ["practice", id] });
    void queries.invalidateQueries({ queryKey: ["practice"] });
    void navigate(back);
  }, [id, back, queries, navigate]);

  useEffect(() => {
    function listen(event: MessageEvent): void {
      const message = event.data as { zigzag?: string; what?: string };
      if (!event.source || event.source !== running.current || message?.zigzag !== "practice") return;
      if (message.what === "crashed") goBack();
      else void queries.invalidateQueries({ queryKey: ["practice", id] });
    }
    window.addEventListener("message", listen);
    return () => window.removeEventListener("message", listen);
  }, [id, queries, goBack]);

  const leave = useCallback((): void => {
    // Taking the frame or window away closes the package as closing its window would.
    setLeaving(true);
    window.setTimeout(goBack, LAST_WORDS_MS);
  }, [goBack]);

  function crash(): void {
    if (url) running.current?.postMessage({ zigzag: "practice", what: "crash" }, new URL(url).origin);
  }

  return { running, leaving, leave, crash };
}
