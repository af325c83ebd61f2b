/** What learners are asked for before the quiz: the details slide, and the window that makes it. */
import { Box, Dialog, Flex, Heading, Input, NativeSelect, Portal, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Quiz } from "../../../api/types";
import type { components } from "../../../api/api";
import { Explained } from "../../../kit/Explained";
import { MainButton } from "../../../kit/MainButton";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { changeQuiz, makeDetails } from "./quizzes";

type Detail = components["schemas"]["Detail"];

/** As many as the server takes (`editing/quizzes/details.py`). */
const MOST = 12;
const KINDS: readonly (readonly [Detail["kind"], string])[] = [
  ["name", t("detailName")], ["mail", t("detailMail")], ["text", t("detailText")], ["choice", t("detailChoice")],
  ["number", t("detailNumber")], ["date", t("detailDate")], ["agreement", t("detailAgreement")],
];
const NEEDS: readonly (readonly [Detail["need"], string])[] = [["required", t("needRequired")], ["optional", t("needOptional")], ["hidden", t("needHidden")]];
const COLUMNS = "1fr 150px 130px 1fr 36px";

/** The details slide of a quiz, or how to make one. */
export function Details({ section, quiz, own }: { section: string; quiz: Quiz; own: readonly string[] }): ReactNode {
  const slides = useCourse((state) => state.slides);
  const slug = useCourse((state) => state.slug);
  const go = useNavigate();
  const [open, setOpen] = useState(false);
  const there = quiz.details && own.includes(quiz.details) ? slides[quiz.details] : undefined;
  const fields = there?.elements.flatMap((element) => (element.kind === "input" ? [element.label || element.name] : [])) ?? [];
  return (
    <Box as="section" aria-label={t("detailsFirst")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Explained help={t("detailsHelp")}><Heading as="h3" fontSize="14px">{t("detailsFirst")}</Heading></Explained>
      {there ? (
        <Flex align="center" gap="2" pt="1">
          <QuietButton
            size="sm" flex="1" minW="0" justifyContent="flex-start" variant="ghost" aria-label={t("openSlide", { title: there.title })}
            onClick={() => { goToSlide(there.id); void go(`/courses/${slug}/build`); }}
          >
            <Text as="span" truncate>{there.title || t("untitled")}{fields.length > 0 && <Text as="span" color="quiet" fontWeight="400"> · {fields.join(", ")}</Text>}</Text>
          </QuietButton>
          <QuietButton size="sm" onClick={() => changeQuiz(section, t("notTheDetails"), (now) => ({ ...now, details: null }))}>{t("notTheDetails")}</QuietButton>
        </Flex>
      ) : (
        <Flex align="center" gap="3" pt="1">
          <QuietButton size="sm" onClick={() => setOpen(true)}>{t("askForDetails")}</QuietButton>
          <Text color="quiet" fontSize="12.5px" flex="1">{t("noDetails")}</Text>
        </Flex>
      )}
      {open && <DetailsWindow section={section} onClose={() => setOpen(false)} />}
    </Box>
  );
}

function fresh(kind: Detail["kind"], label: string): Detail {
  return { kind, label, need: "required", default: "", options: [] };
}

function DetailsWindow({ section, onClose }: { section: string; onClose: () => void }): ReactNode {
  const [details, setDetails] = useState<Detail[]>([fresh("name", t("detailName")), fresh("mail", t("detailMail"))]);
  const first = useRef<HTMLInputElement>(null);
  const put = (at: number, change: Partial<Detail>): void => setDetails(details.map((one, n) => (n === at ? { ...one, ...change } : one)));
  const lacks = lacking(details);
  function make(): void {
    void makeDetails(section, details);
    onClose();
  }
  return (
    <Dialog.Root open size="lg" initialFocusEl={() => first.current} onOpenChange={({ open: stays }) => { if (!stays) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="880px">
            <Dialog.Header pb="1"><Dialog.Title fontSize="18px">{t("askForDetails")}</Dialog.Title></Dialog.Header>
            <Dialog.Body>
              <Text color="quiet" fontSize="13px" pb="3">{t("askForDetailsHelp")}</Text>
              <Box display="grid" gridTemplateColumns={COLUMNS} gap="2" alignItems="center" fontSize="13px">
                {[t("detailLabel"), t("detailKind"), t("detailNeed"), t("detailMore"), ""].map((head) => <Text key={head} color="quiet" fontWeight="600" aria-hidden>{head}</Text>)}
                {details.map((detail, at) => (
                  <Box key={at} display="contents" role="group" aria-label={detail.label || t("untitled")}>
                    <Input ref={at ? undefined : first} size="xs" bg="paper" aria-label={t("detailLabel")} value={detail.label} maxLength={200} onChange={(event) => put(at, { label: event.target.value })} />
                    <Pick label={t("detailKind")} value={detail.kind} options={KINDS} onChange={(kind) => put(at, { kind, options: [], default: "" })} />
                    <Pick label={t("detailNeed")} value={detail.need} options={NEEDS} onChange={(need) => put(at, { need })} />
                    <More detail={detail} put={(change) => put(at, change)} />
                    <Tool label={t("removeThisDetail")} onClick={() => setDetails(details.filter((_, n) => n !== at))}><X size={14} /></Tool>
                  </Box>
                ))}
              </Box>
              {details.length < MOST && (
                <QuietButton size="sm" mt="3" onClick={() => setDetails([...details, fresh("text", t("detailNew", { number: details.length + 1 }))])}>{t("anotherDetail")}</QuietButton>
              )}
            </Dialog.Body>
            <Dialog.Footer>
              <Text flex="1" color="quiet" fontSize="13px" role="status">{lacks}</Text>
              <QuietButton onClick={onClose}>{t("cancel")}</QuietButton>
              <MainButton disabled={lacks !== ""} onClick={make}>{t("makeTheSlide")}</MainButton>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

/** What is still to be said before the slide can be made; empty when all is. */
function lacking(details: readonly Detail[]): string {
  if (details.some(({ label }) => !label.trim())) return t("detailLacksLabel");
  if (details.some(({ kind, options }) => kind === "choice" && !options?.length)) return t("detailLacksOptions");
  return details.length ? "" : t("detailLacksAll");
}

/** The options of a choice, or what stands there at first. */
function More({ detail, put }: { detail: Detail; put: (change: Partial<Detail>) => void }): ReactNode {
  const [options, setOptions] = useState((detail.options ?? []).join(", "));
  if (detail.kind === "choice") {
    return (
      <Input
        size="xs" bg="paper" aria-label={t("detailOptions")} placeholder={t("detailOptionsHint")} value={options}
        onChange={(event) => {
          setOptions(event.target.value);
          put({ options: [...new Set(event.target.value.split(",").map((word) => word.trim().slice(0, 250)).filter(Boolean))].slice(0, 50) });
        }}
      />
    );
  }
  if (detail.kind === "name" || detail.kind === "agreement") return <Text color="quiet">{detail.kind === "name" ? t("nameFromLms") : ""}</Text>;
  return <Input size="xs" bg="paper" aria-label={t("detailDefault")} placeholder={t("detailDefault")} value={detail.default} maxLength={250} onChange={(event) => put({ default: event.target.value })} />;
}

function Pick<Value extends string>({ label, value, options, onChange }: { label: string; value: Value; options: readonly (readonly [Value, string])[]; onChange: (value: Value) => void }): ReactNode {
  return (
    <NativeSelect.Root size="xs">
      <NativeSelect.Field bg="paper" aria-label={label} value={value} onChange={(event) => onChange(event.target.value as Value)}>
        {options.map(([key, words]) => <option key={key} value={key}>{words}</option>)}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
