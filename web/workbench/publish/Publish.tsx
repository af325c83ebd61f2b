import { Box, Field, Flex, Grid, Heading, Stack, Text, Textarea } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState, type ReactNode } from "react";
import { Download } from "lucide-react";
import { useNavigate } from "react-router";
import { api, take } from "../../api/client";
import type { Finding } from "../../api/types";
import { save, saveAll } from "../store/saver";
import { goToSlide, select, useCourse } from "../store/store";
import { Card } from "../../kit/Card";
import { fetchAs } from "../../kit/download";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { follow } from "../../kit/jobs/work";
import { sayError } from "../../kit/toaster";
import { Findings } from "../shell/Findings";
import { trackingOf } from "../shell/useCheck";
import { CompletionCard } from "./CompletionCard";
import { KIND_WORDS, type PackageKind } from "./kinds";
import { Kinds, useKind } from "./Kinds";
import { PackageSize } from "./PackageSize";
import { Packages } from "./Packages";
import { ProgressSize, roomOf, TooLong } from "./ProgressSize";
import { WhatIsTold } from "./Told";
import { t } from "../../words/publish";

/** A package to make; `asked` where the author knows that its progress may be too long. */
interface Wish { kind: PackageKind; asked?: boolean }

const LOOKING = <Text color="quiet">{t("theCourseIsBeingChecked")}</Text>;

/** Publish: what is promised to an LMS, what was found, and the packages. */
export default function Publish(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [made, setMade] = useState<number | null>(null);
  const [kind, setKind] = useKind();
  const [note, setNote] = useState("");
  /** Whether the author is asked about progress that is too long for the standard. */
  const [asking, setAsking] = useState(false);
  const path = { params: { path: { slug } } };
  const saved = useCourse((state) => state.versions);
  const measured = useQuery({ ...trackingOf(slug, saved), placeholderData: (before) => before });
  const tracking = measured.data;
  const looking = measured.error ? <Text role="alert">{measured.error.message}</Text> : LOOKING;
  const publish = useMutation({
    mutationFn: async ({ kind, asked }: Wish) => {
      await saveAll();
      if (!asked && await mayBeTooLong(kind)) return null;
      return follow(take(api.POST("/api/courses/{slug}/packages", { ...path, body: { kind, note } })));
    },
    onSuccess: (done) => {
      setAsking(!done);
      if (!done) return;
      setMade(done.result?.package ?? null);
      setNote("");
      void queries.invalidateQueries({ queryKey: ["packages", slug] });
    },
    onError: sayError,
  });
  useEffect(() => { void save(); }, [slug]);

  /** Whether saved progress may be too long for the standard. What cannot be measured is not asked about. */
  async function mayBeTooLong(kind: PackageKind): Promise<boolean> {
    try {
      const found = await queries.ensureQueryData(trackingOf(slug, useCourse.getState().versions));
      return (roomOf(found, kind)?.left_out.length ?? 0) > 0;
    } catch {
      return false;
    }
  }

  function show({ slide, element }: Finding): void {
    goToSlide(slide ?? null);
    if (element) select([element]);
    void navigate(`/courses/${slug}/build`);
  }

  return (
    <Box h="100%" overflowY="auto" bg="table">
      <Heading as="h2" fontSize="26px" maxW="1160px" mx="auto" px="6" pt="6">{t("publish")}</Heading>
      <Grid
        templateColumns="minmax(0, 5fr) minmax(0, 6fr)" gap="6" maxW="1160px" mx="auto" px="6" py="4"
      >
        <Stack gap="4">
          <CompletionCard />
          <Card title={t("reportedToTheLms")}>
            {!tracking && looking}
            <Stack as="ul" gap="1.5" listStyleType="none">
              {tracking?.promise.map((sentence) => <Text as="li" key={sentence}>{sentence}</Text>)}
            </Stack>
          </Card>
          <Card title={t("savedProgress")}>
            {tracking ? <ProgressSize tracking={tracking} kind={kind} /> : looking}
          </Card>
          <Card title={t("sizeOfThePackage")}>{tracking ? <PackageSize weight={tracking.weight} /> : looking}</Card>
          <Card title={t("storyboard")}>
            <Text mb="2">{t("helpStoryboard")}</Text>
            <Flex gap="2">
              {(["xlsx", "csv"] as const).map((form) => (
                <QuietButton key={form} size="xs" aria-label={t("storyboardAs", { form: form.toUpperCase() })} onClick={() => void save().then(() => fetchAs(`/api/courses/${slug}/storyboard.${form}`))}>
                  <Download size={14} />{form.toUpperCase()}
                </QuietButton>
              ))}
            </Flex>
          </Card>
        </Stack>
        <Stack gap="4">
          <Card title={t("makeAPackage")}>
            <Kinds kind={kind} onKind={(next) => { setAsking(false); setKind(next); }} />
            <Field.Root mt="3">
              <Field.Label fontSize="13px" color="quiet" fontWeight="400">{t("whatIsNew")}</Field.Label>
              <Textarea size="sm" rows={2} maxLength={1_000} autoresize value={note} onChange={(event) => setNote(event.currentTarget.value)} placeholder={t("whatIsNewHint")} />
            </Field.Root>
            <MainButton
              mt="3" loading={publish.isPending} loadingText={tracking ? undefined : t("measuringSavedProgress")}
              onClick={() => publish.mutate({ kind })}
            >
              {t("publishAs", { kind: KIND_WORDS[kind] })}
            </MainButton>
          </Card>
          {tracking && asking && (
            <TooLong
              tracking={tracking} kind={kind} onCancel={() => setAsking(false)}
              onPublish={() => { setAsking(false); publish.mutate({ kind, asked: true }); }}
            />
          )}
          <WhatIsTold kind={kind} latest={made} />
          <Card title={t("findings")}><Findings pause={0} onShow={show} /></Card>
          <Packages latest={made} />
        </Stack>
      </Grid>
    </Box>
  );
}
