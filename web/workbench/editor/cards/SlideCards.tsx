import { Flex, Stack, Text } from "@chakra-ui/react";
import { memo, useState, type ReactNode } from "react";
import type { Background, Slide } from "../../../api/types";
import { backgroundOf } from "../../../player/render/resolve";
import { setBackgroundPicture } from "../../store/media";
import { useSection } from "../../store/sectionOn";
import { renameSlide } from "../../store/slides";
import { changeCourse, changeSlide, useCourse } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { GateFields } from "../../does/GateCard";
import { DialoguesCard } from "../../dialogue/DialoguesCard";
import { PatternCards } from "../../does/PatternCards";
import { Rules } from "../../does/Rules";
import { Choose } from "../../../kit/Choose";
import { TextField } from "../../../kit/TextField";
import { FileChooser } from "../fields/FileField";
import { NAVIGATION_PARTS } from "./CourseCards";
import { LayoutPicker } from "./LayoutPicker";
import { PaintField } from "../fields/PaintField";
import { t } from "../../../words/editor";

const FIT = [["cover", t("fillTheSlide")], ["contain", t("showTheWholePicture")], ["fill", t("stretch")]] as const;

/** The slide itself: shown when nothing on it is selected. */
export const SlideCards = memo(function SlideCards({ slide }: { slide: Slide }): ReactNode {
  const courseGate = useCourse((state) => state.course.gate);
  return (
    <>
      <FoldCard title={t("thisSlide")}>
        <Stack gap="2">
          <TextField
            label={t("titleShownInTheMenu")} value={slide.title}
            onChange={(title) => renameSlide(slide.id, title, `title-${slide.id}`)}
          />
          <OnwardField slide={slide} />
          <NavigationHere slide={slide} />
          <GateFields
            gate={slide.gate ?? null} slide={slide} none={courseGate ? [["course", t("asInTheCourse")], ["free", t("freely")]] : [["free", t("freely")]]}
            onChange={(gate, choice) => changeSlide(t("gate"), { ...slide, gate, ungated: choice === "free" && Boolean(courseGate) }, `gate-${slide.id}`)}
          />
        </Stack>
      </FoldCard>
      <PatternCards slide={slide} />
      <DialoguesCard slide={slide} />
      <FoldCard title={t("does")} noun={t("interaction")}>
        <Rules
          rules={slide.rules} owner={{ kind: "slide", id: slide.id, name: t("thisSlide2") }} slide={slide}
          empty={t("noRuleYetAddWhat")}
          onChange={(label, rules) => changeSlide(label, { ...slide, rules }, `rules-${slide.id}-${label}`)}
        />
      </FoldCard>
      <SectionDoes slide={slide} />
      <LayoutPicker slide={slide} />
      <BackgroundCard slide={slide} />
      <FoldCard title={t("notes")}>
        <Stack gap="2">
          <TextField
            label={t("notesOnlyYourTeamSees")} value={slide.notes} lines={3} hint={t("whatThisSlideIsMeant")}
            onChange={(notes) => changeSlide(t("notes"), { ...slide, notes }, `notes-${slide.id}`)}
          />
          <TextField
            label={t("transcriptLearnersCanReadIt")} help={t("helpTranscript")} value={slide.transcript} lines={4} hint={t("whatIsSaidOnThis")}
            onChange={(transcript) => changeSlide(t("transcript"), { ...slide, transcript }, `transcript-${slide.id}`)}
          />
        </Stack>
      </FoldCard>
      <Text color="quiet" fontSize="13px" px="1">
        {t("selectAnElementToSet")}
      </Text>
    </>
  );
});

