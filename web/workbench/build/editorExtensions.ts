/** What the editor understands: exactly what rich text can hold. */
import { mergeAttributes, Node } from "@tiptap/core";
import StarterKit from "@tiptap/starter-kit";

/** A value that stands in a text, as a chip that is moved and deleted as one. */
const Value = Node.create({
  name: "value",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes() {
    return { of: { default: "" } };
  },
  parseHTML() {
    return [{ tag: "span[data-value]" }];
  },
  renderHTML({ node, HTMLAttributes }) {
    const words = String(node.attrs.of).replaceAll("_", " ");
    const attributes = mergeAttributes(HTMLAttributes, { "data-value": node.attrs.of as string });
    return ["span", attributes, `{{ ${words} }}`];
  },
});

export const EXTENSIONS = [
  StarterKit.configure({
    heading: false, blockquote: false, code: false, codeBlock: false, horizontalRule: false,
    strike: false, underline: false, link: false, hardBreak: false,
  }),
  Value,
];
