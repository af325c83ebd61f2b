/** Values in a text: putting one in, and how the chosen one is written. */
import { chakra, Flex, Menu, Portal, Text } from "@chakra-ui/react";
import { useEditorState, type Editor } from "@tiptap/react";
import { Braces } from "lucide-react";
import type { ReactNode } from "react";
import type { ValueFormat, Variable } from "../../../api/types";
import { LIVE, typeOfLive } from "../../does/live";
import { useScores } from "../../does/useScores";
import { useCourse } from "../../store/store";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/editor";

/** Puts the value of a variable or a live value into the text. */
export function ValueMenu({ editor }: { editor: Editor }): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const scores = useScores();
  const insert = (of: string): void => {
    editor.chain().focus().insertContent({ type: "value", attrs: { of, format: null } }).run();
  };
  const items = (label: string, options: readonly (readonly [string, string])[]): ReactNode => options.length > 0 && (
    <Menu.ItemGroup>
      <Menu.ItemGroupLabel>{label}</Menu.ItemGroupLabel>
      {options.map(([of, words]) => <Menu.Item key={of} value={of} onSelect={() => insert(of)}>{words}</Menu.Item>)}
    </Menu.ItemGroup>
  );
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <Tool label={t("insertAVariable")} onPointerDown={(event) => event.preventDefault()}><Braces size={16} /></Tool>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content maxH="320px" overflowY="auto" zIndex="2000">
            {items(t("variables"), variables.map(({ id, name }) => [id, name] as const))}
            {items(t("keptByTheCourse"), LIVE.map(({ of, words }) => [of, words] as const))}
            {items(t("scoresOfQuizzes"), scores.map(({ of, words }) => [of, words] as const))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

const PLAIN: ValueFormat = { decimals: null, yes: "", no: "", one: "", many: "" };

/** How the chosen value is written: decimals, words for yes and no, for one and for many. */
export function FormatTools({ editor }: { editor: Editor }): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const chosen = useEditorState({
    editor, selector: ({ editor: now }) => (now.isActive("value") ? now.getAttributes("value") as { of: string; format: ValueFormat | null } : null),
  });
  if (!chosen) return null;
  const type = typeOf(chosen.of, variables);
  if (type === "text") return null;
  const format = chosen.format ?? PLAIN;
  const change = (part: Partial<ValueFormat>): void => {
    const next = { ...format, ...part };
    const plain = next.decimals == null && !next.yes && !next.no && !next.one && !next.many;
    editor.commands.updateAttributes("value", { format: plain ? null : next });
  };
  const field = (label: string, name: "yes" | "no" | "one" | "many", hint: string): ReactNode => (
    <Flex as="label" align="center" gap="1.5">
      <Text fontSize="12.5px" color="quiet">{label}</Text>
      <chakra.input
        aria-label={t("textForLabel", { label })} value={format[name]} placeholder={hint} maxLength={100} w="86px" px="1.5" py="0.5" borderWidth="1px" borderRadius="6px"
        fontSize="13px" bg="paper" onChange={(event) => change({ [name]: event.target.value })}
      />
    </Flex>
  );
  return (
    <Flex align="center" gap="2.5" px="2" borderLeftWidth="1px" data-format>
      {type === "yes_no" ? <>{field("yes", "yes", "yes")}{field("no", "no", "no")}</> : (
        <>
          <Flex as="label" align="center" gap="1.5">
            <Text fontSize="12.5px" color="quiet">{t("decimals")}</Text>
            <chakra.select
              aria-label={t("decimals")} value={format.decimals ?? ""} fontSize="13px" bg="paper" borderWidth="1px" borderRadius="6px" px="1"
              onChange={(event) => change({ decimals: event.target.value === "" ? null : Number(event.target.value) })}
            >
              <option value="">{t("asItIs")}</option>
              {[0, 1, 2, 3].map((n) => <option key={n} value={n}>{n}</option>)}
            </chakra.select>
          </Flex>
          {field("one", "one", "# point")}
          {field("many", "many", "# points")}
        </>
      )}
    </Flex>
  );
}

function typeOf(of: string, variables: readonly Variable[]): "number" | "text" | "yes_no" {
  return variables.find(({ id }) => id === of)?.type ?? typeOfLive(of);
}
