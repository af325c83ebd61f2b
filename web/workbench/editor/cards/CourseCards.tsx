import { Box, Flex, Input, NativeSelect, Stack, Text } from "@chakra-ui/react";
import { memo, useState, type ReactNode } from "react";
import type { NamedStyle, Navigation, Slide } from "../../../api/types";
import { textStyle } from "../../../player/render/style";
import { paint, themeVariables } from "../../../player/render/theme";
import { resizeSlides } from "../../store/slides";
import { themeOn } from "../../store/quizOn";
import { changeStyle, changeTheme, removeStyle } from "../../store/styles";
import { changeCourse, useCourse } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { GateFields } from "../../does/GateCard";
import { Rules } from "../../does/Rules";
import { BackgroundSound } from "./BackgroundSound";
import { FeedbackDesign } from "./FeedbackDesign";
import { LanguageCard } from "./LanguageCard";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { Labelled } from "../../../kit/Labelled";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { ALL_PARTS, StyleFields } from "./StyleFields";
import { ThemeFields } from "./ThemeFields";
import { t } from "../../../words/editor";

/** What holds for the whole course: theme, named styles, slide size. */
export const CourseCards = memo(function CourseCards({ slide }: { slide: Slide | null }): ReactNode {
  return (
    <>
      <ThemeCard />
      <StylesCard />
      <SizeCard />
      <LanguageCard />
      <NavigationCard />
      <BackgroundSound slide={slide} />
      <FeedbackDesign />
      <CourseDoes />
    </>
  );
});

const ORDERS = [["free", t("anySlideInAnyOrder")], ["in_order", t("oneAfterTheOther")], ["seen", t("onlySlidesAlreadySeen")]] as const;
export const NAVIGATION_PARTS: readonly (readonly [Exclude<keyof Navigation, "order">, string])[] = [
  ["menu", t("menuOfSlides")], ["progress", t("progress")], ["previous", t("back")], ["next", t("next")], ["transcript", t("transcript")], ["captions", t("captions")],
  ["volume", t("volume")], ["speed", t("speed")], ["full_screen", t("fullScreen")],
];

/** What learners find around every slide, and when they may go on. */
function NavigationCard(): ReactNode {
  const navigation = useCourse((state) => state.course.navigation);
  const gate = useCourse((state) => state.course.gate);
  const change = (part: Partial<Navigation>): void => changeCourse(t("navigation"), { navigation: { ...navigation, ...part } });
  return (
    <FoldCard title={t("navigation")} starts="closed">
      <Choose label={t("menuOpens")} help={t("helpMenuOpens")} value={navigation.order} options={ORDERS} onChange={(order) => change({ order })} />
      <Box display="grid" gridTemplateColumns="1fr 1fr" columnGap="2" mb="2">
        {NAVIGATION_PARTS.map(([part, label]) => (
          <Check key={part} label={label} value={navigation[part]} onChange={(on) => change({ [part]: on })} />
        ))}
      </Box>
      <GateFields
        gate={gate ?? null} slide={null} none={[["free", t("freely")]]}
        onChange={(next) => changeCourse(t("gateOfTheCourse"), { gate: next }, "course-gate")}
      />
    </FoldCard>
  );
}

function CourseDoes(): ReactNode {
  const rules = useCourse((state) => state.course.rules);
  return (
    <FoldCard title={t("does")} noun={t("onEverySlide")} starts="closed">
      <Rules
        rules={rules} owner={{ kind: "course", id: "course", name: t("anySlide") }} slide={null}
        empty={t("noRuleYetForThe")}
        onChange={(label, next) => changeCourse(label, { rules: next }, `course-rules-${label}`)}
      />
    </FoldCard>
  );
}

function ThemeCard(): ReactNode {
  const theme = useCourse((state) => state.course.theme);
  const own = useCourse((state) => themeOn(state.course, state.selection.slide) !== state.course.theme);
  return (
    <FoldCard title={t("theme")} starts="closed">
      {own && <Text color="quiet" fontSize="12.5px" mb="2">{t("quizHasItsOwnTheme")}</Text>}
      <ThemeFields theme={theme} onChange={changeTheme} />
    </FoldCard>
  );
}

