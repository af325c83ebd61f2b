import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { AudioElement, Element, VideoElement } from "../../../api/types";
import { changeElements, edit, useCourse } from "../../store/store";
import { Fold } from "../../../kit/Fold";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { TextField } from "../../../kit/TextField";
import { ChaptersField } from "../fields/ChaptersField";
import { CutField } from "../fields/CutField";
import { FileField, PosterField } from "../fields/FileField";
import { SizeField } from "../fields/SizeField";
import { SpokenByField } from "../fields/SpokenByField";
import { WatchField } from "../fields/WatchField";
import { InputFields } from "./InputFields";
import { isEditable } from "../text/editable";
import { plain } from "../../store/richText";
import { t } from "../../../words/editor";
import { NarrationFields } from "../../script/NarrationFields";

const LEVELS = [["body", t("paragraph")], ["title", t("slideTitle")], ["heading", t("heading")]] as const;

/** Says: the words of an element, for eyes and ears. */
export function Says({ element }: { element: Element }): ReactNode {
  function change(label: string, part: object): void {
    changeElements(label, [element.id], (e) => ({ ...e, ...part }) as Element, `${label}-${element.id}`);
  }
  return (
    <FoldCard title={t("says")} noun={t("textAndMedia")}>
      <Stack gap="2">
        <Words element={element} change={change} />
        {isEditable(element) && (
          <QuietButton size="xs" onClick={() => edit(element.id)}>
            {element.kind === "table" ? t("editTable") : t("editText")}
          </QuietButton>
        )}
        {!saysItself(element) && (
          <>
            {!element.decoration && (
              <TextField
                label={element.kind === "group" ? t("oneTextAlternativeForThe") : t("textAlternative")}
                lines={3} value={element.alt} hint={hintFor(element)}
                onChange={(alt) => change(t("textAlternative"), { alt })}
              />
            )}
            {CAN_DECORATE.has(element.kind) && (
              <Check
                label={t("decorativeNotReadOut")} help={t("helpDecorative")} value={element.decoration}
                onChange={(decoration) => change(t("decoration"), { decoration })}
              />
            )}
          </>
        )}
      </Stack>
    </FoldCard>
  );
}

/** What is read out by its own words. */
const SPEAK_THEMSELVES = new Set<Element["kind"]>(["text", "button", "input"]);
const saysItself = (element: Element): boolean => SPEAK_THEMSELVES.has(element.kind) || (element.kind === "audio" && element.narration);
const CAN_DECORATE = new Set<Element["kind"]>(["picture", "shape", "group", "meter"]);

function hintFor({ kind }: Element): string {
  switch (kind) {
    case "area": return t("whatAClickDoesIn");
    case "meter": return t("whatItMeasures");
    case "table": return t("whatTheTableIsAbout");
    case "video": case "audio": return t("whatIsSeenOrHeard");
    default: return t("describeItForPeopleWho");
  }
}

function Words({ element, change }: { element: Element; change: (label: string, part: object) => void }): ReactNode {
  switch (element.kind) {
    case "text":
      return (
        <>
          <Text fontSize="13px" lineClamp={3}>{plain(element.text) || t("noTextYet")}</Text>
          <Choose label={t("readAs")} help={t("helpReadAs")} value={element.level} options={LEVELS} onChange={(level) => change(t("readAs"), { level })} />
          <SpokenByField element={element} onChange={(spoken_by) => change(t("highlightAsSpoken"), { spoken_by })} />
        </>
      );
    case "button":
      return <TextField label={t("textOnIt")} value={element.label} onChange={(label) => change(t("label"), { label })} />;
    case "picture": return <FileField element={element} />;
    case "audio": return <><NarrationFields element={element} change={change} /><FileField element={element} /><OfFile id={element.media} /><Cut element={element} change={change} /></>;
    case "video": return <><FileField element={element} /><PosterField element={element} /><OfFile id={element.media} video={element.id} /><Cut element={element} change={change} /></>;
    case "input": return <InputFields element={element} change={change} />;
    case "embed":
      return (
        <TextField
          label={t("addressBeginningWithHttps")} value={element.address}
          onChange={(address) => { if (/^(https:\/\/[^\s"'<>]+)?$/.test(address)) change(t("address"), { address }); }}
        />
      );
    default: return null;
  }
}

/** What the file of a video or audio knows, wherever it is used; a `video` can be looked through. */
function OfFile({ id, video }: { id: string | null | undefined; video?: string }): ReactNode {
  const file = useCourse((state) => state.course.media.find((one) => one.id === id));
  if (!file) return null;
  return (
    <Fold title={t("chaptersAndQuality")}>
      {video && <WatchField file={file} element={video} />}
      <ChaptersField file={file} />
      <SizeField file={file} />
    </Fold>
  );
}

/** Which pieces are played here; elsewhere the same file may be cut in another way. */
function Cut({ element, change }: { element: VideoElement | AudioElement; change: (label: string, part: object) => void }): ReactNode {
  const file = useCourse((state) => state.course.media.find((one) => one.id === element.media));
  if (!file?.duration) return null;
  return <Fold title={t("cutAndFade")}><CutField element={element} file={file} change={change} /></Fold>;
}
