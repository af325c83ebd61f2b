/** The slides of a set: where they stand, what they are about, and what is done with several at once. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { Link2, Unlink2 } from "lucide-react";
import { useEffect, useState, type ReactNode } from "react";
import type { QuestionSet, Quiz, QuizNumbers, Slide } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { Tool } from "../../../kit/Tool";
import { t as banks } from "../../../words/banks";
import { t } from "../../../words/quiz";
import { useCourse } from "../../store/store";
import { KeepInABank } from "./BankWindows";
import { MoveTo } from "./MoveTo";
import { keepTogether, placeSlide, separate, setLevel, setTags, type Place } from "./quizzes";

const COLUMNS = "20px minmax(140px, 2fr) 96px 92px minmax(90px, 1fr) 64px";
const PLACES = [["free", t("anyPlace")], ["first", t("staysFirst")], ["last", t("staysLast")]] as const;
const LEVELS = [["", t("noLevel")], ["easy", t("easy")], ["medium", t("medium")], ["hard", t("hard")]] as const;

interface Props {
  section: string;
  quiz: Quiz;
  set: QuestionSet;
  slides: readonly string[];
  numbers: QuizNumbers | undefined;
}

/** The slides, a line each, with boxes to select several. */
export function SetSlides({ section, quiz, set, slides, numbers }: Props): ReactNode {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const here = slides.filter((slide) => chosen.has(slide));
  const joined = here.some((slide) => set.together.some((group) => group.slides.includes(slide)));
  if (!slides.length) return <Text color="quiet">{t("noQuestions")}</Text>;
  return (
    <Box role="group" aria-label={t("slidesOfTheSet", { set: set.name })}>
      {slides.map((slide) => (
        <SlideLine
          key={slide} {...{ section, set, slide }} chosen={chosen.has(slide)} mean={numbers?.seen.find((one) => one.slide === slide)?.mean}
          onChoose={(on) => {
            const next = new Set(chosen);
            if (on) next.add(slide);
            else next.delete(slide);
            setChosen(next);
          }}
        />
      ))}
      <Flex align="center" gap="2" pt="2" minH="36px" color="quiet">
        {here.length > 0 && (
          <>
            <Text>{t("chosen", { count: here.length })}</Text>
            <Tool label={t("keepTogether")} disabled={here.length < 2} onClick={() => keepTogether(section, set.id, here)}><Link2 size={15} /></Tool>
            <Tool label={t("separate")} disabled={!joined} onClick={() => separate(section, set.id, here)}><Unlink2 size={15} /></Tool>
            <MoveTo section={section} quiz={quiz} slides={here} from={set.id} onMoved={() => setChosen(new Set())} />
            <KeepInABank slides={here} onKept={() => setChosen(new Set())} />
          </>
        )}
      </Flex>
    </Box>
  );
}

interface LineProps {
  section: string;
  set: QuestionSet;
  slide: string;
  chosen: boolean;
  mean: number | undefined;
  onChoose: (on: boolean) => void;
}

function SlideLine({ section, set, slide, chosen, mean, onChoose }: LineProps): ReactNode {
  const found = useCourse((state) => state.slides[slide]);
  if (!found) return null;
  const title = found.title || t("untitled");
  const place: Place = set.first === slide ? "first" : set.last === slide ? "last" : "free";
  const group = set.together.findIndex(({ slides }) => slides.includes(slide));
  return (
    <Box display="grid" gridTemplateColumns={COLUMNS} gap="2" alignItems="center" py="1" data-set-slide={slide}>
      <input type="checkbox" checked={chosen} aria-label={t("select", { title })} onChange={(event) => onChoose(event.target.checked)} />
      <Flex gap="1.5" align="center" minW="0">
        <Text truncate title={title}>{title}</Text>
        {found.bank && <Text as="span" color="sky" flex="none" fontSize="12px">{banks("fromBankMark")}</Text>}
        {group >= 0 && <Flex as="span" color="spruce" align="center" gap="1" flex="none" fontSize="12px"><Link2 size={13} aria-hidden />{t("together")}{set.together.length > 1 ? ` ${group + 1}` : ""}</Flex>}
      </Flex>
      <Choose bare label={t("placeOf", { title })} value={place} options={PLACES} onChange={(to) => placeSlide(section, set.id, slide, to)} />
      <Choose bare label={t("levelOf", { title })} value={found.level ?? ""} options={LEVELS} onChange={(level) => setLevel(slide, level)} />
      <TagsField slide={found} title={title} />
      <Text color="quiet" textAlign="right">{mean === undefined ? "" : Math.round(mean)}</Text>
    </Box>
  );
}

/** Words with commas between them, taken when the field is left. */
function TagsField({ slide, title }: { slide: Slide; title: string }): ReactNode {
  const words = slide.tags.join(", ");
  const [draft, setDraft] = useState(words);
  useEffect(() => setDraft(words), [words]);
  return (
    <Input
      size="xs" value={draft} aria-label={t("tagsOf", { title })} placeholder={t("tagsHint")} bg="paper" borderRadius="6px" maxLength={800}
      onChange={(event) => setDraft(event.target.value)} onBlur={() => { setTags(slide.id, draft); setDraft(words); }}
      onKeyDown={(event) => { if (event.key === "Enter") event.currentTarget.blur(); }}
    />
  );
}
