import { Center, Spinner } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, type ReactNode } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { api, take } from "../api/client";
import { askEarly } from "../api/early";
import { Shelf } from "../workbench/shelf/Shelf";
import { Boundary } from "../kit/Boundary";
import { Empty } from "../kit/Empty";
import { QuietButton } from "../kit/QuietButton";
import { followFoundWork } from "./foundWork";
import { t } from "../words/app";

const fetchWorkbench = (): Promise<typeof import("../workbench/Workbench")> => import("../workbench/Workbench");
const Workbench = lazy(fetchWorkbench);
const PracticePage = lazy(() => import("../practice/PracticePage"));
const PackagePage = lazy(() => import("../practice/PackagePage"));
const RecordsPage = lazy(() => import("../practice/RecordsPage"));
const RunPage = lazy(() => import("../practice/RunPage"));
const ReportsPage = lazy(() => import("../post/ReportsPage"));
const RoomPage = lazy(() => import("../post/RoomPage"));
const BanksPage = lazy(() => import("../banks/BanksPage"));
const Account = lazy(() => import("./account/Account"));
const SignedOut = lazy(() => import("./SignedOut"));
// Where they will be needed its code and the course come while the session is asked for.
const opened = /^\/courses\/([^/]+)/.exec(window.location.pathname)?.[1];
if (opened) {
  void fetchWorkbench();
  askEarly(opened);
}

const waiting = <Center h="100%" role="status" aria-label={t("loading")}><Spinner color="spruce" /></Center>;

/** Which page stands at which address; nothing but signing in without a session. */
export function App(): ReactNode {
  const session = useQuery({
    queryKey: ["session"], queryFn: () => take(api.GET("/api/session")), staleTime: 60_000,
  });
  const queries = useQueryClient();
  const { pathname } = useLocation();
  const name = session.data?.name;
  useEffect(() => { if (name) followFoundWork(queries); }, [name, queries]);
  if (session.isPending) return waiting;
  if (session.isError) {
    return (
      <Empty
        title={t("zigzagCannotBeReached")}
        action={<QuietButton onClick={() => void session.refetch()}>{t("tryAgain")}</QuietButton>}
      >
        {t("theServerDoesNotAnswer")}
      </Empty>
    );
  }
  // A mail for a new password is opened in whatever browser, also where somebody is signed in.
  if (!session.data.name || pathname.startsWith("/reset/")) return <Boundary at={pathname}><Suspense fallback={waiting}><SignedOut /></Suspense></Boundary>;
  return (
    <Boundary at={pathname}><Suspense fallback={waiting}>
      <Routes>
        <Route path="/" element={<Shelf />} />
        <Route path="/account" element={<Account />} />
        <Route path="/courses/:slug/reports" element={<ReportsPage />} />
        <Route path="/banks" element={<BanksPage />} />
        <Route path="/post-room" element={<RoomPage />} />
        <Route path="/courses/:slug/:mode" element={<Workbench />} />
        <Route path="/courses/:slug" element={<Navigate to="build" replace />} />
        <Route path="/practice" element={<PracticePage />} />
        <Route path="/practice/records" element={<RecordsPage />} />
        <Route path="/practice/:id" element={<PackagePage />} />
        <Route path="/practice/:id/run/:learner" element={<RunPage />} />
        <Route
          path="*"
          element={<Empty title={t("thereIsNothingAtThis")}>{t("goBackToTheShelf")}</Empty>}
        />
      </Routes>
    </Suspense></Boundary>
  );
}
