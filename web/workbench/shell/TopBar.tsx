import { Box, chakra, Flex, Heading, IconButton, Input, Link as ChakraLink, Text } from "@chakra-ui/react";
import { ArrowLeft, Check, CloudOff, Flag, LoaderCircle } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Link, NavLink, useNavigate } from "react-router";
import { showPanel, usePanel } from "../editor/panels/panels";
import { useView } from "../editor/stage/view";
import { save } from "../store/saver";
import { changeCourse, useCourse } from "../store/store";
import { UserMenu } from "../../kit/UserMenu";
import { Tip } from "../../kit/Tip";
import { RefusedChanges } from "./RefusedChanges";
import { useCheck, useFindings, useTried } from "./useCheck";
import { t } from "../../words/shell";

const MODES = [["plan", t("plan")], ["build", t("build")], ["rehearse", t("rehearse")], ["publish", t("publish")]] as const;

/** Course, modes, whether all is saved, and what was found. */
export function TopBar({ mode }: { mode: string }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const title = useCourse((state) => state.course.title);
  return (
    <Flex as="header" h="48px" px="3" align="center" bg="paper" borderBottomWidth="1px" gap="3">
      <Flex flex="1" align="center" gap="2" minW="0">
        <Tip label={t("backToTheShelf")}>
          <IconButton asChild size="xs" variant="ghost" color="ink" aria-label={t("backToTheShelf")}>
            <Link to="/"><ArrowLeft size={18} /></Link>
          </IconButton>
        </Tip>
        <Heading as="h1" srOnly>{title}</Heading>
        <CourseTitle />
      </Flex>
      <Flex as="nav" gap="1" aria-label={t("modes")}>
        {MODES.map(([key, word]) => (
          <ChakraLink
            key={key} asChild px="3.5" py="1" borderRadius="card" color="quiet" fontWeight="600"
            _hover={{ bg: "spruce.soft", textDecoration: "none" }}
            css={{ "&[aria-current=page]": { bg: "spruce", color: "onSpruce" } }}
          >
            <NavLink to={`/courses/${slug}/${key}`}>{word}</NavLink>
          </ChakraLink>
        ))}
      </Flex>
      <Flex flex="1" justify="flex-end" align="center" gap="2">
        <SavingChip />
        <FindingsChip mode={mode} />
        <UserMenu />
      </Flex>
    </Flex>
  );
}

function CourseTitle(): ReactNode {
  const title = useCourse((state) => state.course.title);
  const [draft, setDraft] = useState<string | null>(null);

  function finish(): void {
    if (draft?.trim() && draft.trim() !== title) changeCourse(t("renameCourse"), { title: draft.trim() });
    setDraft(null);
  }

  return (
    <Input
      size="xs" variant="subtle" bg="transparent" aria-label={t("titleOfTheCourse")} maxLength={200}
      fontFamily="heading" fontWeight="700" fontSize="17px" maxW="340px" px="1.5"
      value={draft ?? title} onChange={(event) => setDraft(event.target.value)} onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setDraft(null);
      }}
    />
  );
}

function SavingChip(): ReactNode {
  const saving = useCourse((state) => state.saving);
  const dirty = useCourse((state) => state.dirty.size > 0 || state.past.some((entry) => entry.pending));
  if (saving.kind === "refused") return <RefusedChanges />;
  const unsaved = saving.kind === "unsaved";
  const [icon, words] = unsaved ? [<CloudOff size={14} key="i" />, t("notSavedYet")]
    : saving.kind === "saving" || dirty ? [<LoaderCircle size={14} key="i" />, t("saving")]
    : [<Check size={14} key="i" />, t("saved")];
  return (
    <Flex
      role="status" align="center" gap="1.5" px="3" py="1" borderRadius="full" fontSize="13px"
      bg={unsaved ? "brick.soft" : "table"} color={unsaved ? "brick" : "ink"} data-saving={saving.kind}
    >
      {icon}
      <Text title={unsaved ? saving.reason : undefined}>{words}</Text>
      {unsaved && (
        <Box as="button" textDecoration="underline" onClick={() => void save()}>{t("tryNow")}</Box>
      )}
    </Flex>
  );
}

function FindingsChip({ mode }: { mode: string }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const check = useCheck();
  const number = useFindings(check, useTried()).length;
  const shown = usePanel((state) => state.panel === "findings");
  const navigate = useNavigate();
  if (!number || mode === "publish") return null;
  const beside = mode === "build" || mode === "plan";
  return (
    <chakra.button
      type="button" px="3" py="1" borderRadius="full" bg="brick.soft" color="brick" fontSize="13px" fontWeight="600" display="flex" alignItems="center" gap="1.5"
      aria-pressed={beside ? shown : undefined}
      onClick={() => {
        showPanel(beside && shown ? "order" : "findings");
        useView.setState({ order: true });
        if (!beside) void navigate(`/courses/${slug}/build`);
      }}
    >
      <Flag size={14} aria-hidden /> {t("findings", { count: number })}
    </chakra.button>
  );
}
