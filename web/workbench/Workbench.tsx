import { Box, Center, Flex, Spinner } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useMemo, useState, type ReactNode } from "react";
import { Navigate, useParams } from "react-router";
import { Build } from "./editor/BuildMode";
import { ConflictDialog } from "./shell/ConflictDialog";
import { startPulling } from "./store/pulling";
import { open, startSaving } from "./store/saver";
import { close, useCourse } from "./store/store";
import { useLost } from "./shell/useLost";
import { TopBar } from "./shell/TopBar";
import { SpeechContext, speechIn } from "../player/render/speech";
import { Boundary } from "../kit/Boundary";
import { Empty } from "../kit/Empty";
import { QuietButton } from "../kit/QuietButton";
import { t } from "../words/shell";

/** Fetched when they are first looked at: Build comes first. */
const Plan = lazy(() => import("./plan/Plan"));
const Rehearse = lazy(() => import("./rehearse/Rehearse"));
const Publish = lazy(() => import("./publish/Publish"));

const MODES = { plan: Plan, build: Build, rehearse: Rehearse, publish: Publish };

/** Where one course is made: the top bar, and the mode that was chosen. */
export default function Workbench(): ReactNode {
  const { slug = "", mode = "build" } = useParams();
  const loaded = useCourse((state) => state.slug === slug);
  const language = useCourse((state) => state.course?.language ?? "en");
  const speech = useMemo(() => speechIn(language), [language]);
  useLost();
  const [problem, setProblem] = useState("");
  const [attempt, setAttempt] = useState(0);

  useEffect(() => {
    setProblem("");
    // A course is fetched afresh whenever the workbench is opened.
    close();
    open(slug).catch((error: unknown) => {
      setProblem(error instanceof Error ? error.message : t("theCourseCannotBeOpened"));
    });
    const [stopSaving, stopPulling] = [startSaving(), startPulling()];
    return () => {
      stopPulling();
      stopSaving();
    };
  }, [slug, attempt]);

  if (problem) {
    return (
      <Empty
        title={t("theCourseCannotBeOpened2")}
        action={<QuietButton onClick={() => setAttempt(attempt + 1)}>{t("tryAgain")}</QuietButton>}
      >
        {problem}
      </Empty>
    );
  }
  if (!loaded) {
    return <Loading />;
  }
  if (!(mode in MODES)) return <Navigate to="../build" relative="path" replace />;
  const Mode = MODES[mode as keyof typeof MODES];
  return (
    <SpeechContext.Provider value={speech}>
      <Flex direction="column" h="100%" minW="1024px">
        <TopBar mode={mode} />
        <Box flex="1" minH="0" as="main"><Boundary at={mode}><Suspense fallback={<Loading />}><Mode /></Suspense></Boundary></Box>
        <ConflictDialog />
      </Flex>
    </SpeechContext.Provider>
  );
}

function Loading(): ReactNode {
  return <Center h="100%" role="status" aria-label={t("loading")}><Spinner color="spruce" /></Center>;
}