function StylesCard(): ReactNode {
  const styles = useCourse((state) => state.course.styles);
  const [open, setOpen] = useState<string | null>(null);
  const shown = styles.find((style) => style.id === open);
  return (
    <FoldCard title={t("namedStyles")} starts="closed">
      {!styles.length && (
        <Text fontSize="13px" color="quiet">
          {t("noStylesYetSelectAn")}
        </Text>
      )}
      <Stack gap="1">
        {styles.map((style) => (
          <Box key={style.id}>
            <StyleButton style={style} open={style.id === open} onClick={() => setOpen(style.id === open ? null : style.id)} />
            {shown?.id === style.id && <StyleEditor named={shown} onGone={() => setOpen(null)} />}
          </Box>
        ))}
      </Stack>
    </FoldCard>
  );
}

function StyleButton({ style: named, open, onClick }: { style: NamedStyle; open: boolean; onClick: () => void }): ReactNode {
  const theme = useCourse((state) => state.course.theme);
  const { style } = named;
  return (
    <Flex
      as="button" w="100%" h="34px" px="2" align="center" justify="space-between" borderWidth="1px" borderRadius="6px" overflow="hidden"
      aria-expanded={open} onClick={onClick} style={{ background: theme.colours.paper, ...themeVariables(theme) }}
    >
      <span
        style={{
          ...textStyle(style), padding: "1px 8px", fontSize: Math.min(style.size * 0.55, 20), color: paint(style.text_colour), borderRadius: 5,
          background: style.fill ? paint(style.fill) : undefined, lineHeight: 1.3,
        }}
      >
        {named.name}
      </span>
    </Flex>
  );
}

function StyleEditor({ named, onGone }: { named: NamedStyle; onGone: () => void }): ReactNode {
  return (
    <Box pl="2" py="2" borderLeftWidth="2px" borderLeftColor="marigold" ml="1">
      <Input
        key={named.id} size="xs" bg="paper" borderRadius="6px" defaultValue={named.name} aria-label={t("nameOfTheStyle")} maxLength={200}
        onBlur={(event) => { if (event.target.value.trim()) changeStyle(named.id, { name: event.target.value.trim() }); }}
      />
      <StyleFields
        style={named.style} parts={ALL_PARTS}
        onChange={(part) => changeStyle(named.id, { style: { ...named.style, ...part } }, `style-${named.id}-${Object.keys(part).join()}`)}
      />
      <QuietButton size="xs" mt="2" onClick={() => { removeStyle(named.id); onGone(); }}>{t("removeThisStyle")}</QuietButton>
    </Box>
  );
}

const SIZES = [["1280x720", t("wide169")], ["1024x768", "4 : 3"], ["720x1280", t("upright916")], ["own", t("customSize")]] as const;

function SizeCard(): ReactNode {
  const size = useCourse((state) => state.course.size);
  const [own, setOwn] = useState(false);
  const [draft, setDraft] = useState(size);
  const key = `${size.w}x${size.h}`;
  const known = SIZES.some(([value]) => value === key);
  function choose(value: string): void {
    setOwn(value === "own");
    const [w, h] = value.split("x").map(Number);
    if (w && h) void resizeSlides(w, h);
  }
  return (
    <FoldCard title={t("slideSize")} starts="closed">
      <Labelled label={t("size")}>
        <NativeSelect.Root size="xs">
          <NativeSelect.Field
            aria-label={t("slideSize")} bg="paper" borderRadius="6px" value={own || !known ? "own" : key}
            onChange={(event) => choose(event.currentTarget.value)}
          >
            {SIZES.map(([value, word]) => <option key={value} value={value}>{word}</option>)}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </Labelled>
      {(own || !known) && (
        <>
          <Pair>
            <NumberField label={t("width")} value={draft.w} min={200} max={4000} onChange={(w) => setDraft({ ...draft, w })} />
            <NumberField label={t("height")} value={draft.h} min={200} max={4000} onChange={(h) => setDraft({ ...draft, h })} />
          </Pair>
          <QuietButton size="xs" onClick={() => void resizeSlides(Math.round(draft.w), Math.round(draft.h))}>{t("useThisSize")}</QuietButton>
        </>
      )}
      <Text fontSize="12.5px" color="quiet" my="1.5">{t("elementsKeepTheirProportionsAnd")}</Text>
    </FoldCard>
  );
}
