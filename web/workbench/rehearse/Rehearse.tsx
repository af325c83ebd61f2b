import { Box, Flex, Text } from "@chakra-ui/react";
import { ArrowLeft, CircleHelp, RotateCcw, SkipBack } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Walkthrough } from "../../api/types";
import { step, start } from "../../player/engine/engine";
import { Index } from "../../player/engine/program";
import type { Value } from "../../player/engine/values";
import { acrossFrames, type AskedMessage, type RehearsalCommand } from "../../player/rehearsal";
import type { RehearsalMessage } from "../../player/tracking/rehearsalTracker";
import { compiledCourse, previewAddress } from "../store/compiled";
import { goToSlide, select, useCourse } from "../store/store";
import { editOverlay } from "../editor/stage/overlays";
import { Empty } from "../../kit/Empty";
import { QuietButton } from "../../kit/QuietButton";
import { EventLine } from "./EventLine";
import { Ledger } from "./Ledger";
import { momentOf, withMoment, type Moment } from "./moments";
import { RehearsalFrame, type Run } from "./RehearsalFrame";
import { eventsOf, Walkthroughs } from "./Walkthroughs";
import { WhyCard } from "./WhyCard";
import { why, type Reason } from "./why";
import { t } from "../../words/rehearse";

/** So many moments are kept. */
const LONGEST = 500;

/** What a thing of the program is called, as authors see it. */
function nameIn(index: Index | null, id: string): string {
  if (!index) return "something";
  const named = index.elements.get(id)?.draw ?? index.questions.get(id) ?? index.variables.get(id);
  const titled = index.overlays.get(id) ?? index.slides.get(id);
  return named?.name || titled?.title || "something";
}

