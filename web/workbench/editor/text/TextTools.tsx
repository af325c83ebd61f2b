import { Flex } from "@chakra-ui/react";
import { useEditorState, type Editor } from "@tiptap/react";
import { Bold, Italic, List, ListOrdered } from "lucide-react";
import type { ReactNode } from "react";
import { createPortal } from "react-dom";
import { BlankTool } from "../../judges/BlankTool";
import { Tool } from "../../../kit/Tool";
import { FormatTools, ValueMenu } from "./ValueTools";
import { t } from "../../../words/editor";

/** Emphasis and lists, floating over the text that is being edited. */
export function TextTools({ editor, element }: { editor: Editor; element: string }): ReactNode {
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive("bold"), italic: now.isActive("italic"),
      bullet: now.isActive("bulletList"), number: now.isActive("orderedList"),
    }),
  });
  const stage = document.querySelector("[data-stage]");
  if (!stage) return null;
  const chain = (): ReturnType<Editor["chain"]> => editor.chain().focus();
  const tools = [
    { label: t("bold"), key: "bold", icon: <Bold size={16} />, run: () => chain().toggleBold().run() },
    { label: t("italic"), key: "italic", icon: <Italic size={16} />, run: () => chain().toggleItalic().run() },
    { label: t("list"), key: "bullet", icon: <List size={16} />, run: () => chain().toggleBulletList().run() },
    { label: t("numberedList"), key: "number", icon: <ListOrdered size={16} />, run: () => chain().toggleOrderedList().run() },
  ] as const;
  return createPortal(
    <Flex
      position="absolute" top="-44px" left="50%" transform="translateX(-50%)" bg="sheet" p="1" gap="0.5"
      borderRadius="card" boxShadow="0 2px 12px rgb(34 48 43 / 22%)" zIndex="1000004"
      role="toolbar" aria-label={t("text")}
    >
      {tools.map(({ label, key, icon, run }) => (
        <Tool
          key={key} label={label} aria-pressed={on[key]} bg={on[key] ? "spruce.soft" : undefined}
          onPointerDown={(event) => event.preventDefault()} onClick={run}
        >
          {icon}
        </Tool>
      ))}
      <BlankTool editor={editor} element={element} />
      <ValueMenu editor={editor} />
      <FormatTools editor={editor} />
    </Flex>,
    stage,
  );
}
