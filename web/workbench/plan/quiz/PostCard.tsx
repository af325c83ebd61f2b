/** Where the results of a quiz are sent, and what is said there. */
import { Box, Flex, Heading, Input, Link as ChakraLink, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useEffect, useState, type ReactNode } from "react";
import { Link } from "react-router";
import { DEFAULTS } from "../../../api/defaults";
import type { Post, Quiz } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { Explained } from "../../../kit/Explained";
import { Fold } from "../../../kit/Fold";
import { QuietButton } from "../../../kit/QuietButton";
import { TextField } from "../../../kit/TextField";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/post";
import { LIVE } from "../../does/live";
import { useScores } from "../../does/useScores";
import { freeName } from "../../store/names";
import { useCourse } from "../../store/store";
import { changeQuiz } from "./quizzes";

/** As the document takes them (`course/posts.py`). */
const MAIL = /^([^\s@<>,;:"]{1,64}@[^\s@<>,;:".]+(\.[^\s@<>,;:".]+)+)?$/;
const WEB = /^(https?:\/\/[^\s"'<>]+)?$/;
const MOST_FIELDS = 50;
const FORMS = [["json", t("asJson")], ["form", t("asForm")], ["csv", t("asCsv")]] as const;
/** The texts of a mail: how long, and in how many lines they are written. */
const TEXTS = [
  ["subject", t("subject"), 1, 200], ["sender", t("sender"), 1, 100], ["before", t("before"), 3, 4_000],
  ["after", t("after"), 3, 4_000], ["small_print", t("smallPrint"), 2, 2_000],
] as const;

type Put = (label: string, change: Partial<Post>, merge?: string) => void;

/** A post as it begins: with the name that learners are asked for, where they are, else that of the LMS. */
function newPost({ details }: Quiz): Post {
  const asked = details ? useCourse.getState().course.variables.find((variable) => variable.type === "text" && variable.from_lms) : undefined;
  const fields = DEFAULTS.Post.fields.map((field) => (asked && field.of === "learner_name" ? { ...field, of: asked.id } : field));
  return { ...DEFAULTS.Post, fields };
}

/** The post of a quiz. */
export function PostCard({ section, quiz }: { section: string; quiz: Quiz }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const { post } = quiz;
  const put: Put = (label, change, merge) => changeQuiz(section, label, (now) => (now.post ? { ...now, post: { ...now.post, ...change } } : now), merge && `post ${merge}`);
  return (
    <Box as="section" aria-label={t("reports")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Flex align="baseline" justify="space-between" gap="3">
        <Explained help={t("reportHelp")}><Heading as="h3" fontSize="14px">{t("reports")}</Heading></Explained>
        <ChakraLink asChild fontSize="13px" textDecoration="underline" color="spruce"><Link to={`/courses/${slug}/reports`}>{t("showReports")}</Link></ChakraLink>
      </Flex>
      <Box pt="1">
        <Check label={t("sendAReport")} value={Boolean(post)} onChange={(on) => changeQuiz(section, t("sendAReport"), (now) => ({ ...now, post: on ? newPost(now) : null, review_sent: on && now.review_sent }))} />
      </Box>
      {post && (
        <Flex direction="column" gap="2" pt="2">
          <Check label={t("listIt")} help={t("listItHelp")} value={post.listed} onChange={(listed) => put(t("listIt"), { listed })} />
          <Checked label={t("mailTo")} hint={t("mailHint")} value={post.mail} form={MAIL} wrong={t("notAMail")} onChange={(mail) => put(t("mailTo"), { mail }, "mail")} />
          <Checked label={t("webTo")} help={t("webHelp")} hint="https://…" value={post.web} form={WEB} wrong={t("notAnAddress")} onChange={(web) => put(t("webTo"), { web }, "web")} />
          {post.web && <Box w="320px"><Choose label={t("webForm")} value={post.form} options={FORMS} onChange={(form) => put(t("webForm"), { form })} /></Box>}
          <Fields post={post} put={put} />
          <Check label={t("withAnswers")} value={post.answers} onChange={(answers) => put(t("withAnswers"), { answers })} />
          <Check
            label={t("reviewSent")} value={quiz.review_sent}
            onChange={(review_sent) => changeQuiz(section, t("reviewSent"), (now) => ({ ...now, review_sent }))}
          />
          <Fold title={t("wordsOfTheMail")}><MailWords post={post} put={put} /></Fold>
        </Flex>
      )}
    </Box>
  );
}

/** A line that is only kept where it has the right form. */
function Checked({ label, value, form, wrong, hint, help, onChange }: {
  label: string; value: string; form: RegExp; wrong: string; hint: string; help?: string; onChange: (value: string) => void;
}): ReactNode {
  const [draft, setDraft] = useState(value);
  const [left, setLeft] = useState(true);
  useEffect(() => setDraft(value), [value]);
  const good = form.test(draft.trim());
  return (
    <Box>
      <Explained help={help}><Flex align="center" gap="3">
        <Text as="span" fontSize="12.5px" color="quiet" w="150px" flex="none">{label}</Text>
        <Input
          size="xs" bg="paper" flex="1" aria-label={label} placeholder={hint} value={draft} maxLength={2_000} aria-invalid={!good && left} onBlur={() => setLeft(true)}
          onChange={(event) => {
            setDraft(event.target.value);
            setLeft(false);
            if (form.test(event.target.value.trim())) onChange(event.target.value.trim());
          }}
        />
      </Flex></Explained>
      {!good && left && <Text color="brick" fontSize="12.5px" pl="162px" role="alert">{wrong}</Text>}
    </Box>
  );
}

/** The fields of the report, in their order. */
function Fields({ post: { fields }, put }: { post: Post; put: Put }): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const options: [string, string][] = [...[...LIVE, ...useScores()].map(({ of, words }): [string, string] => [of, words]), ...variables.map(({ id, name }): [string, string] => [id, name])];
  const known = new Set(options.map(([id]) => id));
  const set = (next: Post["fields"], merge?: string): void => put(t("fieldsOfTheReport"), { fields: next }, merge);
  const namesBut = (at: number): string[] => fields.filter((_, n) => n !== at).map(({ name }) => name);
  const swap = (at: number, by: 1 | -1): void => {
    const next = [...fields];
    const [moved] = next.splice(at, 1);
    if (moved) next.splice(at + by, 0, moved);
    set(next);
  };
  return (
    <Box role="group" aria-label={t("fieldsOfTheReport")}>
      <Text fontSize="12.5px" color="quiet" pb="1">{t("fieldsOfTheReport")}</Text>
      <Flex direction="column" gap="1.5">
        {fields.map((field, at) => (
          <Flex key={at} gap="1.5" align="center" role="group" aria-label={field.name}>
            <Input
              size="xs" bg="paper" w="170px" flex="none" aria-label={t("fieldName")} defaultValue={field.name} key={field.name} maxLength={200}
              onBlur={(event) => {
                const name = event.target.value.trim();
                if (name && name !== field.name) set(fields.map((one, n) => (n === at ? { ...one, name: freeName(name, namesBut(at)) } : one)));
              }}
            />
            <Box flex="1" minW="0">
              <Choose
                bare label={t("fieldValue")} value={field.of} options={known.has(field.of) ? options : [[field.of, t("goneVariable")], ...options]}
                onChange={(of) => set(fields.map((one, n) => (n === at ? { ...one, of } : one)))}
              />
            </Box>
            <Tool label={t("fieldEarlier")} disabled={at === 0} onClick={() => swap(at, -1)}><ArrowUp size={14} /></Tool>
            <Tool label={t("fieldLater")} disabled={at === fields.length - 1} onClick={() => swap(at, 1)}><ArrowDown size={14} /></Tool>
            <Tool label={t("removeField")} onClick={() => set(fields.filter((_, n) => n !== at))}><X size={14} /></Tool>
          </Flex>
        ))}
      </Flex>
      {fields.length < MOST_FIELDS && <AddField variables={variables} fields={fields} set={set} />}
    </Box>
  );
}

/** Adds the first variable that is in no field yet, under its name; else the learner's points. */
function AddField({ variables, fields, set }: { variables: readonly { id: string; name: string }[]; fields: Post["fields"]; set: (next: Post["fields"]) => void }): ReactNode {
  const free = variables.find(({ id }) => !fields.some(({ of }) => of === id));
  const names = fields.map(({ name }) => name);
  const made = free ? { name: freeName(free.name, names), of: free.id } : { name: freeName(t("newField", { number: fields.length + 1 }), names), of: "quiz_points" };
  return <QuietButton size="sm" mt="2" onClick={() => set([...fields, made])}>{t("addField")}</QuietButton>;
}

function MailWords({ post, put }: { post: Post; put: Put }): ReactNode {
  const texts = useCourse((state) => state.course.variables).filter(({ type }) => type === "text");
  return (
    <Flex direction="column" gap="2" pt="1">
      <Text fontSize="12.5px" color="quiet">{t("fieldsInWords", { example: "{{ Name }}" })}</Text>
      {TEXTS.map(([key, label, lines, most]) => (
        <TextField key={key} label={label} lines={lines} value={post[key]} onChange={(text) => put(label, { [key]: text.slice(0, most) }, key)} />
      ))}
      <Box w="320px">
        <Choose
          label={t("copyTo")} help={t("copyHelp")} value={post.copy_to ?? ""} options={[["", t("noCopy")], ...texts.map(({ id, name }): [string, string] => [id, name])]}
          onChange={(id) => put(t("copyTo"), { copy_to: id || null })}
        />
      </Box>
    </Flex>
  );
}
