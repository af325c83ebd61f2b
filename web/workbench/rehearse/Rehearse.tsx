/** Rehearse: the course live, in the very player that learners get, with the ledger beside it. */
import { Box, Flex, Spinner, Text } from "@chakra-ui/react";
import { ArrowLeft, RotateCcw, SkipBack } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { api, take } from "../../api/client";
import type { RehearsalMessage } from "../../player/tracking/rehearsal";
import { saveAll } from "../store/saver";
import { goToSlide, useCourse } from "../store/store";
import { Empty, QuietButton } from "../ui/parts";
import { Ledger } from "./Ledger";

interface Run { url: string; from: string | null; number: number }

export function Rehearse(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const slides = useCourse((state) => state.slides);
  const order = useCourse((state) => state.course.slides);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const frame = useRef<HTMLIFrameElement>(null);
  const [run, setRun] = useState<Run | null>(null);
  const [problem, setProblem] = useState("");
  const [latest, setLatest] = useState<RehearsalMessage | null>(null);
  const [told, setTold] = useState<(readonly [string, string])[]>([]);
  const here = search.get("from");

  async function begin(from: string | null): Promise<void> {
    setProblem("");
    try {
      await saveAll();
      const { url } = await take(api.POST("/api/courses/{slug}/preview", { params: { path: { slug } } }));
      setLatest(null);
      setTold([]);
      setRun({ url, from, number: (run?.number ?? 0) + 1 });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : "The rehearsal could not begin.");
    }
  }

  useEffect(() => {
    if (order.length) void begin(here);
    // Begins once when the mode is opened; after that by the buttons.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [slug]);

  useEffect(() => {
    function listen(event: MessageEvent): void {
      const message = event.data as RehearsalMessage;
      if (event.source !== frame.current?.contentWindow || message?.zigzag !== "rehearsal") return;
      setLatest(message);
      setTold((before) => [...before, ...message.calls]);
    }
    window.addEventListener("message", listen);
    return () => window.removeEventListener("message", listen);
  }, []);

  if (!order.length) {
    return <Empty title="Nothing to rehearse yet">Add a slide in Build first.</Empty>;
  }
  const current = latest?.state.slide ?? null;
  function back(): void {
    // Back to Build where the rehearsal has come to.
    if (current && slides[current]) goToSlide(current);
    void navigate(`/courses/${slug}/build`);
  }
  return (
    <Flex h="100%">
      <Flex direction="column" flex="1" minW="0" bg="table" px="8" py="4" gap="3">
        <Flex gap="3" align="center">
          <QuietButton onClick={back}><ArrowLeft size={16} /> Back to Build</QuietButton>
          <Text fontWeight="700" flex="1" truncate>
            {current ? `${order.indexOf(current) + 1} · ${slides[current]?.title ?? ""}` : ""}
          </Text>
          <QuietButton borderRadius="full" disabled={!current} onClick={() => void begin(current)}>
            <RotateCcw size={15} /> From this slide
          </QuietButton>
          <QuietButton borderRadius="full" onClick={() => void begin(null)}>
            <SkipBack size={15} /> From the start
          </QuietButton>
        </Flex>
        {problem && <Text role="alert" color="brick">{problem}</Text>}
        <Box flex="1" minH="0" bg="sheet" borderRadius="card" overflow="hidden" boxShadow="0 1px 10px rgb(34 48 43 / 12%)">
          {run ? (
            <iframe
              key={run.number} ref={frame} title="The course" src={`${run.url}${run.from ? `#from=${run.from}` : ""}`}
              sandbox="allow-scripts allow-same-origin" style={{ width: "100%", height: "100%", border: 0 }}
            />
          ) : (
            <Flex h="100%" align="center" justify="center"><Spinner color="spruce" /></Flex>
          )}
        </Box>
      </Flex>
      <Box
        as="aside" w="300px" flex="none" borderLeftWidth="1px" bg="paper" overflowY="auto" aria-label="Ledger"
        tabIndex={0}
      >
        <Ledger message={latest} told={told} />
      </Box>
    </Flex>
  );
}