/** Sentences for every slide of the section that this one is in. */
function SectionDoes({ slide }: { slide: Slide }): ReactNode {
  const sections = useCourse((state) => state.course.sections);
  const section = useSection(slide.id);
  if (!section) return null;
  return (
    <FoldCard title={t("does")} noun={t("inAllOfTitle", { title: section.title })} starts="closed">
      <Rules
        rules={section.rules} owner={{ kind: "course", id: section.id, name: t("anySlideOfThisSection") }} slide={null}
        empty={t("noRuleYetForThe2")}
        onChange={(label, rules) => changeCourse(label, {
          sections: sections.map((other) => (other.id === section.id ? { ...other, rules } : other)),
        }, `section-rules-${section.id}-${label}`)}
      />
    </FoldCard>
  );
}

type Part = keyof Slide["navigation"];
const HERE = [["course", t("asInTheCourse")], ["yes", t("shownHere")], ["no", t("hiddenHere")]] as const;

/** What of the course's navigation is different on this slide. */
function NavigationHere({ slide }: { slide: Slide }): ReactNode {
  const [open, setOpen] = useState(Object.values(slide.navigation).some((value) => value != null));
  const change = (part: Part, value: string): void => changeSlide(t("navigationOnThisSlide"), {
    ...slide, navigation: { ...slide.navigation, [part]: value === "course" ? null : value === "yes" },
  });
  if (!open) return <QuietButton size="xs" alignSelf="start" onClick={() => setOpen(true)}>{t("differentNavigationOnThisSlide")}</QuietButton>;
  return (
    <div role="group" aria-label={t("navigationOnThisSlide")}>
      {NAVIGATION_PARTS.map(([part, label]) => {
        const value = slide.navigation[part];
        return <Choose key={part} label={label} value={value == null ? "course" : value ? "yes" : "no"} options={HERE} onChange={(next) => change(part, next)} />;
      })}
    </div>
  );
}

/** Where Next leads from this slide. */
function OnwardField({ slide }: { slide: Slide }): ReactNode {
  const slides = useCourse((state) => state.slides);
  const order = useCourse((state) => state.course.slides);
  const { onward } = slide;
  function choose(value: string): void {
    const next: Slide["onward"] = value === "next" || value === "nowhere" ? { to: value } : { to: "slide", slide: value };
    changeSlide(t("wayOnward"), { ...slide, onward: next });
  }
  const options = [
    ["next", t("theNextSlide")], ["nowhere", t("nowhere")],
    ...order.filter((id) => id !== slide.id).map((id) => [id, `${order.indexOf(id) + 1} ${slides[id]?.title ?? ""}`] as const),
  ] as (readonly [string, string])[];
  return (
    <Choose label={t("nextLeadsTo")} help={t("helpNextLeadsTo")} value={onward.to === "slide" ? onward.slide : onward.to} options={options} onChange={choose} />
  );
}

function BackgroundCard({ slide }: { slide: Slide }): ReactNode {
  const sources = useCourse((state) => state.sources);
  const background = backgroundOf(slide, sources);
  function change(part: Partial<Background>): void {
    changeSlide(t("background"), { ...slide, background: { ...background, ...part } },
      `background-${Object.keys(part).join()}-${slide.id}`);
  }
  return (
    <FoldCard title={t("background")}>
      <Stack gap="2">
        <PaintField label={t("colour")} value={background.colour} onChange={(colour) => change({ colour })} />
        <FileChooser
          kind="picture" current={background.picture ?? null} word={background.picture ? t("replacePicture") : t("choosePicture")}
          onFile={(file) => setBackgroundPicture(file, background)}
        />
        {background.picture && (
          <Choose label={t("fit")} value={background.fit} options={FIT} onChange={(fit) => change({ fit })} />
        )}
        <Flex gap="2">
          {background.picture && <QuietButton size="xs" onClick={() => change({ picture: null })}>{t("removePicture")}</QuietButton>}
          {slide.layout && slide.background && (
            <QuietButton size="xs" onClick={() => changeSlide(t("background"), { ...slide, background: null })}>{t("resetToTheLayout")}</QuietButton>
          )}
        </Flex>
      </Stack>
    </FoldCard>
  );
}
