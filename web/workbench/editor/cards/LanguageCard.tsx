import { Box, Input, Stack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import { LANGUAGES, WORDS } from "../../../api/tables";
import { Choose } from "../../../kit/Choose";
import { FoldCard } from "../../../kit/FoldCard";
import { Fold } from "../../../kit/Fold";
import { Labelled } from "../../../kit/Labelled";
import { directionOf, type Word } from "../../../player/engine/words";
import { t } from "../../../words/editor";
import { changeCourse, useCourse } from "../../store/store";

type Spoken = (typeof LANGUAGES)[number];
/** The names of the languages that the player speaks; in others it speaks English. */
const NAMES: Readonly<Record<Spoken, string>> = { en: t("english"), de: t("german"), fr: t("french"), es: t("spanish"), ar: t("arabic") };
const SPOKEN = LANGUAGES.map((code) => [code, NAMES[code]] as const);
const TAG = /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/;
const LONGEST = 400;
const KEYS = Object.keys(WORDS) as Word[];

/** The course's language, and the player's words in it. */
export function LanguageCard(): ReactNode {
  const language = useCourse((state) => state.course.language);
  const [other, setOther] = useState(false);
  const known = SPOKEN.some(([code]) => code === language);
  const isOther = other || !known;
  return (
    <FoldCard title={t("language")} starts="closed">
      <Choose
        label={t("languageOfTheCourse")} value={isOther ? "" : language} options={[...SPOKEN, ["", t("anotherLanguage")]]}
        help={t("thePlayerSpeaksThisLanguage")}
        onChange={(code) => { setOther(code === ""); if (code) changeCourse(t("language"), { language: code }); }}
      />
      {isOther && (
        <Labelled label={t("languageCode")} help={t("aLanguageTagSuchAs")}>
          <Input
            key={language} size="xs" bg="paper" borderRadius="6px" defaultValue={language} aria-label={t("languageCode")} maxLength={40}
            onBlur={(event) => {
              const value = event.target.value.trim();
              if (TAG.test(value)) changeCourse(t("language"), { language: value });
              else event.target.value = language;
            }}
          />
        </Labelled>
      )}
      {directionOf(language) === "rtl" && (
        <Text fontSize="12.5px" color="quiet" my="1.5">{t("textRunsFromRightTo")}</Text>
      )}
      <Fold title={t("playersWords")}><PlayerWords language={language} /></Fold>
    </FoldCard>
  );
}

/** Each text that the player itself shows or says, as it is in this language, to be replaced. */
function PlayerWords({ language }: { language: string }): ReactNode {
  const own = useCourse((state) => state.course.words);
  const [wanted, setWanted] = useState("");
  const { data: usual } = useQuery({
    queryKey: ["player-words", language], staleTime: Infinity,
    queryFn: () => take(api.GET("/api/player-words/{language}", { params: { path: { language } } })),
  });
  if (!usual) return <Text fontSize="12.5px" color="quiet">{t("loadingTheWords")}</Text>;
  const looked = wanted.trim().toLowerCase();
  const found = KEYS.filter((key) => (
    [WORDS[key], usual[key], own[key]].some((text) => text?.toLowerCase().includes(looked))
  ));
  function change(key: Word, text: string): void {
    const { [key]: before, ...others } = own;
    if ((before ?? "") === text) return;
    changeCourse(t("playersWords"), { words: text ? { ...others, [key]: text } : others });
  }
  return (
    <Stack gap="1.5">
      <Input
        size="xs" bg="paper" borderRadius="6px" type="search" value={wanted} aria-label={t("findAWordOfThe")} placeholder={t("findAWordOfThe")}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Text fontSize="12.5px" color="quiet">{t("whatIsEmptyStaysAs")}</Text>
      <Box maxH="360px" overflowY="auto" role="list" aria-label={t("playersWords")}>
        {found.map((key) => (
          <Box key={key} role="listitem" py="1">
            {language !== "en" && <Text fontSize="12px" color="quiet">{WORDS[key]}</Text>}
            <Input
              key={own[key] ?? ""} size="xs" bg="paper" borderRadius="6px" dir={directionOf(language)} maxLength={LONGEST}
              defaultValue={own[key] ?? ""} placeholder={usual[key]} aria-label={WORDS[key]}
              onBlur={(event) => change(key, event.target.value.trim())}
              onKeyDown={(event) => { if (event.key === "Enter") event.currentTarget.blur(); }}
            />
          </Box>
        ))}
        {!found.length && <Text fontSize="12.5px" color="quiet">{t("noWordOfThePlayer")}</Text>}
      </Box>
    </Stack>
  );
}
