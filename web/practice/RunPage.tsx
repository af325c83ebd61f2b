import { Box, Flex, Heading, Spinner, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { PanelRight } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { api, take } from "../api/client";
import { Empty } from "../kit/Empty";
import { MainButton } from "../kit/MainButton";
import { QuietButton } from "../kit/QuietButton";
import { CallLog } from "./CallLog";
import { mannerOf } from "./manners";

/** So long a package that is being closed may take to say its last words. */
const LAST_WORDS_MS = 700;

/** A package being run by a learner, with the log of its calls beside it. */
export function RunPage(): ReactNode {
  const { learner = "", ...rest } = useParams();
  const id = Number(rest.id);
  const [search] = useSearchParams();
  const [manner, inShort, words] = mannerOf(search.get("lms"));
  const navigate = useNavigate();
  const queries = useQueryClient();
  const frame = useRef<HTMLIFrameElement>(null);
  const [leaving, setLeaving] = useState(false);
  const [log, setLog] = useState(true);
  const launch = useQuery({
    queryKey: ["launch", id, learner], staleTime: Number.POSITIVE_INFINITY, gcTime: 0, retry: false,
    refetchOnWindowFocus: false, refetchOnReconnect: false,
    queryFn: () => take(api.POST("/api/practice/launches", { body: { package: id, learner } })),
  });
  const learners = useQuery({ queryKey: ["learners"], queryFn: () => take(api.GET("/api/practice/learners")) });

  useEffect(() => {
    function listen(event: MessageEvent): void {
      const message = event.data as { zigzag?: string; what?: string };
      if (event.source === frame.current?.contentWindow && message?.zigzag === "practice") {
        void queries.invalidateQueries({ queryKey: ["practice", id] });
        if (message.what === "crashed") void navigate(`/practice/${id}`);
      }
    }
    window.addEventListener("message", listen);
    return () => window.removeEventListener("message", listen);
  }, [id, queries, navigate]);

  function leave(): void {
    // Taking the frame away closes the package as closing its window would.
    setLeaving(true);
    window.setTimeout(() => {
      void queries.invalidateQueries({ queryKey: ["practice"] });
      void navigate(`/practice/${id}`);
    }, LAST_WORDS_MS);
  }

  function crash(): void {
    if (!launch.data) return;
    frame.current?.contentWindow?.postMessage({ zigzag: "practice", what: "crash" }, new URL(launch.data.url).origin);
  }

  const name = learners.data?.find((other) => other.key === learner)?.name ?? "";
  if (launch.isError) return <Empty title="It could not be launched">{launch.error.message}</Empty>;
  return (
    <Flex direction="column" h="100%">
      <Flex as="header" h="48px" px="4" gap="3" align="center" bg="paper" borderBottomWidth="1px">
        <Heading as="h1" fontSize="15px" fontFamily="body" flex="1" truncate>
          {name}
          {launch.data && (
            <Text as="span" color="quiet" fontWeight="400">
              {" "}· attempt {launch.data.attempt}{launch.data.resumed ? ", coming back" : ""}
            </Text>
          )}
        </Heading>
        <Text fontSize="13px" color={manner === "strict" ? "quiet" : "brick"} title={words}>The LMS is {inShort}</Text>
        <QuietButton title="The browser goes away without a last word" onClick={crash}>Crash</QuietButton>
        <QuietButton aria-pressed={log} onClick={() => setLog(!log)}><PanelRight size={16} /> Calls</QuietButton>
        <MainButton onClick={leave} loading={leaving}>Leave</MainButton>
      </Flex>
      <Flex flex="1" minH="0" as="main">
        <Box flex="1" minW="0" bg="table">
          {launch.data && !leaving && (
            <iframe
              ref={frame} title="The package" src={`${launch.data.url}#${manner}`} allow="autoplay; fullscreen"
              sandbox="allow-scripts allow-same-origin allow-forms allow-popups allow-modals"
              style={{ width: "100%", height: "100%", border: 0, display: "block" }}
            />
          )}
          {(!launch.data || leaving) && (
            <Flex h="100%" align="center" justify="center" role="status" aria-label="One moment"><Spinner color="spruce" /></Flex>
          )}
        </Box>
        {log && launch.data && (
          <Box as="aside" w="360px" flex="none" overflowY="auto" bg="paper" borderLeftWidth="1px" p="3" aria-label="Calls">
            <CallLog packageId={id} learner={learner} attempt={launch.data.attempt} live />
          </Box>
        )}
      </Flex>
    </Flex>
  );
}
