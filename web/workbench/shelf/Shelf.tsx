import { Box, Flex, Grid, Heading, Input, Skeleton } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { api, take } from "../../api/client";
import { Empty } from "../../kit/Empty";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { usePages } from "../../kit/pages";
import { PageHeader } from "../../kit/PageHeader";
import { UploadButton } from "../../kit/jobs/UploadButton";
import { sayDone, sayError } from "../../kit/toaster";
import { CourseCard } from "./CourseCard";
import { t } from "../../words/shelf";

const PAGE = 24;

/** The shelf: all courses, each with a picture of its first slide. */
export function Shelf(): ReactNode {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const courses = usePages(["courses"], PAGE, (query) => take(api.GET("/api/courses", { params: { query } })));
  const cards = courses.items;
  const [naming, setNaming] = useState(false);
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ["courses"] });

  const create = useMutation({
    mutationFn: (body: { title: string; dialogue: boolean }) => take(api.POST("/api/courses", { body })),
    onSuccess: (card, { dialogue }) => { void refresh(); void navigate(`/courses/${card.slug}/build`, { state: { dialogue } }); },
    onError: sayError,
  });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1182px" mx="auto" px="6" py="7">
        <Flex align="center" justify="space-between" mb="6" gap="4" wrap="wrap">
          <Heading as="h1" fontSize="30px">{t("courses")}</Heading>
          <Flex gap="2">
            <UploadButton
              address="/api/courses/import" accept=".zigzag,.zip" file="Course archive"
              onDone={(job) => { void refresh(); sayDone(t("titleIsOnTheShelf", { title: job.result?.title })); }}
            >
              {t("import")}
            </UploadButton>
            <MainButton onClick={() => setNaming(true)}><Plus size={16} />{t("newCourse")}</MainButton>
          </Flex>
        </Flex>
        {naming && (
          <NewCourse
            busy={create.isPending} onCreate={(title, dialogue) => create.mutate({ title, dialogue })}
            onCancel={() => setNaming(false)}
          />
        )}
        {cards?.length === 0 && !naming && (
          <Empty
            title={t("theShelfIsEmpty")}
            action={<MainButton onClick={() => setNaming(true)}>{t("makeTheFirstCourse")}</MainButton>}
          >
            {t("aCourseIsASeries")}
          </Empty>
        )}
        <Grid templateColumns="repeat(auto-fill, 362px)" gap="6" as="ul" listStyleType="none">
          {courses.isPending && [1, 2, 3].map((n) => <Skeleton as="li" key={n} h="250px" />)}
          {cards?.map((card) => (
            <CourseCard key={card.slug} card={card} onChanged={() => void refresh()} />
          ))}
        </Grid>
        {courses.below(t("moreCourses"))}
      </Box>
    </Box>
  );
}

function NewCourse(
  { busy, onCreate, onCancel }: {
    busy: boolean; onCreate: (title: string, dialogue: boolean) => void; onCancel: () => void;
  },
): ReactNode {
  const [title, setTitle] = useState("");
  return (
    <Box bg="sheet" borderWidth="1px" borderRadius="card" p="5" mb="6">
      <form onSubmit={(event) => { event.preventDefault(); onCreate(title.trim(), false); }}>
        <Flex gap="3" align="center">
          <Input
            autoFocus size="lg" placeholder={t("whatIsTheCourseCalled")} aria-label={t("title")}
            value={title} onChange={(event) => setTitle(event.target.value)} maxLength={200}
            onKeyDown={(event) => { if (event.key === "Escape") onCancel(); }}
          />
          <MainButton type="submit" size="lg" disabled={!title.trim()} loading={busy}>{t("create")}</MainButton>
          <QuietButton size="lg" disabled={!title.trim() || busy} onClick={() => onCreate(title.trim(), true)}>{t("createWithDialogue")}</QuietButton>
          <QuietButton size="lg" onClick={onCancel}>{t("cancel")}</QuietButton>
        </Flex>
      </form>
    </Box>
  );
}
