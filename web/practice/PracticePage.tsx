/** The practice LMS: its packages. */
import { Box, Flex, Grid, Heading, Link as ChakraLink, Progress, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2, Upload } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import { Link, useNavigate } from "react-router";
import { api, take, upload } from "../api/client";
import type { components } from "../api/api";
import { PageHeader } from "../kit/PageHeader";
import { Empty } from "../kit/Empty";
import { MainButton } from "../kit/MainButton";
import { QuietButton } from "../kit/QuietButton";
import { Tool } from "../kit/Tool";
import { sayDone, sayError } from "../kit/toaster";
import { ago, bytes, count } from "../kit/units";

type Package = components["schemas"]["PracticePackage"];

export function PracticePage(): ReactNode {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const picker = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);
  const [share, setShare] = useState(0);
  const packages = useQuery({
    queryKey: ["practice"], queryFn: () => take(api.GET("/api/practice/packages")),
  });
  const put = useMutation({
    mutationFn: (file: File) => {
      stop.current = new AbortController();
      return upload<Package>("/api/practice/packages", file, setShare, stop.current.signal);
    },
    onSuccess: (made) => void navigate(`/practice/${made.id}`),
    onError: sayError, onSettled: () => setShare(0),
  });
  const remove = useMutation({
    mutationFn: (made: Package) =>
      take(api.DELETE("/api/practice/packages/{package_id}", { params: { path: { package_id: made.id } } })),
    onSuccess: (_, made) => {
      void queries.invalidateQueries({ queryKey: ["practice"] });
      sayDone(`“${made.title}” was taken out, with all that was done in it.`);
    },
    onError: sayError,
  });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1000px" mx="auto" px="6" py="7">
        <Flex align="center" justify="space-between" mb="5" gap="4" wrap="wrap">
          <Box>
            <Heading as="h1" fontSize="30px">Practice LMS</Heading>
            <Text color="quiet">Launch packages as invented learners and see all that is tracked.</Text>
          </Box>
          <input
            ref={picker} type="file" accept=".zip" hidden aria-label="SCORM 1.2 package"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) put.mutate(file);
              event.target.value = "";
            }}
          />
          {put.isPending ? (
            <Flex align="center" gap="3" w="240px">
              <Progress.Root value={share * 100} size="sm" flex="1" aria-label="Sending the package">
                <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
              </Progress.Root>
              <QuietButton onClick={() => stop.current?.abort()}>Stop</QuietButton>
            </Flex>
          ) : (
            <MainButton onClick={() => picker.current?.click()}><Upload size={16} /> Put in a package</MainButton>
          )}
        </Flex>
        {packages.data?.length === 0 && (
          <Empty title="No packages yet" action={<MainButton onClick={() => picker.current?.click()}>Put in a package</MainButton>}>
            Put in any SCORM 1.2 package as a ZIP, or choose “Try it in the practice LMS” when you
            publish a course.
          </Empty>
        )}
        <Grid gap="3" as="ul" listStyleType="none">
          {packages.data?.map((made) => (
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
                  {count(made.files, "file")} · {bytes(made.size)} · put in {ago(made.created)} ·{" "}
                  {made.learners ? `tried by ${count(made.learners, "learner")}` : "not tried yet"}
                  {made.to_mark > 0 && (
                    <Text as="span" color="ink" fontWeight="600"> · {count(made.to_mark, "answer")} to mark</Text>
                  )}
                </Text>
              </Box>
              <Tool label={`Take out ${made.title}`} zIndex="1" onClick={() => { if (window.confirm(`Take out “${made.title}” with all its results? This cannot be undone.`)) remove.mutate(made); }}>
                <Trash2 size={16} />
              </Tool>
            </Flex>
          ))}
        </Grid>
      </Box>
    </Box>
  );
}
