/** What the editor understands: exactly what rich text can hold. */
import { mergeAttributes, Node } from "@tiptap/core";
import StarterKit from "@tiptap/starter-kit";
import { valueName } from "../../../player/render/valueNames";

/** A value that stands in a text, as a chip that is moved and deleted as one. */
const Value = Node.create({
  name: "value",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes() {
    return { of: { default: "" }, format: { default: null, rendered: false } };
  },
  parseHTML() {
    return [{ tag: "span[data-value]", getAttrs: (node) => ({ of: node.getAttribute("data-value") ?? "" }) }];
  },
  renderHTML({ node, HTMLAttributes }) {
    const attributes = mergeAttributes(HTMLAttributes, { "data-value": node.attrs.of as string });
    return ["span", attributes, valueName(String(node.attrs.of))];
  },
});

/** A blank of a question, which stands in the text as a gap. */
const BlankNode = Node.create({
  name: "blank",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes() {
    return { blank: { default: "" }, words: { default: "", rendered: false } };
  },
  parseHTML() {
    return [{ tag: "span[data-gap]", getAttrs: (node) => ({ blank: node.getAttribute("data-gap") ?? "" }) }];
  },
  renderHTML({ node, HTMLAttributes }) {
    return ["span", mergeAttributes(HTMLAttributes, { "data-gap": node.attrs.blank as string, class: "zz-gap" }), String(node.attrs.words)];
  },
});

export const EXTENSIONS = [
  StarterKit.configure({
    heading: false, blockquote: false, code: false, codeBlock: false, horizontalRule: false,
    strike: false, underline: false, link: false, hardBreak: false,
  }),
  Value, BlankNode,
];
