import { Flex, Stack, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Background, Slide } from "../../../api/types";
import { backgroundOf } from "../../../player/render/resolve";
import { setBackgroundPicture } from "../../store/media";
import { renameSlide } from "../../store/slides";
import { changeCourse, changeSlide, useCourse } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { GateFields } from "../../does/GateCard";
import { PatternCards } from "../../does/PatternCards";
import { Rules } from "../../does/Rules";
import { linesOf, sectionOf } from "../../plan/lines";
import { Choose } from "../../../kit/Choose";
import { TextField } from "../../../kit/TextField";
import { FileChooser } from "../fields/FileField";
import { NAVIGATION_PARTS } from "./CourseCards";
import { LayoutPicker } from "./LayoutPicker";
import { PaintField } from "../fields/PaintField";

const FIT = [["cover", "fill the slide"], ["contain", "whole picture"], ["fill", "stretch"]] as const;

/** The slide itself: shown when nothing on it is selected. */
export function SlideCards({ slide }: { slide: Slide }): ReactNode {
  const courseGate = useCourse((state) => state.course.gate);
  return (
    <>
      <FoldCard title="This slide">
        <Stack gap="2">
          <TextField
            label="Title, for the menu and for you" value={slide.title}
            onChange={(title) => renameSlide(slide.id, title, `title-${slide.id}`)}
          />
          <OnwardField slide={slide} />
          <NavigationHere slide={slide} />
          <GateFields
            gate={slide.gate ?? null} slide={slide} none={courseGate ? [["course", "as in the whole course"], ["free", "freely"]] : [["free", "freely"]]}
            onChange={(gate, choice) => changeSlide("Gate", { ...slide, gate, ungated: choice === "free" && Boolean(courseGate) }, `gate-${slide.id}`)}
          />
        </Stack>
      </FoldCard>
      <PatternCards slide={slide} />
      <FoldCard title="Does">
        <Rules
          rules={slide.rules} owner={{ kind: "slide", id: slide.id, name: "this slide" }} slide={slide}
          empty="No sentence yet: what happens when it is entered, when a key is pressed, after some time?"
          onChange={(label, rules) => changeSlide(label, { ...slide, rules }, `rules-${slide.id}-${label}`)}
        />
      </FoldCard>
      <SectionDoes slide={slide} />
      <LayoutPicker slide={slide} />
      <BackgroundCard slide={slide} />
      <FoldCard title="Notes">
        <Stack gap="2">
          <TextField
            label="For you and your team" value={slide.notes} lines={3} hint="What this slide is meant to do"
            onChange={(notes) => changeSlide("Notes", { ...slide, notes }, `notes-${slide.id}`)}
          />
          <TextField
            label="Transcript, for the learner to read" value={slide.transcript} lines={4} hint="What is said on this slide"
            onChange={(transcript) => changeSlide("Transcript", { ...slide, transcript }, `transcript-${slide.id}`)}
          />
        </Stack>
      </FoldCard>
      <Text color="quiet" fontSize="13px" px="1">
        Select something on the slide to see what it says, how it looks and what it does.
      </Text>
    </>
  );
}

/** Sentences for every slide of the section that this one is in. */
function SectionDoes({ slide }: { slide: Slide }): ReactNode {
  const sections = useCourse((state) => state.course.sections);
  const order = useCourse((state) => state.course.slides);
  const section = sections.find(({ id }) => id === sectionOf(linesOf({ slides: order, sections })).get(slide.id));
  if (!section) return null;
  return (
    <FoldCard title={`Does, in all of “${section.title}”`}>
      <Rules
        rules={section.rules} owner={{ kind: "course", id: section.id, name: "any slide of this section" }} slide={null}
        empty="No sentence yet for the whole section."
        onChange={(label, rules) => changeCourse(label, {
          sections: sections.map((other) => (other.id === section.id ? { ...other, rules } : other)),
        }, `section-rules-${section.id}-${label}`)}
      />
    </FoldCard>
  );
}

type Part = keyof Slide["navigation"];
const HERE = [["course", "as in the course"], ["yes", "shown here"], ["no", "left out here"]] as const;

/** What of the course's navigation is different on this slide. */
function NavigationHere({ slide }: { slide: Slide }): ReactNode {
  const [open, setOpen] = useState(Object.values(slide.navigation).some((value) => value != null));
  const change = (part: Part, value: string): void => changeSlide("Navigation here", {
    ...slide, navigation: { ...slide.navigation, [part]: value === "course" ? null : value === "yes" },
  });
  if (!open) return <QuietButton size="xs" alignSelf="start" onClick={() => setOpen(true)}>Navigation, different here …</QuietButton>;
  return (
    <div role="group" aria-label="Navigation here">
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
    changeSlide("Way onward", { ...slide, onward: next });
  }
  const options = [
    ["next", "the next slide"], ["nowhere", "nowhere by itself"],
    ...order.filter((id) => id !== slide.id).map((id) => [id, `${order.indexOf(id) + 1} ${slides[id]?.title ?? ""}`] as const),
  ] as (readonly [string, string])[];
  return (
    <Choose label="Next leads to" value={onward.to === "slide" ? onward.slide : onward.to} options={options} onChange={choose} />
  );
}

function BackgroundCard({ slide }: { slide: Slide }): ReactNode {
  const sources = useCourse((state) => state.sources);
  const background = backgroundOf(slide, sources);
  function change(part: Partial<Background>): void {
    changeSlide("Background", { ...slide, background: { ...background, ...part } },
      `background-${Object.keys(part).join()}-${slide.id}`);
  }
  return (
    <FoldCard title="Background">
      <Stack gap="2">
        <PaintField label="colour" value={background.colour} onChange={(colour) => change({ colour })} />
        <FileChooser
          kind="picture" current={background.picture ?? null} word={background.picture ? "Another picture" : "Choose a picture"}
          onFile={(file) => setBackgroundPicture(file, background)}
        />
        {background.picture && (
          <Choose label="fit" value={background.fit} options={FIT} onChange={(fit) => change({ fit })} />
        )}
        <Flex gap="2">
          {background.picture && <QuietButton size="xs" onClick={() => change({ picture: null })}>No picture</QuietButton>}
          {slide.layout && slide.background && (
            <QuietButton size="xs" onClick={() => changeSlide("Background", { ...slide, background: null })}>As in the layout</QuietButton>
          )}
        </Flex>
      </Stack>
    </FoldCard>
  );
}
