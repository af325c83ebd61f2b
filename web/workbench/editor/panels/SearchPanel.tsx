/** Find and replace over the course: first the places, then the change. */
import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import { fileOf } from "../../../api/jobs";
import type { components } from "../../../api/api";
import { attempt } from "../../store/commands";
import { editCourse } from "../../store/edits";
import { saveAll } from "../../store/saver";
import { goToSlide, select, useCourse } from "../../store/store";
import { follow } from "../../../kit/jobs/work";
import { MainButton } from "../../../kit/MainButton";
import { sayDone } from "../../../kit/toaster";
import { Check } from "../../../kit/Check";
import { pause, TYPING_MS } from "../../../kit/pause";
import { Choose } from "../../../kit/Choose";
import { PaintField } from "../fields/PaintField";
import { t } from "../../../words/editor";

type Found = components["schemas"]["FoundOut"];
type FoundAll = components["schemas"]["FoundAll"];
type Edited = components["schemas"]["Edited"];
type What = components["schemas"]["FindIn"]["what"];

const NOTHING: FoundAll = { total: 0, places: [] };
const WHATS = [["texts", t("text")], ["names", t("elementNames")], ["alternatives", t("textAlternatives")], ["colours", t("colour")], ["fonts", t("font")]] as const;
const FONTS = [["heading", t("heading")], ["text", t("text")]] as const;

/** Searches texts, colours and fonts in the whole course, and replaces them. */
export function SearchPanel(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const saved = useCourse((state) => state.versions);
  const [what, setWhat] = useState<What>("texts");
  const [text, setText] = useState("");
  const [by, setBy] = useState("");
  const [match_case, setCase] = useState(false);
  const [whole_words, setWhole] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const query = { what, text, match_case, whole_words };
  const { data } = useQuery<FoundAll>({
    queryKey: ["find", slug, query, saved], enabled: text !== "", placeholderData: (before) => before,
    queryFn: async ({ signal }) => {
      // Who goes on typing asks for something else: what was asked before is given up.
      await pause(TYPING_MS, signal);
      await saveAll();
      return take(api.POST("/api/edits/find/{slug}", { params: { path: { slug } }, body: query, signal }));
    },
  });
  useEffect(() => setLeft(new Set()), [what, text, match_case, whole_words]);
  const found = text && data ? data : NOTHING;
  const chosen = found.total - left.size;

  function choose(next: What): void {
    setWhat(next);
    setText(next === "fonts" ? "heading" : next === "colours" ? "primary" : "");
    setBy(next === "fonts" ? "text" : next === "colours" ? "accent" : "");
  }

  const replace = (): Promise<void> => attempt(async () => {
    await saveAll();
    const body = { ...query, by, but: [...left] };
    const replaced = await editCourse({
      label: t("replace"),
      ask: async () => {
        const answer = await take(api.POST("/api/edits/replace/{slug}", { params: { path: { slug } }, body }));
        return "change" in answer ? answer : fileOf<Edited>(await follow(Promise.resolve(answer)));
      },
      then: () => ({ stored: true }),
    });
    if (replaced) sayDone(t("replacedInChosenCtrlZ", { chosen: t("places", { count: chosen }) }));
  });

  const worded = what === "texts" || what === "names" || what === "alternatives";
  return (
    <Box p="3" data-own-keys>
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" mb="2">{t("findAndReplace")}</Heading>
      <Choose label={t("searchFor")} value={what} options={WHATS} onChange={choose} />
      {worded && (
        <>
          <Input size="sm" bg="sheet" autoFocus value={text} onChange={(event) => setText(event.target.value)} placeholder={t("find")} aria-label={t("find")} my="1" />
          <Input size="sm" bg="sheet" value={by} onChange={(event) => setBy(event.target.value)} placeholder={t("replaceWith")} aria-label={t("replaceWith")} mb="1" />
          <Check label={t("matchCase")} value={match_case} onChange={setCase} />
          <Check label={t("wholeWordsOnly")} value={whole_words} onChange={setWhole} />
        </>
      )}
      {what === "colours" && (
        <>
          <PaintField label={t("find")} value={text} onChange={setText} />
          <PaintField label={t("replaceWith")} value={by} onChange={setBy} />
        </>
      )}
      {what === "fonts" && (
        <>
          <Choose label={t("find")} value={text as "heading"} options={FONTS} onChange={setText} />
          <Choose label={t("replaceWith")} value={by as "text"} options={FONTS} onChange={setBy} />
        </>
      )}
      <Flex align="center" justify="space-between" my="2" gap="2">
        <Text color="quiet" fontSize="13px" role="status">{text ? t("places", { count: found.total }) : ""}</Text>
        <MainButton size="xs" disabled={!chosen} onClick={() => void replace()}>
          {t("replaceInChosen", { chosen: t("places", { count: chosen }) })}
        </MainButton>
      </Flex>
      <Places found={found.places} left={left} onLeave={setLeft} />
    </Box>
  );
}

function Places(
  { found, left, onLeave }: { found: readonly Found[]; left: ReadonlySet<string>; onLeave: (left: ReadonlySet<string>) => void },
): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);
  function toggle(key: string): void {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    onLeave(next);
  }
  return found.map((place) => {
    const at = place.slide ? `${order.indexOf(place.slide) + 1} ${slides[place.slide]?.title ?? ""}` : t("theCourse");
    const name = slides[place.slide ?? ""]?.elements.find((element) => element.id === place.element)?.name;
    return (
      <Flex key={place.key} gap="2" py="1.5" borderBottomWidth="1px" align="flex-start" fontSize="13px">
        <input
          type="checkbox" checked={!left.has(place.key)} onChange={() => toggle(place.key)} aria-label={t("replaceInWhere", { where: at })}
          style={{ marginTop: 3, accentColor: "#1e5b4b" }}
        />
        <Box
          as="button" textAlign="left" minW="0" overflowWrap="anywhere"
          onClick={() => { if (place.slide) { goToSlide(place.slide); if (place.element) select([place.element]); } }}
        >
          <Text>{place.before}<b style={{ background: "#fdf0dc", color: "#22302b" }}>{place.match}</b>{place.after}</Text>
          <Text color="quiet" fontSize="12px">{at}{name ? ` · ${name}` : ""}</Text>
        </Box>
      </Flex>
    );
  });
}