/** Rehearse: the course live, in the very player that learners get, with the ledger beside it. */
export default function Rehearse(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const slides = useCourse((state) => state.slides);
  const order = useCourse((state) => state.course.slides);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const frame = useRef<HTMLIFrameElement>(null);
  /** The line and the position in it, for messages that come before the next drawing. */
  const position = useRef(-1);
  const line = useRef<readonly Moment[]>([]);
  const [run, setRun] = useState<Run | null>(null);
  const [problem, setProblem] = useState("");
  const [latest, setLatest] = useState<RehearsalMessage | null>(null);
  const [calls, setCalls] = useState<(readonly [string, string])[]>([]);
  const [moments, setMoments] = useState<readonly Moment[]>([]);
  /** The moment that is looked at; the latest where it is the last. */
  const [at, setAt] = useState(-1);
  const [index, setIndex] = useState<Index | null>(null);
  const [asking, setAsking] = useState(false);
  const [asked, setAsked] = useState<string | null>(null);
  const [starting, setStarting] = useState<Readonly<Record<string, Value>>>({});
  const here = search.get("from");
  const seed = search.get("seed");

  const name = (id: string): string => nameIn(index, id);

  function tell(command: RehearsalCommand): void {
    if (run) frame.current?.contentWindow?.postMessage(command, new URL(run.url).origin);
  }
  function go(moment: number): void {
    const there = moments[moment];
    if (!there) return;
    setAt(moment);
    setLatest(there.message);
    tell({ zigzag: "go", state: acrossFrames(there.state) });
  }
  function ask(on: boolean): void {
    setAsking(on);
    tell({ zigzag: "ask", on });
  }
  /** Play a walkthrough at full speed here, and let the slide follow to its end. */
  function play(walk: Walkthrough): void {
    if (!index) return;
    let state = start(index, walk.seed);
    const played: Moment[] = [];
    for (const event of eventsOf(walk)) {
      const log: Moment["log"][number][] = [];
      const [next, effects] = step(index, state, event, log);
      state = next;
      const message: RehearsalMessage = {
        zigzag: "rehearsal", state: acrossFrames(state), effects, calls: [], event, log,
        points: latest?.points ?? 0, maxPoints: index.ordered(state.draws).maxPoints, score: latest?.score ?? null,
      };
      if (event.event !== "tick" || log.length) played.push({ event, state, effects, log, message });
    }
    const end = played.at(-1);
    if (!end) return;
    setMoments(played);
    setAt(played.length - 1);
    setLatest(end.message);
    tell({ zigzag: "go", state: acrossFrames(end.state) });
  }
  function show(reason: Reason): void {
    const slide = reason.slide ?? (reason.element ? index?.home.get(reason.element) : undefined);
    if (slide && slides[slide]) {
      goToSlide(slide);
      editOverlay(reason.element ? index?.overlayOf.get(reason.element) ?? null : null);
      if (reason.element && slides[slide].elements.some(({ id }) => id === reason.element)) select([reason.element]);
    }
    void navigate(`/courses/${slug}/build`);
  }

  async function begin(from: string | null): Promise<void> {
    setProblem("");
    try {
      const program = await compiledCourse(slug);
      const url = await previewAddress(slug);
      setIndex(new Index(program));
      setMoments([]);
      setAt(-1);
      setAsked(null);
      setAsking(false);
      setLatest(null);
      setCalls([]);
      setRun({ url, from, seed, number: (run?.number ?? 0) + 1 });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : t("theRehearsalCouldNotBegin"));
    }
  }

  useEffect(() => {
    if (order.length) void begin(here);
    // Begins once when the mode is opened; after that by the buttons.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [slug]);

  useEffect(() => {
    function listen(event: MessageEvent): void {
      const message = event.data as RehearsalMessage | AskedMessage;
      if (event.source !== frame.current?.contentWindow) return;
      if (message?.zigzag === "asked") {
        setAsking(false);
        setAsked(message.element);
        return;
      }
      if (message?.zigzag !== "rehearsal") return;
      setLatest(message);
      const moment = momentOf(message);
      if (moment) {
        // What is done after stepping back begins another line from there.
        line.current = withMoment(line.current.slice(0, position.current + 1), moment).slice(-LONGEST);
        position.current = line.current.length - 1;
        setMoments(line.current);
        setAt(position.current);
      }
      setCalls((before) => [...before, ...message.calls]);
    }
    window.addEventListener("message", listen);
    return () => window.removeEventListener("message", listen);
  }, []);

  useEffect(() => { position.current = at; }, [at]);
  useEffect(() => { line.current = moments; }, [moments]);

  if (!order.length) {
    return (
      <Empty title={t("nothingToRehearseYet")} action={<QuietButton onClick={() => void navigate(`/courses/${slug}/build`)}><ArrowLeft size={16} />{t("backToBuild")}</QuietButton>}>
        {t("addASlideInBuild")}
      </Empty>
    );
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
          <QuietButton onClick={back}><ArrowLeft size={16} />{t("backToBuild")}</QuietButton>
          <Text fontWeight="700" flex="1" truncate>
            {current && `${order.indexOf(current) + 1} · ${slides[current]?.title ?? ""}`}
          </Text>
          {seed && <Text color="quiet" whiteSpace="nowrap">{t("learnerNumber", { seed })}</Text>}
          <QuietButton borderRadius="full" aria-pressed={asking} disabled={!run} bg={asking ? "sky.soft" : undefined} onClick={() => ask(!asking)}>
            <CircleHelp size={15} /> {asking ? t("clickAnElement") : t("why")}
          </QuietButton>
          <QuietButton borderRadius="full" disabled={!current} onClick={() => void begin(current)}>
            <RotateCcw size={15} />{t("fromThisSlide")}
          </QuietButton>
          <QuietButton borderRadius="full" onClick={() => void begin(null)}>
            <SkipBack size={15} />{t("fromTheStart")}
          </QuietButton>
        </Flex>
        {problem && <Text role="alert" color="brick">{problem}</Text>}
        <RehearsalFrame ref={frame} run={run} starting={starting} waits={!latest} from={here} />
        <EventLine moments={moments} at={at} name={name} index={index} onGo={go} />
      </Flex>
      <Box
        as="aside" w="300px" flex="none" borderLeftWidth="1px" bg="paper" overflowY="auto" aria-label={t("ledger")}
        tabIndex={0}
      >
        {asked && index && (
          <WhyCard
            of={asked === "next" ? t("next") : asked === "slide" ? t("theSlide") : `“${name(asked)}”`}
            reasons={why(index, moments.slice(0, at + 1), asked, name)} onShow={show} onClose={() => setAsked(null)}
          />
        )}
        <Ledger
          message={latest} calls={calls} onSet={(target, value) => tell({ zigzag: "do", event: { event: "set", target, value } })}
          index={index} onAsk={setAsked} starting={Object.keys(starting).length} onStarting={setStarting}
        />
        <Box px="3" pb="3"><Walkthroughs index={index} moments={moments.slice(0, at + 1)} onPlay={play} /></Box>
      </Box>
    </Flex>
  );
}
