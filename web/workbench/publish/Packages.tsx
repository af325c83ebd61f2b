import { Box, Flex, List, Text } from "@chakra-ui/react";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Download, FolderOpen, GraduationCap } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { api, take } from "../../api/client";
import { useCourse } from "../store/store";
import { Card } from "../../kit/Card";
import { QuietButton } from "../../kit/QuietButton";
import { follow } from "../../kit/jobs/work";
import { sayError } from "../../kit/toaster";
import { ago, bytes } from "../../kit/units";
import { isForLms, KIND_WORDS } from "./kinds";
import { t } from "../../words/publish";

/** The packages made of this course: get them, look into them, try them. */
export function Packages({ latest }: { latest: number | null }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const navigate = useNavigate();
  const [open, setOpen] = useState<number | null>(null);
  const packages = useQuery({
    queryKey: ["packages", slug],
    queryFn: () => take(api.GET("/api/courses/{slug}/packages", { params: { path: { slug } } })),
  });
  const tryIt = useMutation({
    mutationFn: (publication: number) =>
      follow(take(api.POST("/api/practice/packages/from-publication", { body: { publication } }))),
    onSuccess: (made) => void navigate(`/practice/${made.result?.practice_package}`),
    onError: sayError,
  });
  return (
    <Card title={t("packages")}>
      {packages.data?.length === 0 && (
        <Text color="quiet">{t("noneYetAPackageStays")}</Text>
      )}
      {packages.data?.map((made) => (
        <Box key={made.id} py="2.5" borderTopWidth="1px" data-package={made.kind}>
          <Flex align="center" gap="2" wrap="wrap">
            <Box flex="1" minW="180px">
              <Text fontWeight="600">
                {t("packageNumber", { number: made.number })}{" · "}{KIND_WORDS[made.kind]}{made.id === latest ? t("justMade") : ""}
              </Text>
              <Text color="quiet" fontSize="13px">
                {t("slides", { count: made.slides })} · {bytes(made.size)} · {ago(made.created)}
              </Text>
              {made.note && <Text fontSize="14px" whiteSpace="pre-wrap">{made.note}</Text>}
            </Box>
            <QuietButton size="xs" aria-expanded={open === made.id} onClick={() => setOpen(open === made.id ? null : made.id)}>
              <FolderOpen size={14} />{t("contents")}
            </QuietButton>
            <QuietButton size="xs" asChild>
              <a href={`/api/packages/${made.id}/file`}><Download size={14} />{" "}{t("download")}</a>
            </QuietButton>
            {isForLms(made.kind) && (
              <QuietButton size="xs" color="spruce" loading={tryIt.isPending} onClick={() => tryIt.mutate(made.id)}>
                <GraduationCap size={14} />{t("tryItInThePractice")}
              </QuietButton>
            )}
          </Flex>
          {made.number > 1 && <Changes changes={made.changes} before={made.number - 1} />}
          {open === made.id && <Contents id={made.id} />}
        </Box>
      ))}
    </Card>
  );
}

/** What is different from the package before, in words. */
function Changes({ changes, before }: { changes: readonly string[]; before: number }): ReactNode {
  if (!changes.length) return <Text fontSize="13px" color="quiet">{t("sameAsBefore", { number: before })}</Text>;
  return (
    <Box fontSize="13px" mt="1">
      <Text color="quiet">{t("changedSince", { count: changes.length, number: before })}</Text>
      <List.Root ps="5">{changes.map((words) => <List.Item key={words}>{words}</List.Item>)}</List.Root>
    </Box>
  );
}

function Contents({ id }: { id: number }): ReactNode {
  const contents = useQuery({
    queryKey: ["package", id], staleTime: Number.POSITIVE_INFINITY,
    queryFn: () => take(api.GET("/api/packages/{package_id}", { params: { path: { package_id: id } } })),
  });
  return (
    <Box as="ul" listStyleType="none" mt="2" fontSize="13px" maxH="220px" overflowY="auto" bg="paper" p="2" borderRadius="6px" tabIndex={0} aria-label={t("filesInThePackage")}>
      {contents.data?.files.map((file) => (
        <Flex as="li" key={file.path} justify="space-between" gap="3">
          <Text truncate>{file.path}</Text><Text color="quiet" flex="none">{bytes(file.size)}</Text>
        </Flex>
      ))}
    </Box>
  );
}

