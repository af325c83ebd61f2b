import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Database, Trash2 } from "lucide-react";
import { type ReactNode } from "react";
import { Link, useNavigate } from "react-router";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { PageHeader } from "../kit/PageHeader";
import { Empty } from "../kit/Empty";
import { QuietButton } from "../kit/QuietButton";
import { Tool } from "../kit/Tool";
import { usePages } from "../kit/pages";
import { UploadButton } from "../kit/jobs/UploadButton";
import { sayDone, sayError } from "../kit/toaster";
import { ago, bytes } from "../kit/units";
import { t } from "../words/practice";

type Package = components["schemas"]["PracticePackage"];

const PAGE = 50;

/** The practice LMS: its packages. */
export default function PracticePage(): ReactNode {
  const queries = useQueryClient();
  const packages = usePages(["practice"], PAGE, (query) => take(api.GET("/api/practice/packages", { params: { query } })));
  const remove = useMutation({
    mutationFn: (made: Package) =>
      take(api.DELETE("/api/practice/packages/{package_id}", { params: { path: { package_id: made.id } } })),
    onSuccess: (_, made) => {
      void queries.invalidateQueries({ queryKey: ["practice"] });
      sayDone(t("titleWasRemovedWithAll", { title: made.title }));
    },
    onError: sayError,
  });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1000px" mx="auto" px="6" py="7">
        <Flex align="center" justify="space-between" mb="5" gap="4" wrap="wrap">
          <Box>
            <Heading as="h1" fontSize="30px">{t("practiceLms")}</Heading>
            <Text color="quiet">{t("launchPackagesAsInventedLearners")}</Text>
          </Box>
          <Flex gap="2">
            <QuietButton asChild><Link to="/practice/records"><Database size={16} />{t("recordStore")}</Link></QuietButton>
            <PutIn />
          </Flex>
        </Flex>
        {packages.items?.length === 0 && (
          <Empty title={t("noPackagesYet")} action={<PutIn />}>
            {t("addAnyScorm12")}
          </Empty>
        )}
        <Grid gap="3" as="ul" listStyleType="none">
          {packages.items?.map((made) => (
            <Flex
              as="li" key={made.id} bg="sheet" borderWidth="1px" borderRadius="card" px="4" py="3" align="center"
              position="relative" _hover={{ borderColor: "spruce" }}
            >
              <Box flex="1" minW="0">
                <Heading as="h2" fontSize="16px" truncate>
                  <ChakraLink asChild color="ink" _before={{ content: '""', position: "absolute", inset: 0 }}>
                    <Link to={`/practice/${made.id}`}>{made.title}</Link>
                  </ChakraLink>
                </Heading>
                <Text color="quiet" fontSize="13px">
                  {t("filesBytesAddedAgo", { files: t("files", { count: made.files }), bytes: bytes(made.size), ago: ago(made.created) })}{" "}
                  {made.learners ? t("triedByLearners", { learners: t("learners2", { count: made.learners }) }) : t("notTriedYet")}
                  {made.to_mark > 0 && (
                    <Text as="span" color="ink" fontWeight="600">{" "}{t("answersToMark", { answers: t("answers2", { count: made.to_mark }) })}</Text>
                  )}
                </Text>
              </Box>
              <Tool label={t("removeTitle", { title: made.title })} zIndex="1" onClick={() => { if (window.confirm(t("removeTitleWithAllIts", { title: made.title }))) remove.mutate(made); }}>
                <Trash2 size={16} />
              </Tool>
            </Flex>
          ))}
        </Grid>
        {packages.below(t("morePackages"))}
      </Box>
    </Box>
  );
}

function PutIn(): ReactNode {
  const navigate = useNavigate();
  return (
    <UploadButton
      main address="/api/practice/packages" accept=".zip" file="SCORM package"
      onDone={(job) => void navigate(`/practice/${job.result?.practice_package}`)}
    >
      {t("addAPackage")}
    </UploadButton>
  );
}
