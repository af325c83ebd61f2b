import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Upload } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import { attempt } from "../../store/commands";
import { addFile, PICTURES, PLAYING, takeFrom } from "../../store/media";
import { useCourse } from "../../store/store";
import { MainButton } from "../../../kit/MainButton";
import { QuietButton } from "../../../kit/QuietButton";
import { usePages } from "../../../kit/pages";
import { pause, TYPING_MS } from "../../../kit/pause";
import { Choose } from "../../../kit/Choose";
import { FileCard } from "./FileCard";
import { sendAll } from "./uploads";
import { t } from "../../../words/editor";
import { useFilePicker } from "../../../kit/useFilePicker";

/** So many files of the library come at once. */
const PAGE = 40;
const PLACES = [["course", t("thisCourse")], ["library", t("myLibrary")], ["drawings", t("drawings")]] as const;

/** Media: the course's files, the library for all courses, and the shipped drawings. */
export function MediaPanel(): ReactNode {
  const [place, setPlace] = useState<"course" | "library" | "drawings">("course");
  const [search, setSearch] = useState("");
  const { input, open } = useFilePicker({
    accept: `${PICTURES},${PLAYING}`, label: t("filesToAdd"), several: true, onFiles: (files) => sendAll(files, { place: false }),
  });
  return (
    <Box
      p="3" minH="100%" onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        sendAll([...event.dataTransfer.files], { place: false });
      }}
    >
      <Flex align="center" justify="space-between" mb="2">
        <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700">{t("media")}</Heading>
        <MainButton size="xs" onClick={open}><Upload size={14} />{t("addFiles")}</MainButton>
      </Flex>
      {input}
      <Choose label={t("from")} value={place} options={PLACES} onChange={setPlace} />
      <Input
        size="xs" bg="sheet" borderRadius="6px" my="1.5" placeholder={t("searchByNameOrTag")} aria-label={t("searchMedia")} maxLength={200}
        value={search} onChange={(event) => setSearch(event.target.value)}
      />
      {place === "course" && <CourseFiles search={search} />}
      {place === "library" && <Library search={search} />}
      {place === "drawings" && <Drawings search={search} />}
    </Box>
  );
}

function fits(search: string, ...words: string[]): boolean {
  const all = words.join(" ").toLowerCase();
  return search.toLowerCase().split(/\s+/).every((part) => all.includes(part));
}

function CourseFiles({ search }: { search: string }): ReactNode {
  const files = useCourse((state) => state.course.media);
  const slug = useCourse((state) => state.slug);
  const saved = useCourse((state) => state.versions);
  const [unusedOnly, setUnusedOnly] = useState(false);
  const use = useQuery({
    queryKey: ["media-use", slug, saved], placeholderData: (before) => before,
    queryFn: () => take(api.GET("/api/courses/{slug}/media-use", { params: { path: { slug } } })),
  }).data;
  const unused = files.filter((file) => use && !use[file.id]?.length);
  const shown = (unusedOnly ? unused : files).filter((file) => fits(search, file.name, ...file.tags));
  if (!files.length) {
    return (
      <Text color="quiet" fontSize="13px" py="4">
        {t("noFilesYetDropPictures")}
      </Text>
    );
  }
  return (
    <>
      {unused.length > 0 && (
        <QuietButton size="xs" mb="2" aria-pressed={unusedOnly} onClick={() => setUnusedOnly(!unusedOnly)}>
          {unusedOnly ? t("showAll") : t("unusedNotUsed", { unused: unused.length })}
        </QuietButton>
      )}
      {!shown.length && <Text color="quiet" fontSize="13px" py="2">{t("noMatch")}</Text>}
      {shown.map((file) => <FileCard key={file.id} file={file} use={use?.[file.id]} />)}
    </>
  );
}

function Library({ search }: { search: string }): ReactNode {
  const client = useQueryClient();
  const wanted = search.trim();
  const files = usePages(["library", wanted], PAGE, async (query, signal) => {
    if (wanted) await pause(TYPING_MS, signal);
    return take(api.GET("/api/library", { params: { query: { ...query, search: wanted } }, signal }));
  });
  if (!files.items) return files.below(t("moreFiles"));
  if (!files.items.length) {
    return (
      <Text color="quiet" fontSize="13px" py="4">
        {wanted ? t("noMatch") : t("nothingHereYetChooseAdd")}
      </Text>
    );
  }
  const remove = (id: number): Promise<void> => attempt(async () => {
    await take(api.DELETE("/api/library/{shared_id}", { params: { path: { shared_id: id } } }));
    await client.invalidateQueries({ queryKey: ["library"] });
  });
  return (
    <>
      {files.items.map(({ id, file, preview }) => (
        <Flex key={id} gap="2" py="1.5" align="center" borderBottomWidth="1px">
          {preview ? <img src={preview} alt="" width={56} height={42} loading="lazy" style={{ objectFit: "contain" }} /> : <Box w="56px" />}
          <Box flex="1" minW="0">
            <Text fontSize="13px" fontWeight="600" truncate>{file.name}</Text>
            <Flex gap="1.5" mt="1">
              <QuietButton size="2xs" px="2" onClick={() => void attempt(async () => addFile(await takeFrom({ shared: id }), null))}>{t("use")}</QuietButton>
              <QuietButton size="2xs" px="2" onClick={() => void remove(id)}>{t("remove2")}</QuietButton>
            </Flex>
          </Box>
        </Flex>
      ))}
      {files.below(t("moreFiles"))}
    </>
  );
}

const GROUPS = [["people", t("people")], ["backdrops", t("backdrops")], ["icons", t("icons")], ["plates", t("platesForButtons")]] as const;

function Drawings({ search }: { search: string }): ReactNode {
  const { data } = useQuery({ queryKey: ["drawings"], staleTime: Infinity, queryFn: () => take(api.GET("/api/drawings")) });
  return (
    <>
      <Text color="quiet" fontSize="12.5px" mb="1">{t("theyTakeTheColoursOf")}</Text>
      {GROUPS.map(([group, name]) => {
        const drawings = (data ?? []).filter((one) => one.group === group && fits(search, one.name, ...one.tags));
        if (!drawings.length) return null;
        const w = group === "backdrops" ? 112 : group === "icons" ? 44 : 68;
        return (
          <Box key={group} mb="3">
            <Text fontSize="12.5px" fontWeight="600" mb="1">{name}</Text>
            <Flex gap="1.5" wrap="wrap">
              {drawings.map((one) => (
                <Box
                  as="button" key={one.key} borderWidth="1px" borderRadius="6px" bg="sheet" p="1" title={one.name} aria-label={one.name}
                  _hover={{ borderColor: "spruce" }} onClick={() => void attempt(async () => addFile(await takeFrom({ drawing: one.key }), null))}
                >
                  <img src={one.url} alt="" width={w} height={group === "backdrops" ? w * 0.5625 : w} loading="lazy" style={{ objectFit: "contain" }} />
                </Box>
              ))}
            </Flex>
          </Box>
        );
      })}
    </>
  );
}
